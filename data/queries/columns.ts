import type { Values } from '@core/visit/rows';

/** From a row that people edit to the columns of its table, where the two shapes differ; the way back is in rows.ts. */

export function settingsColumns({ level, ownerId, ...fields }: Values['settings']) {
  return {
    ...fields,
    visitId: level === 'visit' ? ownerId : null,
    surfaceId: level === 'surface' ? ownerId : null,
    frameId: level === 'frame' ? ownerId : null,
    regionId: level === 'region' ? ownerId : null,
  };
}

export function frameColumns({ ownScale, ...rest }: Values['frame']) {
  return { ...rest, ownLowC: ownScale?.low ?? null, ownHighC: ownScale?.high ?? null };
}

export function visitColumns({ span, startedAt, ...rest }: Values['visit']) {
  return { ...rest, ...span, startedAt: new Date(startedAt) };
}

export function roomColumns({ plan, ...rest }: Values['room']) {
  return { ...rest, planX: plan.x, planY: plan.y, planWidth: plan.width, planDepth: plan.depth };
}

export function stopColumns({ openedAt, answeredAt, ...rest }: Values['stop']) {
  return {
    ...rest,
    openedAt: openedAt === null ? null : new Date(openedAt),
    answeredAt: answeredAt === null ? null : new Date(answeredAt),
  };
}

export function putBackColumns({ changedAt, putBackAt, ...rest }: Values['putBack']) {
  return { ...rest, changedAt: new Date(changedAt), putBackAt: putBackAt === null ? null : new Date(putBackAt) };
}

export function planColumns({ slot, ...rest }: Values['plan']) {
  return { ...rest, slotFrom: slot && new Date(slot.from), slotTo: slot && new Date(slot.to) };
}

export function loanColumns({ from, to, ...rest }: Values['loan']) {
  return { ...rest, startsAt: new Date(from), endsAt: new Date(to) };
}
