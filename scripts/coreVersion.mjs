// A hash of all of core's source: two builds of the same computation have the same, any other has another one.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

export function coreVersion() {
  const hash = createHash('sha256');
  const files = readdirSync('core', { recursive: true }).map(String).sort();
  for (const file of files.filter((one) => /(?<!\.test)\.ts$/.test(one) && !one.startsWith('testing')))
    hash.update(file).update(readFileSync(path.join('core', file)));
  return hash.digest('hex').slice(0, 16);
}
