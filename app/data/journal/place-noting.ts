import {
  AirChannel,
  WorthNoting,
  airIsNews,
  lastAtPlace,
  lastReadC,
  type Channel,
  type ChannelReading,
  type House,
  type Reading,
} from '../../../core/index';

/** What the house must know of the air of a place, beside the readings themselves. */
export interface NoteworthyRead extends Reading {
  readonly channel: 'airC' | AirChannel;
}

interface HoursOfAir {
  readonly channel: AirChannel;
  readonly noting: WorthNoting;
}

function hoursOfAir(placeId: string, house: () => House): readonly HoursOfAir[] {
  return AirChannel.options.map((channel) => ({
    channel,
    // Somebody may have typed what another instrument showed meanwhile.
    noting: new WorthNoting(undefined, (mean, last) =>
      airIsNews(house(), placeId, channel)(mean, later(last, lastAtPlace(house(), placeId)[channel])),
    ),
  }));
}

function later(a: Reading | undefined, b: Reading | undefined): Reading | undefined {
  return a === undefined || (b !== undefined && b.atMs > a.atMs) ? b : a;
}

/**
 * Picks from what is read at one place by one instrument what the house must know. Warmth is told as soon as it is heard, by
 * the mean of what came together; moisture and carbon dioxide swing with every mist and fan, and are told by the hour.
 */
export class PlaceNoting {
  private readonly byHour: readonly HoursOfAir[];

  /** @param house as it is when the first is heard */
  constructor(
    private readonly placeId: string,
    private house: House,
  ) {
    this.byHour = hoursOfAir(placeId, () => this.house);
  }

  /** @param lines of one channel, as they were heard since the last time @param house as it is now */
  hear(channel: Channel, lines: readonly Reading[], house: House): readonly NoteworthyRead[] {
    this.house = house;
    const inTime = [...lines].sort((a, b) => a.atMs - b.atMs);
    if (channel === 'airC') {
      const last = lastReadC(house, this.placeId);
      const noting = new WorthNoting(last && { atMs: last.atMs, value: last.celsius });
      return [...noting.add(inTime), ...noting.end()].map((read) => ({ ...read, channel }));
    }
    return this.byHour
      .filter((own) => own.channel === channel)
      .flatMap((own) => own.noting.add(inTime).map((read) => ({ ...read, channel: own.channel })));
  }
}

/**
 * The same for a file that is brought in, a batch at a time: how warm it was all along, for forecasts go by it, and of the
 * rest only how it was at the end.
 */
export class FileNoting {
  private readonly warm = new WorthNoting(undefined);
  private readonly reads: NoteworthyRead[] = [];
  private readonly byHour: readonly HoursOfAir[];
  private readonly lastOfAir = new Map<AirChannel, NoteworthyRead>();

  constructor(placeId: string, house: House) {
    this.byHour = hoursOfAir(placeId, () => house);
  }

  add(lines: readonly ChannelReading[]): void {
    this.tell('airC', this.warm.add(lines.filter((l) => l.channel === 'airC')));
    this.byHour.forEach(({ channel, noting }) => {
      this.tell(channel, noting.add(lines.filter((l) => l.channel === channel)));
    });
  }

  end(): readonly NoteworthyRead[] {
    this.tell('airC', this.warm.end());
    this.byHour.forEach(({ channel, noting }) => {
      this.tell(channel, noting.end());
    });
    return [...this.reads, ...this.lastOfAir.values()];
  }

  private tell(channel: NoteworthyRead['channel'], reads: readonly Reading[]): void {
    for (const read of reads) {
      if (channel === 'airC') {
        this.reads.push({ ...read, channel });
      } else {
        this.lastOfAir.set(channel, { ...read, channel });
      }
    }
  }
}
