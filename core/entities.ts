import type * as z from 'zod';
import { cameraEntity } from './camera/cameraRow';
import { rulingEntity } from './candidates/rulingRow';
import { handoverEntity } from './camera/handoverRow';
import { instrumentEntity } from './camera/instrumentRow';
import { frameEntity } from './frame/frameRow';
import { photoEntity } from './frame/photoRow';
import { probeEntity } from './frame/probeRow';
import { regionEntity } from './frame/regionRow';
import { sequenceEntity } from './frame/sequenceRow';
import { roomEntity } from './house/roomRow';
import { serviceEntity } from './house/serviceRow';
import { surfaceEntity } from './house/surfaceRow';
import { materialEntity } from './radiometry/materialRow';
import { settingsEntity } from './radiometry/settingsRow';
import { kitEntity } from './round/kitRow';
import { kitListEntity } from './round/kitListRow';
import { logEntity } from './visit/logRow';
import { ownStopEntity } from './round/ownStopRow';
import { putBackEntity } from './round/putBackRow';
import { recordingEntity } from './round/recordingRow';
import { stopEntity } from './round/stopRow';
import { boilerCardEntity } from './heating/rows/boilerCardRow';
import { emitterEntity } from './heating/rows/emitterRow';
import { faceEntity } from './heating/rows/faceRow';
import { floorTraceEntity } from './heating/rows/floorTraceRow';
import { flushEntity } from './heating/rows/flushRow';
import { heatingEntity } from './heating/rows/heatingRow';
import { pipeEntity } from './heating/rows/pipeRow';
import { tailReadingEntity } from './heating/rows/tailReadingRow';
import { valveTurnEntity } from './heating/rows/valveTurnRow';
import { warmingEntity } from './heating/rows/warmingRow';
import { loanEntity } from './sharing/loanRow';
import { loanHomeEntity } from './sharing/loanHomeRow';
import { huntEntity } from './hunt/huntRow';
import { pairEntity } from './proof/pairRow';
import { conditionsEntity } from './visit/conditionsRow';
import { exhibitEntity } from './visit/exhibitRow';
import { findingEntity } from './visit/findingRow';
import { intakeEntity } from './visit/intakeRow';
import { planEntity } from './visit/planRow';
import { siteEntity } from './visit/siteRow';
import { visitEntity } from './visit/visitRow';

/** All kinds of rows, each defined where it belongs. What hangs on another kind, or points at it, comes after it. */
export const ENTITIES = [
  cameraEntity,
  instrumentEntity,
  materialEntity,
  kitListEntity,
  siteEntity,
  roomEntity,
  surfaceEntity,
  serviceEntity,
  emitterEntity,
  ownStopEntity,
  visitEntity,
  intakeEntity,
  planEntity,
  conditionsEntity,
  sequenceEntity,
  frameEntity,
  regionEntity,
  probeEntity,
  photoEntity,
  settingsEntity,
  findingEntity,
  exhibitEntity,
  rulingEntity,
  stopEntity,
  putBackEntity,
  logEntity,
  kitEntity,
  recordingEntity,
  heatingEntity,
  warmingEntity,
  valveTurnEntity,
  tailReadingEntity,
  faceEntity,
  floorTraceEntity,
  pipeEntity,
  flushEntity,
  boilerCardEntity,
  pairEntity,
  huntEntity,
  loanEntity,
  loanHomeEntity,
  handoverEntity,
] as const;

type Definition = (typeof ENTITIES)[number];

/** Values of rows by their kind. */
export type Values = { [D in Definition as D['name']]: z.infer<D['schema']> };
export type Entity = keyof Values;
/** Kinds of rows that a visit's document holds; a loan goes over many. */
export type VisitEntity = Exclude<Definition, { scope: 'loan' }>['name'];

export interface Row<E extends Entity> {
  id: string;
  version: number;
  value: Values[E];
}
