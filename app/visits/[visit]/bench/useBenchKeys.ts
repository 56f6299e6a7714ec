'use client';

import { orderedScale, type Scale } from '@core/method/scale/scale';
import { useKeys, type KeyTable } from '@ui/keys/useKeys';
import type { RegionEdits } from './useRegions';
import type { DrawingTool, View, ViewAction } from './view';

const TOOL_KEYS: Record<string, DrawingTool> = {
  s: 'spot',
  b: 'box',
  e: 'ellipse',
  l: 'line',
  p: 'poly',
  m: 'length',
  x: 'leaveOut',
};

const ARROWS = [
  ['ArrowLeft', -1, 0],
  ['ArrowRight', 1, 0],
  ['ArrowUp', 0, -1],
  ['ArrowDown', 0, 1],
] as const;

interface Hands {
  view: View;
  dispatch(action: ViewAction): void;
  scale: Scale | null;
  setScale(scale: Scale): void;
  regions: RegionEdits;
  hasPhoto: boolean;
  onRecord(): void;
  onStep(by: 1 | -1): void;
  onCopy(): void;
}

/** The keys of the bench: one letter a tool, arrows for the chosen region or else the level. */
export function useBenchKeys({ view, dispatch, scale, setScale, regions, hasPhoto, onRecord, onStep, onCopy }: Hands): void {
  const nudge = (dx: number, dy: number, how: 'move' | 'grow') => {
    if (regions.nudge(dx, dy, how) || dy === 0 || !scale) return;
    const shift = -dy * 0.1;
    setScale({ ...scale, low: scale.low + shift, high: scale.high + shift });
  };
  const widen = (by: number) => {
    if (!scale) return;
    const more = ((scale.high - scale.low) / 2) * by;
    setScale({ ...scale, ...orderedScale(scale.low - more, scale.high + more, scale.map) });
  };
  const colours = (wanted: View['colours']) =>
    dispatch({ kind: 'colours', colours: view.colours === wanted ? 'steady' : wanted });
  const table: KeyTable = {
    r: () => view.selectedId && regions.markReference(view.selectedId),
    f: () => colours('frame'),
    a: () => colours('against'),
    c: () => dispatch({ kind: 'chart', chart: view.chart === 'off' ? 'histogram' : 'off' }),
    v: () =>
      hasPhoto && dispatch({ kind: 'photo', photo: { off: 'beside', beside: 'over', over: 'off' }[view.photo] as View['photo'] }),
    d: onCopy,
    w: () => dispatch({ kind: 'look', looking: !view.looking }),
    ',': () => regions.nudge(-1, 0, 'turn'),
    '.': () => regions.nudge(1, 0, 'turn'),
    '[': () => widen(-0.1),
    ']': () => widen(0.1),
    n: () => onStep(1),
    'Shift n': () => onStep(-1),
    '0': () => dispatch({ kind: 'placement', placement: null }),
    Delete: () => view.selectedId && regions.remove(view.selectedId),
    Backspace: () => view.selectedId && regions.remove(view.selectedId),
    // An open polygon has Enter for itself.
    Enter: () =>
      view.corners.length === 0 ? onRecord() : view.corners.length >= 3 && regions.draw({ kind: 'poly', points: view.corners }),
    Escape: () => {
      if (view.matching) dispatch({ kind: 'match', points: null });
      else if (view.tool !== 'select') dispatch({ kind: 'tool', tool: 'select' });
      else if (view.looking && view.candidate !== null) dispatch({ kind: 'candidate', index: null });
      else if (view.looking) dispatch({ kind: 'look', looking: false });
      else if (view.chart !== 'off') dispatch({ kind: 'chart', chart: 'off' });
      else dispatch({ kind: 'select', regionId: null });
    },
    ...Object.fromEntries(Object.entries(TOOL_KEYS).map(([key, tool]) => [key, () => dispatch({ kind: 'tool', tool })])),
    ...Object.fromEntries(
      ARROWS.flatMap(([key, dx, dy]) => [
        [key, () => nudge(dx, dy, 'move')],
        [`Shift ${key}`, () => nudge(10 * dx, 10 * dy, 'move')],
        [`Alt ${key}`, () => nudge(dx, dy, 'grow')],
        [`Alt Shift ${key}`, () => nudge(10 * dx, 10 * dy, 'grow')],
      ]),
    ),
  };
  // While a polygon is open its letters belong to it: nothing fires but Enter and Escape.
  const open = view.tool === 'poly' && view.corners.length > 0;
  useKeys(open ? { Enter: table.Enter!, Escape: table.Escape! } : table);
}
