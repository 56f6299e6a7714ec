import type * as z from 'zod';
import { cameraEntity } from './cameraRow';
import { rulingEntity } from './rulingRow';
import { handoverEntity } from './handoverRow';
import { instrumentEntity } from './instrumentRow';
import { frameEntity } from './frameRow';
import { photoEntity } from './photoRow';
import { probeEntity } from './probeRow';
import { regionEntity } from './regionRow';
import { sequenceEntity } from './sequenceRow';
import { roomEntity } from './roomRow';
import { serviceEntity } from './serviceRow';
import { surfaceEntity } from './surfaceRow';
import { materialEntity } from './materialRow';
import { settingsEntity } from './settingsRow';
import { kitEntity } from './kitRow';
import { kitListEntity } from './kitListRow';
import { logEntity } from './logRow';
import { ownStopEntity } from './ownStopRow';
import { putBackEntity } from './putBackRow';
import { recordingEntity } from './recordingRow';
import { stopEntity } from './stopRow';
import { boilerCardEntity } from './boilerCardRow';
import { emitterEntity } from './emitterRow';
import { faceEntity } from './faceRow';
import { floorTraceEntity } from './floorTraceRow';
import { flushEntity } from './flushRow';
import { heatingEntity } from './heatingRow';
import { pipeEntity } from './pipeRow';
import { tailReadingEntity } from './tailReadingRow';
import { valveTurnEntity } from './valveTurnRow';
import { warmingEntity } from './warmingRow';
import { loanEntity } from './loanRow';
import { loanHomeEntity } from './loanHomeRow';
import { huntEntity } from './huntRow';
import { pairEntity } from './pairRow';
import { conditionsEntity } from './conditionsRow';
import { exhibitEntity } from './exhibitRow';
import { findingEntity } from './findingRow';
import { intakeEntity } from './intakeRow';
import { planEntity } from './planRow';
import { siteEntity } from './siteRow';
import { visitEntity } from './visitRow';

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
