import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Hash of the contents of files and folders, names included; specs do not count. */
export function hashOf(paths) {
  const hash = createHash('sha256').update(process.versions.node);
  for (const path of paths) {
    add(hash, path);
  }
  return hash.digest('hex');
}

function add(hash, path) {
  if (statSync(path).isDirectory()) {
    for (const name of readdirSync(path).sort()) {
      add(hash, join(path, name));
    }
  } else if (!/\.spec\.(ts|mjs)$/.test(path)) {
    hash.update(path).update(readFileSync(path));
  }
}

export function stampIs(file, value) {
  try {
    return readFileSync(file, 'utf8') === value;
  } catch {
    return false;
  }
}

export function writeStamp(file, value) {
  writeFileSync(file, value);
}
