'use client';

import { LEAST_SPAN_K, orderedScale, type Scale } from '@core/method/scale/scale';
import { visitRow } from '@core/work/visit/theVisit';
import { useVisit } from '@ui/visit/VisitProvider';
import { freshRange, type FrameView } from '@core/work/visit/frameView';
import type { View, ViewAction } from './view';

/** The scale in force, and its changes: of the visit, of this frame alone, or against the reference. */
export function useScale(frame: FrameView | null, view: View, dispatch: (action: ViewAction) => void) {
  const { document, edit } = useVisit();
  const visit = visitRow(document);
  const { span } = visit.value;
  const scale = frame && (view.draftScale ?? { steady: frame.steady, frame: frame.own, against: frame.against }[view.colours]);

  const setScale = (next: Scale) => {
    if (!frame) return;
    dispatch({ kind: 'draft', scale: null });
    if (view.colours === 'frame') {
      const ownScale = { low: next.low, high: next.high };
      edit('Colours of this frame', [{ entity: 'frame', rowId: frame.id, value: { ...frame.row.value, ownScale } }]);
      return;
    }
    // The reference stays among the colours: a span ends at least a little below and above it.
    let belowK = Math.max(LEAST_SPAN_K / 2, frame.anchor.celsius - next.low);
    let aboveK = Math.max(LEAST_SPAN_K / 2, next.high - frame.anchor.celsius);
    if (view.colours === 'against' && scale) {
      // Colours that part at the reference reach as far up as down: the end that was moved says how far.
      const reach = Math.abs(next.low - scale.low) > Math.abs(next.high - scale.high) ? belowK : aboveK;
      [belowK, aboveK] = [reach, reach];
    }
    const changed =
      span.fixed && view.colours === 'steady'
        ? { ...span, fixed: { lowC: next.low, highC: next.high } }
        : { ...span, belowK, aboveK };
    edit('Steady colours of the visit', [{ entity: 'visit', rowId: visit.id, value: { ...visit.value, span: changed } }]);
  };

  /** Fits the colours to the chosen region, or to the frame without what stands out of it. */
  const fit = () => {
    if (!frame) return;
    const chosen = frame.regions.find(({ row }) => row.id === view.selectedId)?.reading?.statistics;
    const { low, high } = chosen ? { low: chosen.min, high: chosen.max } : freshRange(document, frame.id, frame.values);
    setScale(orderedScale(low, high, span.colourMap));
  };

  return { scale, setScale, fit, fixed: span.fixed !== null && view.colours === 'steady' };
}
