import { writeFileSync } from 'node:fs';
import { emptyRecords } from '../core/index.js';
import { oneFamily } from './bench-lineage.js';
import { archiveOf } from './large-house.js';

const [vessels, path] = process.argv.slice(2);
const { house } = oneFamily(Number(vessels));
writeFileSync(path!, archiveOf({ ...emptyRecords(), ...house.records, entries: [...house.noted] }));
