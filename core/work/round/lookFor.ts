import type { RoomValue } from '../../model/roomRow';
import type { SurfaceValue } from '../../model/surfaceRow';
import type { Side } from '../../ground/side';
import { isHeated } from '../../model/heated';
import type { Part } from './parts';

/** What a fault looks like depends on these. */
export interface Place {
  /** Studs or joists behind a lining, or brick and stone. */
  build: 'framed' | 'massive';
  /** Where the surface is seen from; a loft's floor is seen from the cold side of a heated house. */
  side: Side;
  /** Cooler inside than outdoors. */
  cooled: boolean;
  /** The sun is up. */
  day: boolean;
}

/** Words for a place: how faults show there. */
interface Words extends Place {
  /** `cold`, `warm` or `cool`, and the same at the begin of a sentence. */
  cold: string;
  Cold: string;
  /** `dark` or `bright`, in colours that run from dark for cold. */
  dark: string;
  Dark: string;
}

/** How a place stands to its stop: its surface and room; a stop without a surface is an ordinary wall inside. */
export function placeOfStop(
  surface: SurfaceValue | null,
  room: RoomValue | null,
  { cooled, day }: Pick<Place, 'cooled' | 'day'>,
): Place {
  const loft = room?.kind === 'loft' && surface?.kind === 'floor';
  const own = room !== null && !isHeated(room);
  const side = surface !== null && surface.roomId === null ? 'outside' : own ? 'loft' : 'inside';
  // Ceilings and roofs hang on joists and rafters, whatever the walls are made of.
  const framed =
    surface === null ? false : surface.mass === 'light' || surface.kind === 'ceiling' || surface.kind === 'roof' || loft;
  return { build: framed ? 'framed' : 'massive', side, cooled, day };
}

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** Inside, a fault brings the outdoors; from the other side it lets the indoors out. */
function wordsFor(place: Place): Words {
  const inside = place.side === 'inside';
  const warm = inside === place.cooled;
  const cold = warm ? 'warm' : inside ? 'cold' : 'cool';
  const dark = warm ? 'bright' : 'dark';
  return { ...place, cold, Cold: capital(cold), dark, Dark: capital(dark) };
}

const SUNNY_WALL =
  ' By day the sun writes its own picture: shadows, half-dry patches, dark paint. Come back in the dark for numbers.';
const SUNNY_ROOM = ' Leave out what the sun warms through the glass.';

/** What to look for at each part of a round. A surveyor may read and edit this table. */
const LOOK_FOR: Record<Part, (words: Words) => string> = {
  complaint: () => 'Whatever differs from its like at the same height.',
  own: () => 'Whatever differs from its like at the same height.',
  door: ({ Cold, cold }) =>
    `${Cold} feathers at the sides, lock, keyhole and threshold: air. A ${cold} panel is only a thin door.`,
  floor: ({ Cold, cold, build }) =>
    build === 'framed'
      ? `${Cold} lines between boards, a fringe along the skirting: air from below. A smooth gradient is a ${cold} edge.`
      : `A ${cold} fringe along the skirting: air. A smooth gradient into the edge: the slab loses there.`,
  cupboard: ({ Cold, cooled }) => `${Cold} back and corners: little air moves there.${cooled ? '' : ' Mind mould.'}`,
  radiator: ({ cooled }) =>
    cooled
      ? 'The heating is off: nothing shows here in this season.'
      : 'Cold at the top: air. Cold at the bottom, in the middle: sludge. Cold all over: closed or not reached. One end still cold: wait some minutes.',
  source: () => 'Flow and return differ by some kelvin. Warm pipes without lagging, a warm cylinder, heat where a valve is shut.',
  fixture: () =>
    'Drops and a spreading cool patch under it while water runs; a warm one with hot water. The trap and the joints first.',
  register: () => 'Evenly as warm or cool as its neighbours. One that breaks the row is blocked, or its duct leaks.',
  socket: ({ cold }) => `A ${cold} ring round it, or ${cold} pins: air from behind the lining.`,
  panel: () => 'One breaker or joint warmer than its like under a like load. Note the load beside it.',
  flue: ({ cold }) => `A ${cold} plume at its edge: it is open. One that is meant to be open is no fault.`,
  sill: ({ cold }) => `A ${cold} feather from a corner of the sill: air. A straight ${cold} stripe below it: a bridge.`,
  window: ({ Cold, Dark, day }) =>
    `${Cold} feathers at sash and frame. ${Dark} lower corners of the pane are its spacer. A pane unlike its neighbours has failed.${day ? SUNNY_ROOM : ''}`,
  wall: ({ dark, Dark, cooled, build }) =>
    build === 'framed'
      ? `Straight-sided ${dark} fields between studs: missing insulation. Even studs are normal. Blotches with soft rims${cooled ? ', cooler than the wall' : ''}: damp.`
      : `${Dark} stripes along floor, lintel and corner: bridges. A straight-sided ${dark} field: something bricked up or boarded. Blotches with soft rims${cooled ? ', cooler than the wall' : ''}: damp.`,
  'inner-wall': () => 'A thin warm or cool line with soft sides: a pipe. A blotch with a soft rim, cooler than the wall: water.',
  'ceiling-corners': ({ cold }) =>
    `A ${cold} fringe along the top edge: insulation that stops short. A feathered ${cold} patch: air from above.`,
  ceiling: ({ Dark, dark, cooled }) =>
    `${Dark} bays or a soft ${dark} field: thin or displaced insulation.${cooled ? '' : ' Warm air above a radiator is harmless.'}`,
  'ceiling-below': () =>
    'A cooler blotch with a soft rim below bath, shower or WC: water from above. A warm one after hot water ran: the hot side.',
  hatch: ({ cold, dark }) => `A ${cold} ring round the hatch: it does not close. A ${dark} lid: it is not insulated.`,
  light: ({ cold }) => `A ${cold} ring round it: a gap. Warm in the middle when it was on.`,
  vent: ({ Cold }) => `${Cold} all round while it is off: no flap. Warm in the middle: its motor.`,
  appliances: () => 'Warm boxes that glow all day; worn seals of refrigerators.',
  'loft-floor': ({ Cold, cold, cooled }) =>
    `${Cold} fields and joints: ${cooled ? 'the rooms’ cool air' : 'heat'} that comes through. Seen from here faults are ${cold}.`,
  'loft-eaves': ({ cold }) =>
    `Insulation pushed away from the eaves, a ${cold} strip of bare ceiling, and light or air at the eaves.`,
  'facade-left': ({ Cold, cold, build, cooled, day }) =>
    `${Cold} fields and lines${build === 'massive' ? ' at slabs and lintels' : ' between studs'}, ${cold} frames, the counterpart of what was seen inside.${cooled ? '' : ' Plinth, vents and chimney are warm anyway.'}${day ? SUNNY_WALL : ''}`,
  'facade-right': ({ cold, day }) =>
    `What moved against the first stand-point is a reflection; what stayed ${cold} is real.${day ? SUNNY_WALL : ''}`,
  history: ({ dark }) => `A ${dark} patch with straight sides where something was removed, boarded up or added.`,
};

/** What to look for at a part, in words that are true of its wall, side, season and hour. */
export function lookForWords(part: Part, place: Place): string {
  return LOOK_FOR[part](wordsFor(place));
}
