import { expect, test } from '@playwright/test';
import { BORDER } from '../scripts/attack/borderAttacks';
import type { Attack } from '../scripts/attack/case';
import { FOLDER } from '../scripts/attack/folderAttacks';
import { IMPORT } from '../scripts/attack/importAttacks';
import { SOME_PAIRS } from '../scripts/attack/pairAttacks';
import { RESTORE } from '../scripts/attack/restoreAttacks';
import { Den } from './support/den';

/** What ./den attack plays, but for what takes minutes. One Glow Den for each subject. */
const SUBJECTS: Record<string, Attack[]> = {
  restore: RESTORE,
  folder: FOLDER,
  import: IMPORT,
  border: BORDER,
  pairs: SOME_PAIRS,
};

for (const [subject, attacks] of Object.entries(SUBJECTS)) {
  test.describe(`attacks: ${subject}`, () => {
    test.describe.configure({ mode: 'default', timeout: 180_000 });
    let den: Den;
    test.beforeAll(async () => {
      den = Den.fresh(`attack-${subject}`);
      await den.start();
    });
    test.afterAll(() => den.interrupt());
    for (const { tried, expected, run } of attacks) {
      test(`${tried}: ${expected}`, async () => {
        const { seen, held } = await run(den);
        expect(held, seen).toBe(true);
      });
    }
  });
}
