import { agrees } from './checks.js';
import { publishedChecks } from './published-checks.js';

describe('checks against published and trade figures', () => {
  for (const check of publishedChecks()) {
    it(`${check.subject}: ${check.what} (${check.source})`, () => {
      expect(agrees(check))
        .withContext(`expected ${check.expected} ± ${check.within}, computed ${check.computed}`)
        .toBeTrue();
    });
  }
});
