import type { MaterialValue } from './materialRow';

export interface Material extends Omit<MaterialValue, 'archived'> {
  /** Names a built-in one, or is the id of a row. */
  key: string;
  group: MaterialGroup;
}

export const MATERIAL_GROUPS = [
  'coatings',
  'masonry',
  'wood and paper',
  'covers and cloth',
  'plastics',
  'glass and tiles',
  'ground and water',
  'metals',
  'own',
] as const;
export type MaterialGroup = (typeof MATERIAL_GROUPS)[number];

const BOOKS = 'Rounded from published emissivity tables for 8 … 14 µm';
const MIRROR = 'Reads its surroundings: tape it, or look from elsewhere.';

type Line = [name: string, finish: string, emissivity: number, low: number, high: number, note?: string];

const TABLE: Record<Exclude<MaterialGroup, 'own'>, Line[]> = {
  coatings: [
    ['Wall paint', 'matt, any colour', 0.95, 0.92, 0.97, 'Colour does not matter here, gloss hardly.'],
    ['Wall paint', 'silk or satin', 0.94, 0.9, 0.96],
    ['Gloss paint', 'on wood or metal', 0.92, 0.88, 0.95, 'Mirrors at flat angles.'],
    ['Radiator enamel', 'white, baked', 0.93, 0.9, 0.96],
    ['Limewash', 'chalky', 0.93, 0.9, 0.96],
    ['Varnish', 'clear, on wood', 0.93, 0.9, 0.95],
    ['Aluminium paint', 'silver, old', 0.5, 0.3, 0.65, 'Metal flakes: differs from tin to tin. Try tape.'],
    ['Bitumen coat', 'matt', 0.94, 0.9, 0.96],
    ['Adhesive tape', 'matt, black or masking', 0.95, 0.93, 0.97, 'For experiments: stick it on, wait a minute.'],
    ['Soot or graphite', 'layer', 0.96, 0.93, 0.98],
  ],
  masonry: [
    ['Brick', 'rough, red', 0.93, 0.9, 0.95],
    ['Brick', 'glazed', 0.85, 0.75, 0.92, 'Mirrors the sky at flat angles.'],
    ['Clinker', 'hard, smooth', 0.91, 0.88, 0.94],
    ['Plaster', 'gypsum, smooth', 0.91, 0.86, 0.94],
    ['Plaster board', 'paper-faced', 0.92, 0.88, 0.95],
    ['Render', 'mineral, rough', 0.93, 0.9, 0.96],
    ['Concrete', 'rough', 0.94, 0.92, 0.97],
    ['Concrete', 'smooth, sealed', 0.91, 0.87, 0.95],
    ['Lightweight block', 'bare', 0.93, 0.9, 0.95],
    ['Limestone', 'dressed', 0.93, 0.9, 0.96],
    ['Sandstone', 'rough', 0.92, 0.88, 0.95],
    ['Granite', 'rough', 0.92, 0.87, 0.95],
    ['Granite', 'polished', 0.86, 0.8, 0.92],
    ['Marble', 'polished', 0.92, 0.88, 0.95],
    ['Slate', 'split', 0.92, 0.88, 0.95],
    ['Clay roof tile', 'unglazed', 0.93, 0.9, 0.95],
    ['Fibre cement', 'weathered', 0.94, 0.9, 0.96, 'Old boards can hold asbestos: look, do not drill.'],
    ['Mineral wool', 'bare', 0.93, 0.9, 0.96],
  ],
  'wood and paper': [
    ['Timber', 'planed', 0.9, 0.85, 0.94],
    ['Timber', 'sawn, weathered', 0.93, 0.9, 0.95],
    ['Plywood or chipboard', 'bare', 0.9, 0.85, 0.94],
    ['Cork', 'tiles', 0.92, 0.88, 0.95],
    ['Parquet', 'sealed', 0.92, 0.88, 0.95],
    ['Wallpaper', 'paper or woodchip', 0.93, 0.9, 0.95],
    ['Wallpaper', 'metallised', 0.4, 0.1, 0.8, MIRROR],
    ['Paper or cardboard', 'any colour', 0.93, 0.9, 0.95],
  ],
  'covers and cloth': [
    ['Carpet', 'any', 0.94, 0.9, 0.97],
    ['Cotton or wool', 'cloth', 0.94, 0.9, 0.97],
    ['Leather', 'tanned', 0.95, 0.92, 0.98],
    ['Linoleum', 'floor', 0.92, 0.88, 0.95],
    ['Skin', 'dry', 0.98, 0.96, 0.99],
  ],
  plastics: [
    ['PVC', 'window frame, white', 0.92, 0.88, 0.95],
    ['Polystyrene foam', 'white', 0.9, 0.85, 0.95, 'Thin skins let some infrared through.'],
    ['Acrylic', 'sheet', 0.91, 0.86, 0.95, 'Opaque here: its own surface is read.'],
    ['Polyethylene', 'sheet over 1 mm', 0.9, 0.85, 0.95, 'Thin film is nearly transparent: what is behind it is read.'],
    ['Rubber', 'hard or soft', 0.93, 0.9, 0.96],
    ['Cable sheath', 'PVC', 0.92, 0.88, 0.95],
  ],
  'glass and tiles': [
    ['Window glass', 'uncoated side', 0.85, 0.82, 0.92, 'Opaque here, and a mirror at flat angles: never square-on.'],
    ['Window glass', 'low-emissivity side outwards', 0.2, 0.03, 0.4, MIRROR],
    ['Ceramic tile', 'glazed', 0.91, 0.87, 0.94, 'Gloss mirrors people and lamps.'],
    ['Ceramic tile', 'unglazed', 0.94, 0.9, 0.96],
    ['Porcelain', 'glazed', 0.92, 0.88, 0.95],
    ['Enamel', 'bath, white', 0.91, 0.87, 0.94],
  ],
  'ground and water': [
    ['Water', 'still', 0.96, 0.94, 0.98, 'Mirrors the sky at flat angles.'],
    ['Ice', 'smooth', 0.97, 0.95, 0.98],
    ['Snow', 'any', 0.9, 0.8, 0.98, 'Covers what is below it.'],
    ['Soil', 'dry', 0.92, 0.88, 0.95],
    ['Asphalt', 'road or roof', 0.94, 0.9, 0.97],
    ['Gravel', 'loose', 0.93, 0.9, 0.96],
    ['Grass or leaves', 'green', 0.97, 0.94, 0.99],
  ],
  metals: [
    ['Aluminium', 'bare, bright', 0.06, 0.03, 0.1, MIRROR],
    ['Aluminium', 'anodised', 0.7, 0.55, 0.9, 'Depends on the layer: try tape.'],
    ['Copper', 'bare, bright', 0.05, 0.02, 0.1, MIRROR],
    ['Copper', 'oxidised dark', 0.65, 0.4, 0.85, 'Try tape.'],
    ['Brass', 'bright', 0.06, 0.03, 0.12, MIRROR],
    ['Chrome', 'plated', 0.07, 0.04, 0.12, MIRROR],
    ['Stainless steel', 'bright', 0.2, 0.1, 0.35, MIRROR],
    ['Steel', 'bare, bright', 0.12, 0.06, 0.25, MIRROR],
    ['Steel', 'rusted', 0.8, 0.65, 0.9],
    ['Cast iron', 'rough, old', 0.85, 0.7, 0.93],
    ['Galvanised steel', 'new', 0.2, 0.1, 0.3, MIRROR],
    ['Galvanised steel', 'weathered', 0.35, 0.25, 0.6, 'Try tape.'],
    ['Zinc sheet', 'weathered', 0.3, 0.2, 0.5, 'Try tape.'],
    ['Lead', 'weathered grey', 0.4, 0.28, 0.6, 'Try tape.'],
    ['Foil', 'crumpled aluminium', 0.05, 0.03, 0.08, 'The mirror for the reflected temperature.'],
  ],
};

/** The shelf as it comes: common materials of houses by finish. Numbers are for rough guidance; an experiment beats them. */
export const MATERIALS: readonly Material[] = Object.entries(TABLE).flatMap(([group, lines]) =>
  lines.map(([name, finish, value, low, high, note = '']) => ({
    key: `${name}, ${finish}`,
    group: group as MaterialGroup,
    name,
    finish,
    emissivity: value,
    low,
    high,
    note,
    source: BOOKS,
  })),
);

/**
 * Standard uncertainty of a material's emissivity: its range taken as even (half its width over √3), but not better than a
 * careful table allows.
 */
export function materialUncertainty({ low, high }: Pick<Material, 'low' | 'high'>): number {
  return Math.max(0.01, (high - low) / 2 / Math.sqrt(3));
}

/** How a material is named where its emissivity is used. */
export function materialWords({ name, finish }: Pick<Material, 'name' | 'finish'>): string {
  return finish === '' ? name : `${name}, ${finish}`;
}
