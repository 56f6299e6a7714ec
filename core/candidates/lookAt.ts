import type { VisitDocument } from '../document';
import type { Setting } from '../causes/evidence';
import { settingOf } from '../causes/measured';
import type { LookOptions } from '../detect/places';
import { maskOf } from '../frame/region';
import { leftOutOf } from '../visit/readings';
import { settingsFor } from '../visit/settingsInForce';
import { conditionsOf } from '../visit/theVisit';

/** Peak contrast from which a place deserves a look where nobody chose one, K. */
export const USUAL_LEAST_K = 0.5;
export const LEAST_RANGE_K = [0.05, 50] as const;

/** The air on both sides of what a frame shows, as far as it was noted; °C. */
function airOf(document: VisitDocument, frameId: string): { insideC: number | null; outsideC: number | null } {
  const noted = conditionsOf(document)?.value;
  const { airC } = settingsFor(document, frameId);
  const inside = document.rows.frame[frameId]!.value.side === 'inside';
  const own = airC.origin === 'default' ? null : airC.value;
  return {
    insideC: (inside ? own : null) ?? noted?.insideC ?? null,
    outsideC: (inside ? null : own) ?? noted?.outsideC ?? null,
  };
}

/** What a frame of a visit is looked through with. */
export function lookOptionsFor(document: VisitDocument, frameId: string, least: number): LookOptions {
  const { side } = document.rows.frame[frameId]!.value;
  const { width, height } = document.frameFacts[frameId]!;
  const { insideC, outsideC } = airOf(document, frameId);
  return {
    side,
    drive: insideC === null || outsideC === null ? null : insideC - outsideC,
    least,
    ignored: maskOf(leftOutOf(document, frameId), width, height),
  };
}

/** What the air of a frame allows; humidity is known inside only. */
export function settingFor(document: VisitDocument, frameId: string): Setting {
  const { side } = document.rows.frame[frameId]!.value;
  const { humidityPct } = settingsFor(document, frameId);
  const noted = humidityPct.origin === 'default' ? null : humidityPct.value;
  return settingOf({ side, ...airOf(document, frameId), humidity: side === 'inside' && noted !== null ? noted / 100 : null });
}

/** What cannot be judged because nobody noted it, in sentences. */
export function unknownWords({ insideC, outsideC, wetBulbC, side }: Setting): string[] {
  return [
    ...(insideC === null || outsideC === null
      ? [
          'The air on both sides is not noted: which way a loss of heat shows, and how much is lost, cannot be judged. Causes are argued by their shape.',
        ]
      : []),
    ...(wetBulbC === null && side === 'inside'
      ? ['Humidity is not noted: moisture and condensation cannot be told by their limits.']
      : []),
  ];
}
