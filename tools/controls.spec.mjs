import { readFileSync } from 'node:fs';
import { filesBelow } from './files-below.mjs';

/**
 * Controls that are not Angular Material's, by file: each has its reason in decision 9. Files to choose have no part of
 * Material's, and are allowed anywhere.
 */
const OWN = {
  'app/pieces/balance-bar.ts': ['input'],
  'app/pieces/blank.ts': ['input', 'button'],
  'app/places/shelf/shelf.html': ['button'],
};
/** What makes a control one of Material's. */
const MATERIAL = /\b(mat[A-Z]\w+|mat-[a-z-]+)\b/;
const CONTROLS = /<(button|input|select|textarea|details|progress|datalist)(?=[\s>])/g;
const DECISION = 'docs/decisions/09-controls.md';

describe('a control of the interface', () => {
  it('is Angular Material’s, or stands in the list with a reason', () => {
    const found = {};
    for (const file of filesBelow('app').filter(
      (name) => /\.(html|ts)$/.test(name) && !/\.spec\.ts$/.test(name),
    )) {
      const own = nativeIn(readFileSync(file, 'utf8'));
      if (own.length > 0) {
        found[file] = own;
      }
    }
    expect(found).toEqual(OWN);
    const reasons = readFileSync(DECISION, 'utf8');
    for (const file of Object.keys(OWN)) {
      expect(reasons).toContain(`\`${file}\``);
    }
  });

  it('is told from one that is not', () => {
    expect(nativeIn('<button type="button" (click)="a > b">x</button>')).toEqual(['button']);
    expect(nativeIn('<button\n  [matButton]="x ? 1 : 2">x</button><input matInput>')).toEqual([]);
    expect(nativeIn('<input type="file" accept=".zip">')).toEqual([]);
    expect(nativeIn('<select><option></option></select><details></details>')).toEqual(['select', 'details']);
  });
});

describe('the dress of Material', () => {
  it('names none of its private classes', () => {
    const named = filesBelow('app')
      .filter((name) => /\.(scss|ts|html)$/.test(name))
      .filter((name) => /mat-mdc-|\bmdc-|::ng-deep/.test(readFileSync(name, 'utf8')));
    expect(named).toEqual([]);
  });
});

/** Tags of the controls in a template that are no part of Material and no choice of a file. */
function nativeIn(template) {
  return [...template.matchAll(CONTROLS)]
    .filter(({ index }) => {
      const tag = template.slice(index, endOfTag(template, index));
      return !MATERIAL.test(tag) && !tag.includes('type="file"');
    })
    .map(([, name]) => name);
}

/** The end of the opening tag; what is quoted may hold angle brackets. */
function endOfTag(text, start) {
  let quote = '';
  for (let i = start; i < text.length; i++) {
    const letter = text[i];
    if (quote !== '') {
      quote = letter === quote ? '' : quote;
    } else if (letter === '"' || letter === "'") {
      quote = letter;
    } else if (letter === '>') {
      return i;
    }
  }
  return text.length;
}
