import * as z from 'zod';

/** Late work goes on past midnight, until six at most. */
const MOST_MINUTE = 1800;

/** A time of day at which somebody is there, minutes from its beginning; after midnight it goes on past 1440. */
export const FreeHours = z
  .strictObject({
    fromMinute: z.number().int().min(0).max(1439),
    toMinute: z.number().int().min(1).max(MOST_MINUTE),
  })
  .refine((h) => h.fromMinute < h.toMinute, { error: 'it must end after it begins' });
export type FreeHours = z.infer<typeof FreeHours>;

/** Three years of days that are otherwise. Our choice. */
const MOST_DATES = 1100;
const HoursOfDay = z.array(FreeHours).max(4);

/** When somebody has time: by weekday, Monday first, and otherwise on single dates. */
export const WeekPattern = z.strictObject({
  weekdays: z.array(HoursOfDay).length(7),
  dates: z
    .record(z.iso.date(), HoursOfDay)
    .refine((dates) => Object.keys(dates).length <= MOST_DATES, { error: 'too many single dates' }),
  /** Weekdays on which as little as possible should be done, 0 is Monday. */
  daysOff: z.array(z.number().int().min(0).max(6)).max(7),
  /** From when on it is quiet and nothing is watched any more, minutes from the beginning of the day. */
  quietFromMinute: z.number().int().min(0).max(MOST_MINUTE),
  /** The weekday on which one shops, 0 is Monday; Saturday if left out. */
  shopDay: z.number().int().min(0).max(6).optional(),
  /** Two cookers are never on at once: one circuit, or one pair of eyes. */
  oneCooker: z.literal(true).optional(),
});
export type WeekPattern = z.infer<typeof WeekPattern>;

const EVENING: FreeHours[] = [{ fromMinute: 18 * 60, toMinute: 22 * 60 }];
const WHOLE_DAY: FreeHours[] = [{ fromMinute: 9 * 60, toMinute: 21 * 60 }];

/** Evenings, and the days at the end of the week. Our choice. */
export const USUAL_WEEK: WeekPattern = {
  weekdays: [EVENING, EVENING, EVENING, EVENING, EVENING, WHOLE_DAY, WHOLE_DAY],
  dates: {},
  daysOff: [],
  quietFromMinute: 23 * 60,
};
