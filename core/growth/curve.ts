/** How visible growth may run: even about its middle, slow to end, or from many points that meet (Avrami); after a lag. */
export interface CurveShape {
  readonly family: 'logistic' | 'gompertz' | 'avrami';
  /** Days before anything is seen, as a share of the full day; 0 to 0.3. */
  readonly lagShare: number;
}

/** One curve: when it is full, and how early its half is. */
export interface Curve {
  readonly shape: CurveShape;
  /** Day on which 95 % is reached. */
  readonly fullDay: number;
  /** Day of half, as a share of the full day; more than the lag's share, less than 1. */
  readonly midShare: number;
}

/** Full means 95 %: the last twentieth cannot be seen. */
export const FULL = 0.95;
const FULL_LOGIT = Math.log(FULL / (1 - FULL));
/** ln of how much smaller the outer exponent is at full than at half, and how much larger Avrami's. */
const GOMPERTZ_SPAN = Math.log(Math.LN2 / -Math.log(FULL));
const AVRAMI_SPAN = Math.log(-Math.log(1 - FULL) / Math.LN2);

/** Share that is run on a day, 0 to 1. */
export function fractionOf({ shape, fullDay, midShare }: Curve, day: number): number {
  return shareRun(shape, day / fullDay, midShare);
}

/** The same by how much of the full day is over. */
export function shareRun({ family, lagShare }: CurveShape, part: number, midShare: number): number {
  const [after, mid] = [part - lagShare, midShare - lagShare];
  if (lagShare > 0 && after <= 0) {
    return 0;
  }
  switch (family) {
    case 'logistic':
      return 1 / (1 + Math.exp((-FULL_LOGIT * (after - mid)) / (1 - midShare)));
    case 'gompertz':
      return Math.exp(-Math.LN2 * Math.exp((-GOMPERTZ_SPAN * (after - mid)) / (1 - midShare)));
    case 'avrami':
      return after <= 0
        ? 0
        : -Math.expm1(-Math.LN2 * (after / mid) ** (AVRAMI_SPAN / Math.log((1 - lagShare) / mid)));
  }
}

/** Share that is run, and how it moves with the part of the full day that is over and with the share of the middle. */
export interface ShareRunSlopes {
  readonly run: number;
  readonly perPart: number;
  readonly perMid: number;
}

/** As `shareRun`, with its slopes. */
export function shareRunSlopes(shape: CurveShape, part: number, midShare: number): ShareRunSlopes {
  const run = shareRun(shape, part, midShare);
  const { family, lagShare } = shape;
  const [after, mid, rest] = [part - lagShare, midShare - lagShare, 1 - midShare];
  if (after <= 0 && (lagShare > 0 || family === 'avrami')) {
    return { run, perPart: 0, perMid: 0 };
  }
  if (family === 'avrami') {
    const exponent = AVRAMI_SPAN / Math.log((1 - lagShare) / mid);
    // All run: nothing moves it any more.
    const perPoints = run < 1 ? -(1 - run) * Math.log1p(-run) : 0;
    return {
      run,
      perPart: (perPoints * exponent) / after,
      perMid: perPoints * ((exponent ** 2 / (AVRAMI_SPAN * mid)) * Math.log(after / mid) - exponent / mid),
    };
  }
  const [span, perSpan] =
    family === 'logistic'
      ? [FULL_LOGIT, run * (1 - run)]
      : [GOMPERTZ_SPAN, run > 0 ? -run * Math.log(run) : 0];
  return {
    run,
    perPart: (perSpan * span) / rest,
    perMid: (perSpan * span * (after - mid - rest)) / rest ** 2,
  };
}
