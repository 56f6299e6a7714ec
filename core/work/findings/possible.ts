import type { VisitDocument } from '../../model/document';
import type { Argued } from '../../model/arguedRow';
import type { Possible } from '../../method/causes/nextCheck';
import { sideOf } from '../visit/standing';
import { kitOf } from '../round/kit';

/** Which checks can be made where a frame was taken, with what was packed. */
export function possibleAt(
  document: VisitDocument,
  frameId: string,
  argued: Pick<Argued, 'outcomes' | 'circumstances'>,
): Possible {
  const frame = document.rows.frame[frameId]!.value;
  const surface = document.rows.surface[frame.surfaceId ?? '']?.value;
  return {
    side: sideOf(document, frameId),
    tools: packedTools(document),
    // A loft lies above a ceiling under it, and above walls of the storey below it; where nothing is known it may.
    loft: surface === undefined || surface.kind === 'wall' || surface.behind === 'loft',
    made: argued.outcomes,
    told: argued.circumstances,
  };
}

/** Words by which the kit names the tools that checks take. */
const NAMES: Record<string, RegExp> = {
  smoke: /smoke/i,
  tape: /tape/i,
  meter: /moisture/i,
  contact: /contact/i,
  ladder: /ladder/i,
  torch: /torch/i,
};

/** Tools in the bag; null where nothing was packed yet, because then nothing is known of it. */
function packedTools(document: VisitDocument): ReadonlySet<string> | null {
  const packed = kitOf(document).value.items.filter((item) => item.packed);
  if (packed.length === 0) return null;
  return new Set(Object.entries(NAMES).flatMap(([tool, name]) => (packed.some((item) => name.test(item.name)) ? [tool] : [])));
}
