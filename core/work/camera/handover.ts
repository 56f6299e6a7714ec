import type { CameraValue } from '../../model/cameraRow';
import type { HandoverValue } from '../../model/handoverRow';

/** What stands in the way of handing a camera out, or was wrong when it came back; empty when all is well. */

export function outProblems(camera: CameraValue, { who, out }: Pick<HandoverValue, 'who' | 'out'>): string[] {
  const trained = camera.trained.some((person) => person.who.trim().toLowerCase() === who.trim().toLowerCase());
  return [
    ...(trained ? [] : [`${who.trim() || 'The borrower'} was not shown how to use this camera yet.`]),
    ...missingWords(camera.parts, out.parts, 'is not with it'),
    ...(out.cardEmpty ? [] : ['The card still holds pictures of the last home.']),
    ...(out.chargePct !== null && out.chargePct < 80 ? [`Charged to ${out.chargePct} % only.`] : []),
  ];
}

export function backProblems({ out, back }: Pick<HandoverValue, 'out' | 'back'>): string[] {
  if (!back) return [];
  return [
    ...missingWords(out.parts, back.parts, 'did not come back'),
    ...(back.cardEmpty ? [] : ['The card still holds their pictures: copy them, then clear it.']),
  ];
}

function missingWords(wanted: readonly string[], there: readonly string[], words: string): string[] {
  return wanted.filter((part) => !there.includes(part)).map((part) => `${part} ${words}.`);
}
