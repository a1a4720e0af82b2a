import { mkdirSync, writeFileSync } from 'node:fs';
import { tableJsonSchemas } from '../core/index.js';
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
writeFileSync(
  'docs/checks.md',
  `# Checks against things outside the project

Written by \`npm run docs\` from \`core/testing/published-checks.ts\`; the core specs assert every row.
"Common practice, no source" marks facts of the trade.

| subject | what | source | expected | computed | difference | allowed | unit |
|---|---|---|---|---|---|---|---|
${rows.join('\n')}
`,
);
