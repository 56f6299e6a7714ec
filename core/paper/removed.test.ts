import fc from 'fast-check';
import { pixelsOf, toldVisits, visitTold } from '../testing/randomVisit';
import { printedIn, REMOVED, removing } from '../testing/removing';

const VISITS = 200;

/** Of visits so many, one row of each kind is removed. */
test('nothing that a paper shows is lost with a row unless the question named it', () => {
  let [removed, asked] = [0, 0];
  fc.assert(
    fc.property(toldVisits, fc.nat(1000), (told, pick) => {
      const document = visitTold(told);
      const kinds = REMOVED.filter((entity) => Object.keys(document.rows[entity]).length > 0);
      const entity = kinds[pick % kinds.length]!;
      const ids = Object.keys(document.rows[entity]);
      const pixels = pixelsOf(document);
      const seen = removing(document, entity, ids[pick % ids.length]!, printedIn(document, pixels), pixels);
      if (!seen) return;
      removed += 1;
      if (seen.asked) asked += 1;
      if (seen.problem) throw new Error(seen.problem);
    }),
    { numRuns: VISITS, seed: 14 },
  );
  // The visits are always the same: of 200 some 140 rows can go, and of 29 of them others are named.
  expect([removed > 120, asked > 24]).toEqual([true, true]);
});
