// Writes app/shell/icons.generated.ts from the few symbols that are used. Run by hand after changing the list.
import { readFileSync, writeFileSync } from 'node:fs';

const NAMES = [
  'search',
  'close',
  'schedule',
  'speed',
  'skillet',
  'water_drop',
  'photo_camera',
  'menu_book',
  'payments',
  'print',
  'check',
  'calendar_month',
  'add',
  'remove',
];
const map = Object.fromEntries(
  NAMES.map((name) => [
    name,
    readFileSync(`node_modules/@material-symbols/svg-400/rounded/${name}.svg`, 'utf8').replace(
      /<svg[^>]*>/,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 -960 960 960">',
    ),
  ]),
);
const body = Object.entries(map)
  .map(([name, svg]) => `  ${name}: '${svg}',`)
  .join('\n');
writeFileSync(
  'app/shell/icons.generated.ts',
  `// Written by tools/icons.mjs from Material Symbols Rounded (Apache License 2.0). Not to be edited.\nexport const ICONS = {\n${body}\n} as const;\n`,
);
