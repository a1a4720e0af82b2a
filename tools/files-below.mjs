import { readdirSync } from 'node:fs';

/** Every file in a folder and in those below it, as paths from where it was asked. */
export function filesBelow(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`;
    return entry.isDirectory() ? filesBelow(path) : [path];
  });
}
