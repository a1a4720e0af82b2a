import { Injectable, inject } from '@angular/core';
import {
  CookChannel,
  isRefusal,
  checkReadings,
  chunksWith,
  groupBy,
  idOfName,
  logOf,
  newId,
  partsOfSubject,
  type ChannelReading,
  type CookId,
  type Entry,
  type EntryId,
  type House,
  type Log,
  type ReadingChunk,
  type Series,
  type Subject,
} from '../../../core/index';
import { SteadyClock } from '../clock/steady-clock';
import { HOUSE_DB } from '../store/database';
import { Notices } from '../store/notices';
import { messageOf } from '../words/message-of';
import { FileNoting, PlaceNoting, type NoteworthyRead } from './place-noting';
import { Stopped } from './stopped';
import { Writer, type Pen } from './writer';

/** A reading that is not in the record yet. */
export interface Unkept extends ChannelReading {
  readonly subject: Subject;
  /** Who read it: shown beside the curve. */
  readonly source: string;
}

/** Readings that come in a batch at a time, of a whole file. */
export interface Incoming {
  readonly series: Pick<Series, 'subject' | 'source'>;
  /** Each batch in time, and after the one before. */
  readonly batches: AsyncIterable<readonly ChannelReading[]>;
  /** Asked after each batch. */
  readonly isStopped: () => boolean;
}

/** The matter of notices about instruments. */
const READINGS = 'readings';

/**
 * The only writer of readings. They stand apart from the house: chunks in a table of their own, and in the house no more
 * than what it must know of those of a cook.
 */
@Injectable({ providedIn: 'root' })
export class ReadingsBook {
  private readonly db = inject(HOUSE_DB);
  private readonly writer = inject(Writer);
  private readonly notices = inject(Notices);
  private readonly clock = inject(SteadyClock);
  /** Chunks that this page began and may add to, by series. */
  private open: ReadonlyMap<string, ReadingChunk> = new Map();
  /** Instruments that this page hears, by what they read. */
  private readonly listening = new Map<string, PlaceNoting>();

  /**
   * Keeps what instruments read. No person pressed anything, so no notice of theirs is touched.
   * @returns `later` when it could not be saved and whoever holds it must try again
   */
  async keep(lines: readonly Unkept[]): Promise<'saved' | 'refused' | 'later'> {
    try {
      this.open = await this.writer.write((pen) => this.append(pen, lines));
      this.notices.settled(READINGS);
      return 'saved';
    } catch (error) {
      const isRefused = isRefusal(error);
      this.notices.show({
        text: isRefused
          ? `Readings of the instrument are left out: ${messageOf(error)}`
          : `Readings of the instrument are not saved yet: ${messageOf(error)}. They are kept here and tried again each minute.`,
        isKept: false,
        about: READINGS,
      });
      return isRefused ? 'refused' : 'later';
    }
  }

  /**
   * Brings in the readings of a file, a batch to a transaction, so that presses go on between them: all of the file or
   * none of it. The same file brought in again adds nothing.
   *
   * @returns how many readings came in
   * @throws Stopped, or CoreError or Error with words; nothing of the file is kept then
   */
  async bring({ series, batches, isStopped }: Incoming): Promise<number> {
    const open = new Map<string, ReadingChunk>();
    const logs = new Map<string, Log>();
    /** Chunks that were not here before. */
    const added = new Set<string>();
    const placeId = placeOf(series);
    let noting: FileNoting | undefined;
    let count = 0;
    try {
      for await (const lines of batches) {
        const written = await this.writer.write(async (pen) => {
          const chunks = await this.chunksOf(pen, series, lines, open);
          if (placeId !== undefined) {
            noting ??= new FileNoting(placeId, pen.found.house);
          }
          const here = await this.db.rows('readings').bulkGet(chunks.map((c) => c.id));
          const fresh = chunks.filter((_, i) => here[i] === undefined);
          await pen.putAll(
            'readings',
            chunks.filter((chunk, i) => (here[i]?.count ?? 0) <= chunk.count),
          );
          return { chunks, fresh };
        });
        written.fresh.forEach((chunk) => added.add(chunk.id));
        for (const chunk of written.chunks) {
          open.set(chunk.channel, chunk);
          const log = this.logOf(chunk);
          if (log !== undefined) {
            logs.set(chunk.id, log);
          }
        }
        count += lines.length;
        noting?.add(lines);
        if (isStopped()) {
          throw new Stopped('Stopped.');
        }
      }
      const reads = noting?.end() ?? [];
      if (logs.size + reads.length > 0) {
        await this.writer.write(async (pen) => {
          await keepLogs(pen, [...logs.values()]);
          if (placeId !== undefined) {
            await this.noteReads(pen, placeId, series.source, reads);
          }
        });
      }
      return count;
    } catch (error) {
      await this.db.rows('readings').bulkDelete([...added]);
      throw error;
    }
  }

  /** Says whether logs of a cook count. Their readings stay. @returns whether it was kept */
  async leaveOut(logs: readonly Log[], leftOut: boolean): Promise<boolean> {
    const about = `logs ${logs[0]?.id ?? ''}`;
    const updatedAt = this.nowIso();
    try {
      await this.writer.write((pen) =>
        pen.putAll(
          'logs',
          logs
            .map((log) => keptLog(pen, log) ?? log)
            .map(({ leftOut: _, ...log }) => ({
              ...log,
              updatedAt,
              ...(leftOut && { leftOut: true as const }),
            })),
        ),
      );
      this.notices.settled(about);
      return true;
    } catch (error) {
      this.notices.show({ text: `${messageOf(error)} Nothing was changed.`, isKept: false, about });
      return false;
    }
  }

  private async append(pen: Pen, lines: readonly Unkept[]): Promise<ReadonlyMap<string, ReadingChunk>> {
    const open = new Map(this.open);
    for (const own of groupBy(lines, keyOf).values()) {
      const { subject, channel, source } = own[0]!;
      const series = { subject, channel, source };
      requireTimes(pen.found.house, series, own, this.clock.now());
      const key = keyOf(series);
      const chunks = chunksWith(open.get(key), series, own, (ms) => newId(ms, Math.random));
      const signed = await this.signed(pen, chunks);
      await pen.putAll('readings', signed);
      await keepLogs(
        pen,
        signed.flatMap((chunk) => this.logOf(chunk) ?? []),
      );
      const placeId = placeOf(series);
      if (placeId !== undefined) {
        const { house } = pen.found;
        const noting = this.listening.get(subject + source) ?? new PlaceNoting(placeId, house);
        this.listening.set(subject + source, noting);
        await this.noteReads(pen, placeId, source, noting.hear(channel, own, house));
      }
      open.set(key, signed[signed.length - 1]!);
    }
    return open;
  }

  /** What the house must know of a place's air, as facts; the same once only. */
  private async noteReads(
    pen: Pen,
    placeId: string,
    source: string,
    reads: readonly NoteworthyRead[],
  ): Promise<void> {
    const device = await pen.device();
    const notedAt = this.nowIso();
    const entries = reads.map(({ channel, atMs, value }): Entry => {
      const fact = {
        schemaVersion: 1,
        at: new Date(atMs).toISOString(),
        notedAt,
        device,
        ...this.writer.who(),
        placeId,
        source,
      } as const;
      const name = `${placeId} ${source} ${atMs}`;
      return channel === 'airC'
        ? { ...fact, id: idOfName(name) as EntryId, kind: 'placeRead', celsius: value }
        : { ...fact, id: idOfName(`${name} ${channel}`) as EntryId, kind: 'airRead', channel, value };
    });
    await pen.addAll(
      'entries',
      entries.filter((e) => !pen.found.house.entryById.has(e.id)),
    );
  }

  private async chunksOf(
    pen: Pen,
    of: Incoming['series'],
    lines: readonly ChannelReading[],
    open: ReadonlyMap<string, ReadingChunk>,
  ): Promise<readonly ReadingChunk[]> {
    const chunks: ReadingChunk[] = [];
    for (const own of groupBy(lines, (l) => l.channel).values()) {
      const series = { ...of, channel: own[0]!.channel };
      requireTimes(pen.found.house, series, own, this.clock.now());
      // Named by what is in it, so that the same file makes the same chunks.
      const idOf = (ms: number) => idOfName(`${keyOf(series)} ${ms}`);
      chunks.push(...(await this.signed(pen, chunksWith(open.get(series.channel), series, own, idOf))));
    }
    return chunks;
  }

  private async signed(pen: Pen, chunks: readonly ReadingChunk[]): Promise<readonly ReadingChunk[]> {
    const device = await pen.device();
    return chunks.map((chunk) => ({ ...chunk, device, ...this.writer.who() }));
  }

  private logOf(chunk: ReadingChunk): Log | undefined {
    const cook = cookOf(chunk);
    return cook && logOf(chunk, cook.id, cook.channel, this.nowIso());
  }

  private nowIso(): string {
    return new Date(this.clock.now()).toISOString();
  }
}

/** A log that a person left out stays left out when its chunk grows. */
async function keepLogs(pen: Pen, logs: readonly Log[]): Promise<void> {
  await pen.putAll(
    'logs',
    logs.map((log) => (keptLog(pen, log)?.leftOut === true ? { ...log, leftOut: true } : log)),
  );
}

/** The same log as it is kept now; its chunk may have grown. */
function keptLog(pen: Pen, { id, cookId }: Log): Log | undefined {
  return pen.found.house.cookById.get(cookId)?.logRows.find((l) => l.id === id);
}

function keyOf({ subject, channel, source }: Pick<Series, 'subject' | 'channel' | 'source'>): string {
  return `${subject} ${channel} ${source}`;
}

function requireTimes(
  house: House,
  { subject }: Series,
  lines: readonly ChannelReading[],
  nowMs: number,
): void {
  const times = lines.map((l) => l.atMs);
  const fromMs = times.reduce((a, b) => Math.min(a, b));
  const toMs = times.reduce((a, b) => Math.max(a, b));
  checkReadings(house, subject, { fromMs, toMs }, nowMs);
}

/** The place that these readings are of; undefined for others. */
function placeOf({ subject }: Pick<Series, 'subject'>): string | undefined {
  const { kind, id } = partsOfSubject(subject);
  return kind === 'place' ? id : undefined;
}

function cookOf({ subject, channel }: ReadingChunk): { id: CookId; channel: CookChannel } | undefined {
  const own = CookChannel.safeParse(channel);
  const { kind, id } = partsOfSubject(subject);
  return kind === 'cook' && own.success ? { id: id as CookId, channel: own.data } : undefined;
}
