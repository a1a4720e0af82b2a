import * as z from 'zod';
import { Line } from './ids.js';

/**
 * In what people count what they give on: broth and spores in water by the milliliter, spawn by mass, a plate or slant by
 * wedges of about a square centimeter, a print by scrapes of the needle, fresh tissue by the piece.
 */
export const CultureUnit = z.enum(['ml', 'g', 'wedge', 'scrape', 'piece']);
export type CultureUnit = z.infer<typeof CultureUnit>;

/** In any unit; more than any vessel of a kitchen holds. */
export const MOST_HELD = 100_000;

/** What one vessel held when it came, or when it was filled. */
export const Holds = z.strictObject({
  amount: z.number().positive().max(MOST_HELD),
  unit: CultureUnit,
});
export type Holds = z.infer<typeof Holds>;

/** How a culture came into the house. */
export const HowItCame = z.enum(['bought', 'swap', 'own', 'wild', 'unknown']);
export type HowItCame = z.infer<typeof HowItCame>;

/** Where a culture comes from, as far as it is known. What it came as is told by its vessel. */
export const Origin = z.strictObject({
  how: HowItCame.optional(),
  /** The day on which the print was taken, the tissue cut, the broth drawn. */
  on: z.iso.date().optional(),
  from: Line.optional(),
  /** Transfers since spores or tissue, as its keeper told them. */
  transfers: z.number().int().min(0).max(99).optional(),
});
export type Origin = z.infer<typeof Origin>;

/** One direction of a plate along which growth is read; "north" is where the mark on the rim is. */
export const Sector = z.string().trim().min(1).max(24);

/** How far mycelium has come from where it was laid, along one sector. */
export const Radius = z.strictObject({ sector: Sector, mm: z.number().min(0).max(300) });
export type Radius = z.infer<typeof Radius>;

/** What a broth looks like when it is held against the light. */
export const BrothLook = z.enum(['clear', 'threads', 'ready', 'cloudy']);
export type BrothLook = z.infer<typeof BrothLook>;

/** Something that went wrong with a vessel: while it was open, or in the cooker, seen when it was taken out. */
export const Mishap = z.enum([
  'openTooLong',
  'touched',
  'notEnough',
  'spilled',
  'boiledOver',
  'lidPopped',
  'filterWet',
  'labelLost',
]);
export type Mishap = z.infer<typeof Mishap>;

/** What was held against a transfer before it was made. */
export const CultureWarning = z.enum([
  'untested',
  'dirtyTest',
  'tooYoung',
  'tooOld',
  'suspectSource',
  'siblingsBad',
  'fedBad',
  'notFull',
  'stillHot',
  'cookShort',
  'cookMishap',
  'tooManyGenerations',
  'tooManyTransfers',
  'poorWood',
  'mixedIsolates',
]);
export type CultureWarning = z.infer<typeof CultureWarning>;
