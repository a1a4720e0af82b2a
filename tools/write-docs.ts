import { mkdirSync, writeFileSync } from 'node:fs';
import { tableJsonSchemas } from '../core/index.js';
import { convergence } from '../core/testing/conduction-checks.js';
import { coolingRows, holdRows } from '../core/testing/holds-table.js';
import { publishedChecks } from '../core/testing/published-checks.js';

mkdirSync('docs/format', { recursive: true });
for (const [name, schema] of Object.entries(tableJsonSchemas())) {
  writeFileSync(`docs/format/${name}.schema.json`, `${JSON.stringify(schema, undefined, 2)}\n`);
}

const shown = (value: number) => String(Number(value.toPrecision(10)));
const rows = publishedChecks().map(
  (c) =>
    `| ${c.subject} | ${c.what} | ${c.source} | ${shown(c.expected)} | ${shown(c.computed)} | ${(c.computed - c.expected).toExponential(1)} | ${c.within} | ${c.unit} |`,
);
const converging = convergence().map(
  (c) => `| ${c.settle} | ${c.modes} | ${c.worstK.toFixed(4)} | ${c.f0Percent.toFixed(4)} |`,
);
const sour = (of100: number) => (of100 < 0.1 ? 'under 0.1' : of100.toPrecision(2));
const holds = holdRows().map(
  ({ words, trade, psi, here }) =>
    `| ${words} | ${trade} | ${psi} | ${here.map((h) => `${h.minutes} min, ${sour(h.sourOf100)}`).join(' | ')} |`,
);
const cooling = coolingRows().map(({ words, low, high }) => `| ${words} | ${low} to ${high} |`);
writeFileSync(
  'docs/checks.md',
  `# Checks against things outside the project

Written by \`npm run docs\` from \`core/testing/published-checks.ts\`; the core specs assert every row.
"Common practice, no source" marks facts of the trade.

| subject | what | source | expected | computed | difference | allowed | unit |
|---|---|---|---|---|---|---|---|
${rows.join('\n')}

## Conduction: how many modes are enough

The middle of a block of 200 × 130 × 135 mm after a jump of 100 K, Biot 20, against the finest row that is reckoned.
Faster modes than those that fade within the first column are left out, and modes of almost one rate move as one.
That the answer is right at all is asserted against an implicit finite-volume grid (\`core/heat/conduction/conduction.spec.ts\`).

| exact from | groups of modes | largest error, K | error of F0, % |
|---|---|---|---|
${converging.join('\n')}

## Holds, and what they likely come to

What the app proposes for the trade's middle school, and how many of 100 such vessels then likely sour by the cook, as far as is
known before anything was measured: physics with figures from books, and the trade's own record (of 100 quarts held 90 min 1 to 5
are lost, of 100 blocks held 150 min 2 to 8; common practice, no source). The trade's schools stand beside them, in minutes at
15 psi at the sea (common practice, no source).

| vessel | the trade says | gauge, psi | at the sea | at 640 m | at 1 600 m |
|---|---|---|---|---|---|
${holds.join('\n')}

## A middle below 30 °C

Minutes from heat off, left in the shut pot in a room of 20 °C; 8 in 10 lie between. An independent grid gives 500 to 710 for a
quart and 600 to 1 020 for a block of 2.3 kg.

| vessel | minutes |
|---|---|
${cooling.join('\n')}
`,
);
