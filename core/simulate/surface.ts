/** A box in metres on the surface that is looked at: x right, y down, from the top left of the view. */
export interface BoxM {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The camera that looks: its pixels, its noise, its optics. */
export interface SceneCamera {
  width: number;
  height: number;
  /** Standard deviation of one pixel's noise, K. */
  noise: number;
  /** Slow unevenness over the picture, K. */
  uniformity: number;
  /** Standard deviation of the optics' blur, pixels. */
  blur: number;
}

/** One view of one surface, square on, described in words and metres; what is on it comes with the scene. */
export interface View {
  seed: number;
  camera: SceneCamera;
  /** Width of what is in view, m; the height follows from the camera's pixels. */
  viewWidth: number;
  side: 'inside' | 'outside';
  insideC: number;
  outsideC: number;
  /** (Ts − To)/(Ti − To) of the sound surface. */
  factor: number;
  emissivity: number;
  /** Reflected apparent temperature of the room, °C. */
  reflectedC: number;
  /** How much warmer the top of the view is than its bottom, K. */
  stratification: number;
  /** Wall paint in daylight. */
  paint: readonly [number, number, number];
}

/** A point on the surface, m. */
export interface PointM {
  x: number;
  y: number;
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
  heat(feature: F, view: View): (at: PointM, point: SurfacePoint) => void;
  daylight?(feature: F, view: View): (at: PointM, colour: PhotoPoint) => void;
  /** Cause as the handbook names it, when the feature is a fault; its mask is then part of the truth. */
  fault?(feature: F): string | null;
}

export function viewHeight(view: View): number {
  return (view.viewWidth * view.camera.height) / view.camera.width;
}

/** Difference between inside and outside, K: what all contrasts grow with. */
export function drive(view: View): number {
  return view.insideC - view.outsideC;
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
