import type { VisitDocument } from '../../model/document';
import type { ProbeValue } from '../../model/probeRow';

/** What a probe showed, with its instrument's offset and uncertainty, °C and K (k = 1). */
export function probeReading(document: VisitDocument, probe: ProbeValue): { celsius: number; uncertainty: number } {
  const instrument = document.rows.instrument[probe.instrumentId ?? '']?.value;
  return {
    celsius: probe.celsius + (instrument?.offset ?? 0),
    uncertainty: Math.hypot(probe.uncertaintyK, instrument?.uncertainty ?? 0),
  };
}
