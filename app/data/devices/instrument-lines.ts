import {
  OutsideReadings,
  StandInReading,
  isRoomChannel,
  type ChannelReading,
  type CookReading,
  type CookView,
} from '../../../core/index';

/** What a logger sent; nothing for what cannot be read. A scale speaks to whoever weighs, not to the cook. */
export function linesOfLogger(text: string): readonly CookReading[] {
  const parsed = OutsideReadings.safeParse(jsonOf(text));
  return parsed.success
    ? parsed.data.readings.flatMap((r) =>
        r.channel === 'scaleG' || isRoomChannel(r.channel)
          ? []
          : [{ atMs: Date.parse(r.at), channel: r.channel, value: r.value }],
      )
    : [];
}

/** What a logger in a room sent, and who speaks. */
export function linesOfRoom(text: string): {
  readonly source: string;
  readonly lines: readonly ChannelReading[];
} {
  const parsed = OutsideReadings.safeParse(jsonOf(text));
  if (!parsed.success) {
    return { source: '', lines: [] };
  }
  const { source, readings } = parsed.data;
  return {
    source,
    lines: readings.flatMap(({ at, channel, value }) =>
      isRoomChannel(channel) ? [{ atMs: Date.parse(at), channel, value }] : [],
    ),
  };
}

/** What the pretended canner sent; it counts seconds from the lid on. */
export function linesOfStandIn(text: string, { state }: CookView): readonly CookReading[] {
  const parsed = StandInReading.safeParse(jsonOf(text));
  if (!parsed.success) {
    return [];
  }
  const { second, gaugeKPa, chamberC, coreC } = parsed.data;
  const atMs = (state.lidOnMs ?? 0) + second * 1000;
  return [
    { atMs, channel: 'gaugeKPa', value: gaugeKPa },
    { atMs, channel: 'chamberC', value: chamberC },
    ...(coreC === undefined ? [] : [{ atMs, channel: 'coreC' as const, value: coreC }]),
  ];
}

/** Undefined for what is no JSON: no schema takes that. */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
