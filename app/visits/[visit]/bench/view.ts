import type { Scale } from '@core/scale/scale';
import type { Placement } from '@ui/picture/placement';

/** How the bench is being looked at: nothing of it is stored, nothing of it is undone. */
export interface View {
  tool: 'select' | 'spot' | 'box';
  selectedId: string | null;
  /** Steady colours of the visit, or colours stretched over this frame only. */
  colours: 'steady' | 'frame';
  /** Null shows the whole frame. */
  placement: Placement | null;
  /** A scale while its handles are dragged; the document gets it at the end. */
  draftScale: Scale | null;
  photoShown: boolean;
  /** Pixel under the keyboard's cursor while a tool is used without a pointer. */
  cursor: { x: number; y: number } | null;
}

export const FIRST_VIEW: View = {
  tool: 'select',
  selectedId: null,
  colours: 'steady',
  placement: null,
  draftScale: null,
  photoShown: false,
  cursor: null,
};

export type ViewAction =
  | { kind: 'tool'; tool: View['tool'] }
  | { kind: 'select'; regionId: string | null }
  | { kind: 'colours'; colours: View['colours'] }
  | { kind: 'placement'; placement: Placement | null }
  | { kind: 'draft'; scale: Scale | null }
  | { kind: 'photo' }
  | { kind: 'cursor'; cursor: View['cursor'] }
  /** Another frame: what belongs to the old one goes. */
  | { kind: 'frame' };

export function viewReducer(view: View, action: ViewAction): View {
  switch (action.kind) {
    case 'tool':
      return { ...view, tool: action.tool, cursor: null };
    case 'select':
      return { ...view, selectedId: action.regionId };
    case 'colours':
      return { ...view, colours: action.colours, draftScale: null };
    case 'placement':
      return { ...view, placement: action.placement };
    case 'draft':
      return { ...view, draftScale: action.scale };
    case 'photo':
      return { ...view, photoShown: !view.photoShown, placement: null };
    case 'cursor':
      return { ...view, cursor: action.cursor };
    case 'frame':
      return { ...view, selectedId: null, placement: null, draftScale: null, cursor: null };
  }
}
