import { Router } from 'express';
import * as z from 'zod';
import { FAULTS, seededRandom, standInCook, standInTent } from '../../core/index.js';
import { Streams, type EventStream } from './event-stream.js';

const number = (least: number, most: number, usual: number) =>
  z.coerce.number().min(least).max(most).default(usual);

/** What the pretended canner is asked for, in the address. */
export const CannerQuery = z.object({
  gaugeKPa: number(20, 250, 103.4),
  atmosphereKPa: number(50, 110, 101.3),
  roomC: number(5, 40, 20),
  comeUp: number(1, 240, 25),
  vent: number(0, 60, 10),
  hold: number(1, 600, 90),
  fault: z.enum(FAULTS).default('none'),
  faultAt: number(0, 600, 40),
  dropouts: z.enum(['yes', 'no']).default('no'),
  /** Second of the cook at which the listener comes in; what was before is not told again. */
  from: number(0, 100_000, 0),
  /** How many times faster than life; 0 sends all at once. */
  speed: number(0, 10_000, 1),
  seed: number(0, 2 ** 31, 1),
});

/** What the pretended logger in a tent is asked for: how often it speaks, s. */
const TentQuery = z.object({ every: number(0.1, 3600, 5), seed: number(0, 2 ** 31, 1) });

const ScaleQuery = z.object({ grams: number(0, 50_000, 420), seed: number(0, 2 ** 31, 1) });
const SCALE_EVERY_MS = 300;
/** A household has a few cookers and tabs; more is a fault or an attack. */
const MOST_STREAMS = 20;
/** What is put on it swings for so many readings. */
const SCALE_SETTLES_IN = 8;

/** Instruments that are pretended by the same physics, for practice and for trying a connection. */
export function standIns(): Router {
  const router = Router();
  const streams = new Streams(MOST_STREAMS);
  /** One instrument: what it is asked for is checked, and its stream begins when it is ready to speak. */
  const serve = <T>(
    path: string,
    schema: z.ZodType<T>,
    speak: (query: T, begin: () => EventStream | undefined) => void,
  ) => {
    router.get(path, (req, res, next) => {
      const query = schema.safeParse(req.query);
      if (query.success) {
        speak(query.data, () => streams.begin(res));
      } else {
        next(query.error);
      }
    });
  };
  serve('/canner', CannerQuery, (query, begin) => {
    const { speed, from, seed, comeUp, vent, hold, faultAt, dropouts, ...rest } = query;
    const readings = standInCook(
      {
        ...rest,
        comeUpMinutes: comeUp,
        ventMinutes: vent,
        holdMinutes: hold,
        faultAtMinutes: faultAt,
        dropouts: dropouts === 'yes',
      },
      seededRandom(seed),
    ).filter((r) => r.second >= from);
    const stream = begin();
    if (stream === undefined) {
      return;
    }
    if (speed === 0) {
      readings.forEach((r) => {
        stream.send(r);
      });
      return;
    }
    let sent = 0;
    const started = Date.now();
    const timer = setInterval(() => {
      const second = from + ((Date.now() - started) / 1000) * speed;
      while (sent < readings.length && readings[sent]!.second <= second) {
        stream.send(readings[sent++]);
      }
    }, 100);
    stream.onEnd(() => {
      clearInterval(timer);
    });
  });
  serve('/tent', TentQuery, (query, begin) => {
    const random = seededRandom(query.seed);
    const stream = begin();
    if (stream === undefined) {
      return;
    }
    const speak = () => {
      const nowMs = Date.now();
      const at = new Date(nowMs).toISOString();
      const { airC, humidityPercent, co2Ppm } = standInTent(nowMs, random);
      const readings = [
        { at, channel: 'airC', value: airC },
        { at, channel: 'humidityPercent', value: humidityPercent },
        { at, channel: 'co2Ppm', value: co2Ppm },
      ];
      stream.send({ source: 'pretended tent', readings });
    };
    speak();
    const timer = setInterval(speak, query.every * 1000);
    stream.onEnd(() => {
      clearInterval(timer);
    });
  });
  serve('/scale', ScaleQuery, (query, begin) => {
    const random = seededRandom(query.seed);
    const stream = begin();
    if (stream === undefined) {
      return;
    }
    let n = 0;
    const timer = setInterval(() => {
      const swing =
        n < SCALE_SETTLES_IN ? (random() - 0.5) * 0.2 * query.grams * (1 - n / SCALE_SETTLES_IN) : 0;
      n++;
      stream.send({ grams: Math.round(query.grams + swing), steady: n > SCALE_SETTLES_IN });
    }, SCALE_EVERY_MS);
    stream.onEnd(() => {
      clearInterval(timer);
    });
  });
  return router;
}
