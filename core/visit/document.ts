import type { Answer } from '../round/rows';
import type { Row, VisitEntity } from './rows';

/** What is known of a frame and never edited. */
export interface FrameFacts {
  takenAt: string;
  fileName: string;
  width: number;
  height: number;
  format: string;
  sourceUnit: string;
  /** Which page of its file it is. */
  page: number;
  /** Added to what the file says, by the camera's checks, K. */
  offsetK: number;
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

/** What a stop of the round showed on the site's visit before this one. */
export interface EarlierStop {
  visitId: string;
  /** ms since 1970. */
  startedAt: number;
  answer: Answer | null;
  note: string;
  /** The last frame that was taken there; its pixels are fetched like any other's. */
  frame: { id: string; width: number; height: number; meanC: number } | null;
}

/** A spoken note. */
export interface Recording {
  id: string;
  stopKey: string;
  takenAt: string;
  seconds: number;
}

type RowsOf<E extends VisitEntity> = Record<string, Row<E>>;

/** Everything of a visit but its pixels, as plain data: what the interface edits and the report is made from. */
export interface VisitDocument {
  visitId: string;
  siteId: string;
  frameFacts: Record<string, FrameFacts>;
  photoFacts: Record<string, PhotoFacts>;
  recordedAt: Record<string, string>;
  recordings: Recording[];
  /** By the keys of stops. */
  earlier: Record<string, EarlierStop>;
  rows: { [E in VisitEntity]: RowsOf<E> };
}
