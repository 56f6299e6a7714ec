import type { VisitDocument } from '../../model/document';
import type { Setting } from '../../method/causes/evidence';
import { settingOf } from '../../method/causes/measured';
import type { LookOptions } from '../../method/detect/places';
import { maskOf } from '../../method/frame/region';
import { leftOutOf } from '../visit/readings';
import { settingsFor } from '../visit/settingsInForce';
import { sideOf, standingOf } from '../visit/standing';

/** Peak contrast from which a place deserves a look where nobody chose one, K. */
export const USUAL_LEAST_K = 0.5;
export const LEAST_RANGE_K = [0.05, 50] as const;

/** The air on both sides of what a frame shows, as far as it was noted or set; °C. */
function airOf(document: VisitDocument, frameId: string): { insideC: number | null; outsideC: number | null } {
  const { side, insideC, outerC } = standingOf(document, frameId);
  const { airC } = settingsFor(document, frameId);
  const own = airC.origin === 'default' ? null : airC.value;
  return side === 'inside' ? { insideC: own ?? insideC, outsideC: outerC } : { insideC, outsideC: own ?? outerC };
}

/** What a frame of a visit is looked through with. */
export function lookOptionsFor(document: VisitDocument, frameId: string, least: number): LookOptions {
  const side = sideOf(document, frameId);
  const { width, height } = document.frameFacts[frameId]!;
  const { insideC, outsideC } = airOf(document, frameId);
  return {
    side,
    drive: insideC === null || outsideC === null ? null : insideC - outsideC,
    least,
    ignored: maskOf(leftOutOf(document, frameId), width, height),
  };
}

/** What the air of a frame allows; humidity is known of rooms only. */
export function settingFor(document: VisitDocument, frameId: string): Setting {
  const side = sideOf(document, frameId);
  const { humidityPct } = settingsFor(document, frameId);
  const noted = humidityPct.origin === 'default' ? null : humidityPct.value;
  return settingOf({ side, ...airOf(document, frameId), humidity: side !== 'outside' && noted !== null ? noted / 100 : null });
}

/** What cannot be judged because nobody noted it, in sentences. */
export function unknownWords({ insideC, outsideC, wetBulbC, side }: Setting): string[] {
  return [
    ...(insideC === null || outsideC === null
      ? [
          side === 'loft'
            ? 'The air of this space is not noted: note it for its room (Kit, Air during the round). Until then which way a loss of heat shows, and how much is lost, cannot be judged.'
            : 'The air on both sides is not noted: which way a loss of heat shows, and how much is lost, cannot be judged. Causes are argued by their shape.',
        ]
      : []),
    ...(wetBulbC === null && side === 'inside'
      ? ['Humidity is not noted: moisture and condensation cannot be told by their limits.']
      : []),
  ];
}
