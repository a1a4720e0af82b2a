import { writeFileSync } from 'node:fs';
import { archiveOf, largeHouse, type Shape } from './large-house.js';

const [size, shape, path] = process.argv.slice(2);
writeFileSync(path!, archiveOf(largeHouse(Number(size), shape as Shape)));
