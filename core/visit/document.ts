import type { Basis } from '../frame/frame';
import type { Row, VisitEntity } from './rows';

/** What is known of a frame and never edited. */
export interface FrameFacts {
  takenAt: string;
  fileName: string;
  width: number;
  height: number;
  format: string;
  sourceUnit: string;
  basis: Basis;
  /** Standard deviation of one pixel's noise, K. */
  noiseK: number;
  /** Extremes and mean as stored, °C. */
  minC: number;
  maxC: number;
  meanC: number;
  cameraId: string | null;
  /** Hash of the decoded pixels; changes never, so caches may keep them. */
  pixelsSha: string;
  thumb: { width: number; height: number };
}

export interface PhotoFacts {
  takenAt: string;
  fileName: string;
  width: number;
  height: number;
}

export interface Room {
  id: string;
  name: string;
  ordinal: number;
}

export interface Camera {
  id: string;
  name: string;
  calibrationK: number;
  uniformityK: number;
}

type RowsOf<E extends VisitEntity> = Record<string, Row<E>>;

/** Everything of a visit but its pixels, as plain data: what the interface edits and the report is made from. */
export interface VisitDocument {
  visitId: string;
  siteId: string;
  rooms: Room[];
  cameras: Camera[];
  frameFacts: Record<string, FrameFacts>;
  photoFacts: Record<string, PhotoFacts>;
  recordedAt: Record<string, string>;
  rows: { [E in VisitEntity]: RowsOf<E> };
}
