import { mkdirSync, writeFileSync } from 'node:fs';
import { tableJsonSchemas } from '../core/index.js';
import { convergence } from '../core/testing/conduction-checks.js';
import { coolingRows, holdRows } from '../core/testing/holds-table.js';
import { growingBlockRow } from '../core/testing/growing-block.js';
import { toteRows } from '../core/testing/tote-rows.js';
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

## Two cookers and five batches, by hand

A Saturday, free from 9 to 21. Each load takes 30 minutes of hands and then its cooker: G1 and G2 three hours in the canner, B1 three and a
half; L1 and A1 an hour in the multi-cooker. A1 is wanted by 15:00, the rest by 21:00. Nobody fills two at once.

- From the end: A1 at 13:30. B1 at 17:00 (canner 17:30 to 21:00), G1 at 14:00 (14:30 to 17:30), G2 at 11:00 (11:30 to 14:30), L1 at 19:30.
- Then each as early on that day as the others let it, in that order of time: G2 at **9:00** (canner 9:30 to 12:30); A1 at **9:30**
  (multi-cooker 10 to 11); G1 at **12:00**, since the canner is free at 12:30; B1 at **15:00**, free at 15:30; L1 at **10:30**: hands are
  free at 10, but the multi-cooker only at 11.

The app says the same five hours (\`core/schedule/schedule.spec.ts\`).

## What keeps a tote warm, by hand

A tote of 60 × 40 × 35 cm, 2 mm of polypropylene (0.22 W/(m K)), still air inside and out (8 W/(m² K)); all from handbooks, from memory.
26 °C inside, 18 °C in the room.

- Walls, bottom and lid: 2 × (0.6 × 0.4 + 0.6 × 0.35 + 0.4 × 0.35) = 1.18 m².
- Resistance: 1/8 + 0.002/0.22 + 1/8 = 0.2591 m² K/W. Loss: 1.18 × 8 ÷ 0.2591 = **36.4 W**; with half as much to spare a mat of 75 W.
- With 20 mm of foam (0.035 W/(m K)): 1/8 + 0.5714 + 1/8 = 0.8214; **11.5 W**, a mat of 25 W (or 15 W without reserve).
- In a bath between two totes the water touches sides and bottom (0.94 m²): 0.002/0.22 + 1/8 = 0.1341; above it two lids with air between
  (0.24 m²): 1/8 + 0.0091 + 0.16 + 0.0091 + 1/8 = 0.4282. 0.94 ÷ 0.1341 + 0.24 ÷ 0.4282 = 7.57 W/K, **60.6 W** for 8 K, a heater of
  100 W. 20 l of water: 20 × 4186 × 8 ÷ 3600 = 186 Wh, at 100 − 30 W **2.7 h**.

The app says ${toteRows().join(', ')} (\`core/warm-place/heat-balance.spec.ts\`).

## A load's own warming, by hand

A block of 2 268 g, 40 % dry (907 g), that runs through by 8 in 100 of itself in a day. Until it is full it breathes away 5 % of its dry
matter, burnt slowly at 16.5 MJ/kg (from memory).

- 0.08 × 0.05 × 0.907 kg = 3.63 g a day, × 16.5 kJ/g = 59.9 kJ, ÷ 86 400 s = **0.69 W**.
- As a ball at 700 kg/m³: 3.24 l, 9.18 cm, 0.1059 m². At its wall 0.693 ÷ (8 × 0.1059) = 0.82 K; within, 213.8 W/m³ × 0.0918² ÷ (6 × 0.4)
  = 0.75 K. Together **1.6 K** warmer in its middle than the air.

The app says ${growingBlockRow()} (\`core/warm-place/own-warmth.spec.ts\`). A place is too warm where the air and this together are more
than a species bears.

## What a block cost, and its hours

Two blocks in one cook, spawned from two jars of another cook, which were inoculated from one syringe: materials at their prices, half a cook
each, 100 g of the jar's wet mass, 2 of the syringe's 60 ml, all added up by hand (\`core/yield/yield.spec.ts\`). Hours are counted from the
times of the notes: two deeds at most 15 minutes apart are one piece of work, what stands alone takes 5. Our choice, no source.

## Colonization from a picture

200 pictures drawn by code (\`core/demo/drawn-jar.ts\`), a tenth bare, a tenth white all over, half with a label, half with glare; CIELAB by
the primaries of sRGB. Mean absolute error asserted under 6 points (3.3 when last measured), the stated range holds in more than 75 of 100
(86), and is narrower than 25 points in more than 85 of 100. Photos of real jars were not tried.
`,
);
