import type { HeatingHouse, Radiator } from './house';
import { coldHeating, flowTails, runHeating } from './run';

/** How a radiator looks, beyond what its water does. */
export interface RadiatorLook {
  widthM: number;
  heightM: number;
  /** Share of its face that sludge keeps cold, low in the middle. */
  sludge: number;
  flowEnd: 'left' | 'right';
}

/** A heating system to practise on; its radiators carry the ids of the services of a house. */
export interface PracticeHouse extends HeatingHouse {
  looks: Record<string, RadiatorLook>;
}

/** What people did to it, ms since 1970. */
export interface PracticeEvents {
  /** null: the heat is off. */
  onAt: number | null;
  /** Lockshields as they were found. */
  found: Readonly<Record<string, number>>;
  turned: readonly { id: string; at: number; to: number }[];
  bled: readonly { id: string; at: number }[];
  /** Sludge is halved by agitation and gone after a flush both ways. */
  agitatedAt: number | null;
  flushedAt: number | null;
}

/** One radiator of the system at a moment. */
export interface PracticedRadiator extends RadiatorLook {
  flowC: number;
  returnC: number;
  roomC: number;
  air: number;
  /** How far the warmth has come along its face, 0 … 1. */
  reach: number;
}

/** Sludge takes so much of the output of the face that it keeps cold. */
const SLUDGE_TAKES = 0.5;
/** Agitation and flushing leave so much of it. */
const AGITATED = 0.5;
const FLUSHED = 0.06;
/** A return that has risen by this share of the flow's excess belongs to a face that is warm to its end. */
const WARM_RETURN = 0.35;

/**
 * A practised heating system at a moment: all that was done to it is played again from the time the heat came on.
 *
 * @param at - ms since 1970
 */
export function practiceAt(house: PracticeHouse, events: PracticeEvents, at: number): Map<string, PracticedRadiator> {
  const { onAt } = events;
  const sludgeAt = (id: string, moment: number) =>
    house.looks[id]!.sludge * (reached(events.flushedAt, moment) ? FLUSHED : reached(events.agitatedAt, moment) ? AGITATED : 1);
  const airAt = ({ id, air }: Radiator, moment: number) =>
    events.bled.some((one) => one.id === id && one.at <= moment) ? 0 : air;
  const turnsAt = (moment: number) =>
    house.radiators.map(
      ({ id, turnsOpen }) =>
        events.turned
          .filter((one) => one.id === id && one.at <= moment)
          .sort((a, b) => a.at - b.at)
          .at(-1)?.to ??
        events.found[id] ??
        turnsOpen,
    );
  const houseAt = (moment: number): HeatingHouse => ({
    ...house,
    radiators: house.radiators.map((radiator) => ({
      ...radiator,
      air: Math.min(0.9, airAt(radiator, moment) + SLUDGE_TAKES * sludgeAt(radiator.id, moment)),
    })),
  });
  if (onAt === null || at <= onAt) {
    return new Map(
      house.radiators.map((radiator) => {
        const { id, roomC } = radiator;
        const look = { ...house.looks[id]!, sludge: sludgeAt(id, at), air: airAt(radiator, at) };
        return [id, { ...look, flowC: roomC, returnC: roomC, roomC, reach: 0 }];
      }),
    );
  }
  const changes = [
    ...events.turned.map((one) => one.at),
    ...events.bled.map((one) => one.at),
    events.agitatedAt ?? 0,
    events.flushedAt ?? 0,
  ].filter((moment) => moment > onAt && moment < at);
  const moments = [onAt, ...new Set(changes)].sort((a, b) => a - b);
  let state = coldHeating(houseAt(onAt), turnsAt(onAt));
  moments.forEach((from, k) => {
    const to = moments[k + 1] ?? at;
    state = runHeating(houseAt(from), { ...state, turns: turnsAt(from) }, (to - from) / 1000);
  });
  const tails = flowTails(houseAt(at), state);
  return new Map(
    house.radiators.map((radiator, i) => {
      const { id, roomC } = radiator;
      const [flowC, returnC] = [tails[i]!, state.returnC[i]!];
      const risen = flowC - roomC < 1 ? 0 : (returnC - roomC) / (WARM_RETURN * (flowC - roomC));
      return [
        id,
        {
          ...house.looks[id]!,
          sludge: sludgeAt(id, at),
          air: airAt(radiator, at),
          flowC,
          returnC,
          roomC,
          reach: flowC - roomC < 1 ? 0 : Math.min(1, Math.max(0.08, risen)),
        },
      ];
    }),
  );
}

const reached = (when: number | null, moment: number) => when !== null && when <= moment;
