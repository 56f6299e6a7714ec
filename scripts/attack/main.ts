import { Den } from '../../e2e/support/den';
import { BORDER } from './borderAttacks';
import type { Attack } from './case';
import { FOLDER } from './folderAttacks';
import { IMPORT } from './importAttacks';
import { KILLS } from './killAttacks';
import { LARGE } from './largeAttacks';
import { PAIRS } from './pairAttacks';
import { RESTORE } from './restoreAttacks';

/**
 * Attacks on a Glow Den of our own, on loopback, bounded in number and time: `./den attack [subject …]`. Prints a table of
 * what was tried, what was expected, what was seen; ends with 1 when anything did not hold.
 */
const SUBJECTS: Record<string, Attack[]> = {
  restore: RESTORE,
  folder: FOLDER,
  import: IMPORT,
  border: BORDER,
  kills: KILLS,
  large: LARGE,
  pairs: PAIRS,
};

const wanted = process.argv.slice(2).filter((word) => !word.startsWith('/'));
const picked =
  process.argv
    .slice(2)
    .find((word) => word.startsWith('/'))
    ?.slice(1) ?? '';
const unknown = wanted.find((name) => !SUBJECTS[name]);
if (unknown !== undefined) throw new Error(`attack knows ${Object.keys(SUBJECTS).join(', ')}`);
let failed = 0;
for (const [name, attacks] of Object.entries(SUBJECTS)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const den = Den.fresh(`attack-${name}`);
  await den.start();
  console.log(`\n## ${name}\n\n| tried | expected | seen | |\n| --- | --- | --- | --- |`);
  try {
    for (const { tried, expected, run } of attacks.filter((one) => one.tried.includes(picked))) {
      const { seen, held } = await run(den).catch((error: unknown) => ({
        seen: `ended with ${String(error).slice(0, 200)}`,
        held: false,
      }));
      if (!held) failed += 1;
      console.log(
        `| ${tried} | ${expected} | ${seen.replaceAll('|', '/').replaceAll('\n', ' ')} | ${held ? 'holds' : 'FAILS'} |`,
      );
    }
  } finally {
    await den.interrupt();
  }
}
console.log(`\n${failed === 0 ? 'everything held' : `${failed} did not hold`}`);
process.exit(failed === 0 ? 0 : 1);
