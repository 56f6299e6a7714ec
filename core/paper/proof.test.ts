import type { Change } from '../method/compare/change';
import type { VisitDocument } from '../model/document';
import { isProven, leftOf, verdictOfPair } from '../work/proof/left';
import type { PairValue } from '../model/pairRow';
import { askedPairs, earlierVisitsOf, framesOfPairs, provenOf, readyPair, type Proven } from '../work/proof/proven';
import { pairFor, toProve } from '../work/proof/toProve';
import { FRAME_HEIGHT, FRAME_WIDTH, ID, visitDocument, wallPixels } from '../testing/visit';
import type { Block } from './block';
import { proofSheets } from './proof';

const LATER = '0192f0a0-0000-7000-8000-0000000000f1';
const PAIR = '0192f0a0-0000-7000-8000-0000000000f2';

/** A visit after the works, with one pair that answers the finding of the one before. */
function afterWorks(change: Partial<PairValue> = {}): { earlier: VisitDocument; document: VisitDocument } {
  const earlier = visitDocument();
  const document: VisitDocument = visitDocument();
  const [visit] = Object.values(document.rows.visit);
  document.visitId = LATER;
  document.rows.visit = { [LATER]: { ...visit!, id: LATER } };
  for (const row of Object.values(document.rows.conditions)) row.value.visitId = LATER;
  document.rows.finding = {};
  let n = 0;
  const value = pairFor(document, earlier, toProve(document, earlier)[0]!, ID.other, () => `region-${(n += 1)}`);
  document.rows.pair = { [PAIR]: { id: PAIR, version: 1, value: { ...value, ...change } } };
  return { earlier, document };
}

const changed = (name: string, change: number | null, part: Partial<Change> = {}): Change => ({
  name,
  beforeC: 14,
  afterC: 16,
  factorBefore: 0.7,
  factorAfter: 0.8,
  change,
  uncertainty: change === null ? null : 0.004,
  verdict: change === null ? 'cannot-say' : change > 0.008 ? 'better' : change < -0.008 ? 'worse' : 'same',
  why: change === null ? 'not-in-view' : 'more-than-uncertain',
  ...part,
});

/** A pair with what it says made up: the place 5 K colder than the sound wall before. */
function said(
  one: number | null,
  other: number | null,
  change: Partial<PairValue> = {},
): { document: VisitDocument; proven: Proven } {
  const { earlier, document } = afterWorks(change);
  const [asked] = askedPairs(document, [earlier]);
  const { sides } = readyPair(document, asked!, () => wallPixels())!;
  const [a, b] = asked!.pair.value.regions.map(({ id }) => id) as [string, string];
  const changes = [changed(a, one, { beforeC: 14 }), changed(b, other, { beforeC: 19 })];
  return { document, proven: { ...asked!, sides, answer: { h: [1, 0, 0, 0, 1, 0, 0, 0, 1], changes } } };
}

const texts = (blocks: readonly Block[]) => JSON.stringify(blocks);
const titleOf = (blocks: readonly Block[]) => (blocks[0]!.kind === 'sheet' ? blocks[0]!.title : '');
const kind = <K extends Block['kind']>(blocks: readonly Block[], wanted: K) =>
  blocks.filter((block): block is Extract<Block, { kind: K }> => block.kind === wanted);

describe('pairs of a visit', () => {
  test('name their earlier visit and need the frames of both', () => {
    const { earlier, document } = afterWorks();
    expect(earlierVisitsOf(document)).toEqual([ID.visit]);
    expect(framesOfPairs(document, [earlier])).toEqual([ID.frame, ID.other]);
  });

  test('whose earlier visit or frame is gone are left out', () => {
    const { earlier, document } = afterWorks();
    expect(framesOfPairs(document, [])).toEqual([]);
    delete earlier.rows.frame[ID.frame];
    expect(askedPairs(document, [earlier])).toEqual([]);
  });

  test('of one visit need no other', () => {
    const { document } = afterWorks({ beforeVisitId: LATER });
    expect(earlierVisitsOf(document)).toEqual([]);
    expect(askedPairs(document, [])).toHaveLength(1);
  });

  test('say why they say nothing', () => {
    const { earlier, document } = afterWorks();
    const values = () => wallPixels();
    const [few] = provenOf(document, [earlier], values, () => undefined);
    expect(few!.answer).toEqual({ problem: 'The frames show different things, or too little to tell.' });
    Object.values(earlier.rows.conditions)[0]!.value.outsideC = null;
    const [unknown] = provenOf(
      { ...document },
      [structuredClone(earlier)],
      () => wallPixels(),
      () => undefined,
    );
    expect(unknown!.answer).toEqual({ problem: 'The air inside and outside is not known on both visits.' });
    expect(
      provenOf(
        document,
        [earlier],
        () => undefined,
        () => undefined,
      )[0],
    ).toMatchObject({ sides: null, answer: null });
  });
});

describe('what a pair says as a whole', () => {
  const of = (...verdicts: Change['verdict'][]) => verdictOfPair(verdicts.map((verdict) => ({ verdict })));
  test('is worse where one place is, better where one is, same where all are', () => {
    expect(of('better', 'worse')).toBe('worse');
    expect(of('better', 'same')).toBe('better');
    expect(of('better', 'cannot-say')).toBe('better');
    expect(of('same', 'same')).toBe('same');
    expect(of('same', 'cannot-say')).toBe('cannot-say');
    expect(of()).toBe('cannot-say');
  });

  test('proves a fix only where nothing is unclear', () => {
    const proves = (...verdicts: Change['verdict'][]) =>
      isProven(verdicts.map((verdict) => ({ verdict, why: 'too-uncertain' as const })));
    // Not worse in any case: what is open is whether the whole wall became better.
    expect(isProven([{ verdict: 'better', why: 'more-than-uncertain' }, { verdict: 'cannot-say', why: 'same-or-better' }])).toBe(true); // prettier-ignore
    expect(isProven([{ verdict: 'cannot-say', why: 'same-or-better' }])).toBe(false);
    expect(proves('better', 'same')).toBe(true);
    expect(proves('same')).toBe(false);
    expect(proves('better', 'cannot-say')).toBe(false);
    expect(proves('better', 'worse')).toBe(false);
    expect(proves()).toBe(false);
  });

  test('leaves what is left against the sound place, in the weather of the first visit', () => {
    const { proven } = said(0.2, 0);
    const drive = proven.sides!.looks![0].insideC - proven.sides!.looks![0].outsideC;
    const left = leftOf(proven)!;
    expect(left.beforeK).toBe(-5);
    expect(left.afterK).toBeCloseTo(-5 + 0.2 * drive, 9);
    expect(left.beside).toBe('sound wall');
    expect(leftOf(said(null, 0).proven)).toBeNull();
  });
});

describe('the page for those who live there', () => {
  test('is none where nothing was compared', () => {
    expect(proofSheets(visitDocument(), [], 'C')).toEqual([]);
  });

  test('says at a glance what is better, with before and now', () => {
    const { document, proven } = said(0.2, 0, { outcome: 'closed', note: 'Filled through two holes.' });
    const blocks = proofSheets(document, [proven], 'C');
    expect(titleOf(blocks)).toBe('The place is better than before.');
    const [table] = kind(blocks, 'table');
    expect(table!.rows[0]).toEqual(['Cold sill', '−5.0 K', '−1.4 K', 'Better']);
    expect(kind(blocks, 'callout').map(({ text }) => text)).toEqual(['Proven, closed']);
    expect(texts(blocks)).toContain('Filled through two holes.');
    expect(texts(blocks)).toContain('Better. This place loses less heat than before.');
    expect(texts(blocks)).toContain('it was −5.0 K');
  });

  test('says when what is not settled is looked at again', () => {
    const words = (outcome: 'open' | 'accepted', nextDay: string | null) => {
      const { document, proven } = said(0, 0, { outcome });
      document.rows.visit[document.visitId]!.value.nextDay = nextDay;
      return kind(proofSheets(document, [proven], 'C'), 'callout').map(({ text }) => text);
    };
    const again = 'What is not settled yet is looked at again on 3 Mar 2031.';
    expect(words('open', '2031-03-03')).toEqual(['Still to do', again]);
    expect(words('open', null)).toEqual(['Still to do']);
    expect(words('accepted', '2031-03-03')).toEqual(['Accepted as it is']);
  });

  test('both pictures have colours that mean the same factor', () => {
    const { document, proven } = said(0.2, 0);
    const [before, after] = kind(proofSheets(document, [proven], 'C'), 'pictures')[0]!.pictures;
    const factor = (celsius: number, i: 0 | 1) => {
      const look = proven.sides!.looks![i];
      return (celsius - look.outsideC) / (look.insideC - look.outsideC);
    };
    expect(factor(after!.figure!.scale.low, 1)).toBeCloseTo(factor(before!.figure!.scale.low, 0), 9);
    expect(factor(after!.figure!.scale.high, 1)).toBeCloseTo(factor(before!.figure!.scale.high, 0), 9);
    expect(before!.figure).toMatchObject({ frameId: ID.frame, width: FRAME_WIDTH, height: FRAME_HEIGHT });
    expect(after!.figure!.marks).toHaveLength(2);
  });

  test('never claims more than was found', () => {
    const title = (...all: (number | null)[]) => {
      const each = all.map((change) => said(change, 0));
      return titleOf(
        proofSheets(
          each[0]!.document,
          each.map(({ proven }) => proven),
          'C',
        ),
      );
    };
    expect(title(0.2, 0)).toBe('1 of 2 places is better than before.');
    expect(title(0.2, 0.1, null)).toBe('2 of 2 places are better than before. 1 could not be compared.');
    expect(title(null, null)).toBe('What the works changed cannot be said yet.');
    expect(title(0.2, -0.1)).toBe('1 of 2 places is better than before. 1 got worse.');
    expect(title(-0.1, 0)).toBe('1 of 2 places got worse.');
    expect(title(0, 0)).toBe('Nothing changed yet.');
    expect(title(null)).toBe('What the works changed cannot be said yet.');
  });

  test('says why two frames say nothing, and waits for those that are on the way', () => {
    const { document, proven } = said(0.2, 0);
    const problem = proofSheets(document, [{ ...proven, answer: { problem: 'They differ.' } }], 'C');
    expect(texts(problem)).toContain('They differ.');
    expect(kind(problem, 'table')[0]!.rows[0]![3]).toBe('Cannot say');
    expect(texts(proofSheets(document, [{ ...proven, answer: null, sides: null }], 'C'))).toContain('—');
  });
});
