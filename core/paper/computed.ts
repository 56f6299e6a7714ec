import type { Photo } from '../method/compare/sameLook';
import type { VisitDocument } from '../model/document';
import type { Kept } from './kept';
import { pairInputs } from '../work/proof/pairInputs';
import { askedPairs, provenOf } from '../work/proof/proven';
import { huntOf } from '../work/water/huntOf';
import { huntedSeries, leakOf, seekInputs, toldFor } from '../work/water/seek';
import type { Computed } from './model';
import { comparesPairs, type Paper } from './papers';

/** A result that a paper rests on: whose it is, and all that it follows from. */
export interface Wanted {
  kind: keyof Kept;
  /** The pair that is answered, or the visit whose leak is sought. */
  of: string;
  inputs: string;
}

/** A wanted result. */
export type Had = { [K in keyof Kept]: { kind: K; of: string; value: Kept[K] } }[keyof Kept];

const seeksLeak = (paper: Paper): boolean => paper === 'report' || paper === 'leak';

/** The results that take seconds to find out and that a paper rests on. */
export function wantedBy(document: VisitDocument, earlier: readonly VisitDocument[], paper: Paper): Wanted[] {
  const pairs = comparesPairs(paper) ? askedPairs(document, earlier) : [];
  const series = seeksLeak(paper) ? huntedSeries(document) : null;
  return [
    ...pairs.map(({ pair, earlier: before }) => ({
      kind: 'answer' as const,
      of: pair.id,
      inputs: pairInputs(document, before, pair.value),
    })),
    ...(series
      ? [
          {
            kind: 'leak' as const,
            of: document.visitId,
            inputs: seekInputs(document, toldFor(document, huntOf(document).value, series), series.frameIds),
          },
        ]
      : []),
  ];
}

/**
 * What a paper rests on, and which of it had to be found out for that.
 *
 * @param had - results that are known already
 */
export function computedFor(
  document: VisitDocument,
  earlier: readonly VisitDocument[],
  paper: Paper,
  pixels: (frameId: string) => Float32Array | undefined,
  photoFor: (photoId: string) => Photo | undefined,
  had: readonly Had[],
): { computed: Computed; made: Had[] } {
  const answers = new Map(had.flatMap((one) => (one.kind === 'answer' ? [[one.of, one.value] as const] : [])));
  const leakHad = had.find((one) => one.kind === 'leak');
  // Frames that are missing would look like a series that was not long enough.
  const series = seeksLeak(paper) ? huntedSeries(document) : null;
  const whole = series !== null && series.frameIds.every((id) => pixels(id));
  const leak = !series ? null : (leakHad?.value ?? (whole ? leakOf(document, pixels) : null));
  const proven = comparesPairs(paper) ? provenOf(document, earlier, pixels, photoFor, answers) : [];
  const made: Had[] = proven.flatMap(({ pair, answer }) =>
    answer && !answers.has(pair.id) ? [{ kind: 'answer' as const, of: pair.id, value: answer }] : [],
  );
  if (leak && !leakHad) made.push({ kind: 'leak', of: document.visitId, value: leak });
  return { computed: { proven, leak }, made };
}
