import type { MatchedPoint } from '@core/method/frame/alignment';
import type { By } from '@core/method/frame/reading';
import type { Placement } from '@core/paper/markPath';
import type { Scale } from '@core/method/scale/scale';

export const DRAWING_TOOLS = ['spot', 'box', 'ellipse', 'line', 'poly', 'length', 'leaveOut'] as const;
export type DrawingTool = (typeof DRAWING_TOOLS)[number];

/** How the bench is being looked at: nothing of it is stored, nothing of it is undone. */
export interface View {
  tool: 'select' | DrawingTool;
  selectedId: string | null;
  /** The region that is compared against, when it is not the frame's reference. */
  againstId: string | null;
  /** What stands for the chosen region in its pair. */
  by: By;
  /** Steady colours of the visit, colours stretched over this frame only, or colours that part at the reference. */
  colours: 'steady' | 'frame' | 'against';
  /** Null shows the whole frame. */
  placement: Placement | null;
  /** A scale while its handles are dragged; the document gets it at the end. */
  draftScale: Scale | null;
  photo: 'off' | 'beside' | 'over';
  /** How much of the photo shows over the frame, 0 … 1. */
  mix: number;
  /** Places marked on both pictures so far, while they are brought in line; null otherwise. */
  matching: Partial<MatchedPoint>[] | null;
  /** Pixel under the keyboard's cursor while a tool is used without a pointer. */
  cursor: { x: number; y: number } | null;
  /** Corners of a polygon that is not closed yet. */
  corners: [x: number, y: number][];
  chart: 'off' | 'histogram' | 'profile';
  /** The side shows what deserves a look, not the numbers. */
  looking: boolean;
  /** The candidate that is open. */
  candidate: number | null;
}

export const FIRST_VIEW: View = {
  tool: 'select',
  selectedId: null,
  againstId: null,
  by: 'mean',
  colours: 'steady',
  placement: null,
  draftScale: null,
  photo: 'off',
  mix: 0.5,
  matching: null,
  cursor: null,
  corners: [],
  chart: 'off',
  looking: false,
  candidate: null,
};

export type ViewAction =
  | { kind: 'tool'; tool: View['tool'] }
  | { kind: 'select'; regionId: string | null }
  | { kind: 'against'; regionId: string | null }
  | { kind: 'by'; by: By }
  | { kind: 'colours'; colours: View['colours'] }
  | { kind: 'placement'; placement: Placement | null }
  | { kind: 'draft'; scale: Scale | null }
  | { kind: 'photo'; photo: View['photo'] }
  | { kind: 'mix'; mix: number }
  | { kind: 'match'; points: View['matching'] }
  | { kind: 'cursor'; cursor: View['cursor'] }
  | { kind: 'corner'; at: [x: number, y: number] }
  | { kind: 'chart'; chart: View['chart'] }
  | { kind: 'look'; looking: boolean }
  | { kind: 'candidate'; index: number | null }
  /** Another frame: what belongs to the old one goes. */
  | { kind: 'frame'; regionId: string | null };

export function viewReducer(view: View, action: ViewAction): View {
  switch (action.kind) {
    case 'tool':
      return { ...view, tool: action.tool, cursor: null, corners: [] };
    case 'select':
      return { ...view, selectedId: action.regionId, by: 'mean' };
    case 'against':
      return { ...view, againstId: action.regionId };
    case 'by':
      return { ...view, by: action.by };
    case 'colours':
      return { ...view, colours: action.colours, draftScale: null };
    case 'placement':
      return { ...view, placement: action.placement };
    case 'draft':
      return { ...view, draftScale: action.scale };
    case 'photo':
      return { ...view, photo: action.photo, placement: null, matching: null };
    case 'mix':
      return { ...view, mix: Math.max(0, Math.min(1, action.mix)) };
    case 'match':
      return { ...view, matching: action.points, photo: action.points ? 'beside' : view.photo, tool: 'select', placement: null };
    case 'cursor':
      return { ...view, cursor: action.cursor };
    case 'corner':
      return { ...view, corners: [...view.corners, action.at] };
    case 'chart':
      return { ...view, chart: action.chart };
    case 'look':
      return { ...view, looking: action.looking, tool: 'select', selectedId: null };
    case 'candidate':
      return { ...view, candidate: action.index };
    case 'frame':
      return {
        ...view,
        candidate: null,
        selectedId: action.regionId,
        by: 'mean',
        placement: null,
        draftScale: null,
        cursor: null,
        corners: [],
        matching: null,
      };
  }
}
