import { writeFileSync } from 'node:fs';
import { archiveOf, runningHouse } from './large-house.js';

const [rounds, path] = process.argv.slice(2);
writeFileSync(path!, archiveOf(runningHouse(Number(rounds), Date.now())));
