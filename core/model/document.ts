import * as z from 'zod';
import { ENTITIES, type Row, type VisitEntity } from './entities';
import { idSchema } from '../ground/fields';
import type { Answer } from './stopRow';

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
  slope: number;
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
  /** Titles of what was found there and left open. */
  open: string[];
  /** The frame of the first of these, else the last that was taken there; its pixels are fetched like any other's. */
  frame: { id: string; width: number; height: number; meanC: number } | null;
}

type RowsOf<E extends VisitEntity> = Record<string, Row<E>>;

/** A stored row that cannot be read; everything else is there. */
export interface BrokenRow {
  entity: VisitEntity;
  id: string;
  /** Which field, and what is wrong with it. */
  problem: string;
}

/** What the rows of a visit are shown with: known, and never edited. */
export interface VisitFacts {
  frameFacts: Record<string, FrameFacts>;
  photoFacts: Record<string, PhotoFacts>;
  recordedAt: Record<string, string>;
}

/** Everything of a visit but its pixels, as plain data: what the interface edits and the report is made from. */
export interface VisitDocument extends VisitFacts {
  visitId: string;
  siteId: string;
  /** When it was read, by the server's clock, ms since 1970. */
  readAt: number;
  broken: BrokenRow[];
  /** The house has a heating system to practise on. */
  practised: boolean;
  /** By the keys of stops. */
  earlier: Record<string, EarlierStop>;
  rows: { [E in VisitEntity]: RowsOf<E> };
}

/** What was changed of a visit since a moment. */
export interface VisitChanges extends VisitFacts {
  readAt: number;
  broken: BrokenRow[];
  rows: { [E in VisitEntity]?: Row<E>[] };
  /** Ids of rows that are there no more. */
  gone: { [E in VisitEntity]?: string[] };
}

const byEntity = <S extends z.ZodType>(of: (schema: z.ZodType) => S) =>
  z.object(Object.fromEntries(ENTITIES.map(({ name, schema }) => [name, of(schema).optional()])));

const rowsOf = (value: z.ZodType) => z.array(z.object({ id: idSchema, version: z.number(), value }));

/** What the server answers, checked as far as rows go; facts are its own. */
export const visitChangesSchema = z.object({
  readAt: z.number(),
  broken: z.array(z.object({ entity: z.string(), id: idSchema, problem: z.string() })),
  rows: byEntity(rowsOf),
  gone: byEntity(() => z.array(idSchema)),
  frameFacts: z.record(z.string(), z.custom<FrameFacts>()),
  photoFacts: z.record(z.string(), z.custom<PhotoFacts>()),
  recordedAt: z.record(z.string(), z.string()),
}) as unknown as z.ZodType<VisitChanges>;
