/** Above this argument Hankel's expansion is the more exact of the two; both are within 1e-10 there. */
const SERIES_UP_TO = 13;
const SERIES_TERMS = 60;
const HANKEL_TERMS = 24;

/**
 * Bessel functions of the first kind and of order 0 and 1, together since the roots want both.
 * Power series below 13 (Abramowitz & Stegun 9.1.10), Hankel's asymptotic expansion above (9.2.5, 9.2.9, 9.2.10).
 *
 * @param x 0 or more
 * @returns within 1e-10 of the true values
 */
export function besselJ0J1(x: number): { readonly j0: number; readonly j1: number } {
  return x < SERIES_UP_TO ? bySeries(x) : byHankel(x);
}

function bySeries(x: number): { j0: number; j1: number } {
  const q = (-x * x) / 4;
  let term = 1;
  let j0 = 1;
  let j1 = 1;
  for (let k = 1; k < SERIES_TERMS; k++) {
    term *= q / (k * k);
    j0 += term;
    j1 += term / (k + 1);
    if (Math.abs(term) < 1e-17) {
      break;
    }
  }
  return { j0, j1: (j1 * x) / 2 };
}

function byHankel(x: number): { j0: number; j1: number } {
  const root = Math.sqrt(2 / (Math.PI * x));
  const zero = hankelSums(x, 0);
  const one = hankelSums(x, 1);
  const chi0 = x - Math.PI / 4;
  const chi1 = x - (3 * Math.PI) / 4;
  return {
    j0: root * (zero.p * Math.cos(chi0) - zero.q * Math.sin(chi0)),
    j1: root * (one.p * Math.cos(chi1) - one.q * Math.sin(chi1)),
  };
}

/** P and Q of the expansion, summed until its terms grow again. */
function hankelSums(x: number, order: 0 | 1): { p: number; q: number } {
  const mu = 4 * order * order;
  let term = 1;
  let p = 1;
  let q = 0;
  for (let k = 1; k < HANKEL_TERMS; k++) {
    const next = (term * (mu - (2 * k - 1) ** 2)) / (k * 8 * x);
    if (Math.abs(next) >= Math.abs(term)) {
      break;
    }
    term = next;
    // Signs go +P, +Q, −P, −Q.
    const signed = k % 4 < 2 ? term : -term;
    if (k % 2 === 0) {
      p += signed;
    } else {
      q += signed;
    }
  }
  return { p, q };
}
