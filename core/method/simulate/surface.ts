/** Width and height, m. */
export interface Size {
  width: number;
  height: number;
}

/** A box in metres on the surface that is looked at: x right, y down, from its top left corner. */
export interface BoxM {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What is wrong with one camera for good, and no data sheet says. */
export interface OwnErrors {
  /** Which unevenness, and which pixels are dead. */
  seed: number;
  /** Of all that it reads, K. */
  offset: number;
  /** Of its slope: a fraction of the distance to the temperature of its shutter. */
  gain: number;
  /** Share of pixels that answer wrongly, 0 … 1. */
  dead: number;
}

/** The camera that looks: its pixels, its noise, its optics. */
export interface SceneCamera {
  width: number;
  height: number;
  /** Standard deviation of one pixel's noise on a black body of 30 °C, K. */
  noise: number;
  /** Slow unevenness over the picture, rms, K. */
  uniformity: number;
  own: OwnErrors;
  /** Standard deviation of the optics' blur, pixels, from its shortest distance on. */
  blur: number;
  /** Horizontal field of view, degrees. */
  fieldDeg: number;
  /** Nearer than this it is not sharp, m. */
  minDistance: number;
}

/** Where the camera stands and what it points at. */
export interface Pose {
  /** Point of the surface in the middle of the picture, m from its top left corner. */
  aim: PointM;
  /** From the surface, m. */
  distance: number;
  /** How far the camera stands to the right of what it aims at, m; 0 is square on. */
  aside: number;
}

/** Where a surface stands in the air that presses on the house. */
export interface Draught {
  /** Its lower edge above the height at which inside and outside press alike, m. */
  bottomM: number;
  /** A wall has many heights, a floor or ceiling one. */
  upright: boolean;
  /** What the wind adds, Pa: positive on the side that it blows on. */
  windPa: number;
}

/** One surface and the camera before it, described in words and metres; what is on it comes with the scene. */
export interface View extends Size {
  seed: number;
  camera: SceneCamera;
  pose: Pose;
  side: 'inside' | 'outside';
  insideC: number;
  outsideC: number;
  /** Of the air inside and outside, %. */
  humidityPct: number;
  outerHumidityPct: number;
  /** Film inside over film outside: a drop of the factor by 1 warms the outer side by this share of the difference. */
  outerShare: number;
  /** How much colder the outer side is because it sees the sky, K. */
  skyK: number;
  /** What the sun has left on the outer side, K. */
  sunK: number;
  draught: Draught;
  /** (Ts − To)/(Ti − To) of the sound surface's inner side. */
  factor: number;
  emissivity: number;
  /** Reflected apparent temperature of the room, °C. */
  reflectedC: number;
  /** How much warmer the top of the surface is than its bottom, K. */
  stratification: number;
  /** Wall paint in daylight. */
  paint: readonly [number, number, number];
}

/** A point on the surface, m. */
export interface PointM {
  x: number;
  y: number;
}

/** A point that a pixel looks at, with how much of the surface the pixel takes in. */
export interface SeenPoint extends PointM {
  /** Width and height of the pixel on the surface, m. */
  wide: number;
  high: number;
  /** Cosine of the angle from square on. */
  cos: number;
}

/** What a point on the surface is, while features are laid over it one after the other. */
export interface SurfacePoint {
  /** °C */
  temperature: number;
  emissivity: number;
  /** What it mirrors, °C. */
  reflected: number;
}

/** Colour in daylight, 0 … 255. */
export type PhotoPoint = [red: number, green: number, blue: number];

/**
 * How one kind of feature shows: in heat, in daylight, and what is wrong about it. Each function is called once a scene
 * and returns the painter that is called for each point.
 */
export interface FeatureKind<F> {
  /** Beyond this it changes no temperature; without it, it may change all. */
  bounds?(feature: F): BoxM;
  heat(feature: F, view: View): (at: SeenPoint, point: SurfacePoint) => void;
  daylight?(feature: F, view: View): (at: PointM, colour: PhotoPoint) => void;
  /** Cause as the handbook names it, when the feature is a fault; its mask is then part of the truth. */
  fault?(feature: F): string | null;
}

/** Difference between inside and outside, K: what all contrasts grow with. */
export function drive({ insideC, outsideC }: Pick<View, 'insideC' | 'outsideC'>): number {
  return insideC - outsideC;
}

/**
 * Temperature of a surface whose inner side has the temperature factor `factor`, °C, on the side that is looked at: what is
 * cold inside is warm outdoors, by less; and what sees the sky is colder than what only the air cools.
 */
export function levelAt(view: Pick<View, 'side' | 'insideC' | 'outsideC' | 'outerShare' | 'skyK'>, factor: number): number {
  if (view.side === 'inside') return view.outsideC + drive(view) * factor;
  return view.outsideC - view.skyK + drive(view) * view.outerShare * (1 - factor);
}

/** How much a drop of the temperature factor changes what is looked at, K for a drop of 1. */
export function perDrop(view: Pick<View, 'side' | 'insideC' | 'outsideC' | 'outerShare'>): number {
  return drive(view) * (view.side === 'inside' ? -1 : view.outerShare);
}

/** A value between 0 and 1 that wanders over the surface without a pattern, and is always the same: soft blotches. */
export function blotch({ x, y }: PointM, scale: number): number {
  const u = x / scale;
  const v = y / scale;
  return 0.5 + 0.5 * Math.sin(2.1 * u + 1.3 * Math.sin(1.7 * v)) * Math.sin(1.9 * v + 1.1 * Math.sin(2.3 * u));
}

/** A box with so much more on each side, m. */
export function widened({ x, y, width, height }: BoxM, by: number): BoxM {
  return { x: x - by, y: y - by, width: width + 2 * by, height: height + 2 * by };
}

/** A box round a point, m. */
export function around({ x, y }: PointM, reach: number): BoxM {
  return widened({ x, y, width: 0, height: 0 }, reach);
}

/** Whether a point lies in a box, and how far from its nearest side, m (negative outside). */
export function depthInside(box: BoxM, at: PointM): number {
  return Math.min(at.x - box.x, box.x + box.width - at.x, at.y - box.y, box.y + box.height - at.y);
}

/** 0 … 1 over `width` metres around zero, without a kink. */
export function softStep(distance: number, width: number): number {
  const t = Math.max(0, Math.min(1, distance / width + 0.5));
  return t * t * (3 - 2 * t);
}

export function shade(colour: PhotoPoint, factor: number): void {
  for (let c = 0; c < 3; c += 1) colour[c] = Math.max(0, Math.min(255, colour[c]! * factor));
}

export function paintOver(colour: PhotoPoint, other: readonly [number, number, number], share = 1): void {
  for (let c = 0; c < 3; c += 1) colour[c] = colour[c]! + (other[c]! - colour[c]!) * share;
}
