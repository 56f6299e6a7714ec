import { changesOf } from '../method/compare/change';
import type { Homography } from '../ground/homography';
import { leakOf } from '../work/water/seek';
import { letterOf } from '../paper/letterOf';
import type { VisitDocument } from '../model/document';
import { askedPairs, readyPair, type Proven } from '../work/proof/proven';
import { pairFor, toProve } from '../work/proof/toProve';
import { sheetsOf, type Block } from '../paper/block';
import { PAPERS, printed, type Paper } from '../paper/papers';
import { pixelsOf } from './randomVisit';
import { ID, wallPixels } from './visit';

const WALL = wallPixels();
/** Its cold box is half as cold. */
const BETTER = WALL.map((celsius) => (celsius < 18 ? 15.5 : celsius));
const SAME: Homography = [1, 0, 0, 0, 1, 0, 0, 0, 1];
const LATER = '0192f0a0-0000-7000-8000-000000000801';
const PAIR = '0192f0a0-0000-7000-8000-000000000802';

/** The visit as one after works whose finding is looked at again, with what the two frames say; they lie on each other as they are. */
function provenIn(document: VisitDocument): { later: VisitDocument; proven: Proven[] } {
  const later = { ...document, visitId: LATER, rows: { ...document.rows } };
  later.rows.visit = { [LATER]: { ...document.rows.visit[ID.visit]!, id: LATER } };
  // What the visit was set to then it is set to now.
  const settings = document.rows.settings[ID.settings]!;
  later.rows.settings = {
    ...document.rows.settings,
    [LATER]: { ...settings, id: LATER, value: { ...settings.value, ownerId: LATER } },
  };
  let n = 0;
  const [wanted] = toProve(later, document);
  if (!wanted) return { later: { ...later, rows: { ...later.rows, pair: {} } }, proven: [] };
  const value = pairFor(later, document, wanted, ID.other, () => `0192f0a0-0000-7000-8000-00000000080${(n += 1)}`);
  later.rows.pair = { [PAIR]: { id: PAIR, version: 1, value } };
  const [asked] = askedPairs(later, [document]);
  const ready = asked && readyPair(later, asked, (frameId) => (frameId === ID.other ? BETTER : WALL));
  if (!asked || !ready) return { later, proven: [] };
  const { looks } = ready.sides;
  const answer = looks
    ? { h: SAME, changes: changesOf(...looks, SAME, ready.places, ready.known) }
    : { problem: 'The air inside and outside is not known on both visits.' };
  return { later, proven: [{ ...asked, sides: ready.sides, answer }] };
}

/** All words and numbers of a block, each as one text. */
function textsOf(block: Block): string[] {
  switch (block.kind) {
    case 'sheet':
      return [block.above, block.title];
    case 'heading':
    case 'text':
    case 'callout':
      return [block.text];
    case 'editable':
      return [block.text, block.proposed];
    case 'facts':
      return block.facts.map(({ label, value }) => `${label}: ${value}`);
    case 'list':
      return block.entries.map(({ title, short }) => `${title}: ${short}`);
    case 'table':
      return block.rows.map((cells) => cells.join(' | '));
    case 'bars':
      return block.rows.map(({ name, shares }) => `${name}: ${shares.join(' ')}`);
    case 'lines':
      return [JSON.stringify(block)];
    case 'pictures':
      return block.pictures.map(({ caption }) => caption);
    case 'difference':
    case 'regions': {
      const { difference, hour, moisture, ...stated } = block.stated;
      const regions = [stated.this, stated.that].map(
        ({ name, mean, plusMinus, range }) => `${name} ${mean} ${plusMinus} ${range}`,
      );
      return [`${difference.value} ${difference.plusMinus}`, hour ?? '', ...regions, ...moisture.map(({ value }) => value)];
    }
  }
}

/** Every paper of a visit but its proof, sheet by sheet, in texts. */
export function papersIn(
  document: VisitDocument,
  pixels: (frameId: string) => Float32Array | undefined,
  seek: boolean,
): Map<string, string[][]> {
  const computed = { proven: [], leak: seek ? leakOf(document, pixels) : null };
  const sheets = (paper: Paper) => textsBySheet(printed(document, paper, pixels, 'C', computed).blocks);
  const papers = PAPERS.filter((paper) => paper !== 'proof').map((paper): [string, string[][]] => [paper, sheets(paper)]);
  return new Map([...papers, ['letter', [letterOf(document, null, 'C').split('\n')]]]);
}

/** Every paper of one of our own visits, sheet by sheet, in texts. */
export function papersOf(document: VisitDocument, seek = true): Map<string, string[][]> {
  const pixels = pixelsOf(document);
  const { later, proven } = provenIn(document);
  const proof = printed(later, 'proof', pixels, 'C', { proven, leak: null }).blocks;
  return new Map([...papersIn(document, pixels, seek), ['proof', textsBySheet(proof)]]);
}

const textsBySheet = (blocks: readonly Block[]): string[][] => sheetsOf(blocks).map((sheet) => sheet.flatMap(textsOf));
