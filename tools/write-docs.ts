import { mkdirSync, writeFileSync } from 'node:fs';
import { tableJsonSchemas } from '../core/index.js';
import { convergence } from '../core/testing/conduction-checks.js';
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
`,
);
