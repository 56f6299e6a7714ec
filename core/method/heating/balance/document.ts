import * as z from 'zod';
import { CoreError } from '../../../ground/errors';
import { TAILS, type BalanceAdvice, type BalanceState } from './state';

const celsius = z.number().min(-50).max(150);
const seconds = z.number().min(-1e7).max(1e9);
const id = z.string().min(1).max(60);
const walk = z.number().int().min(0).max(100_000);
/** A lockshield has so many turns at most. */
const turns = z.number().min(0).max(20);

const emitterSchema = z
  .object({
    id,
    order: z.number().min(0).max(1000),
    rated_w: z.number().min(20).max(50_000).nullable(),
    exponent: z.number().min(1).max(2),
    turns,
    turns_open: turns.min(0.5),
    sticks: z.boolean(),
    tail: z.enum(TAILS).nullish(),
    taped_walk: walk.nullish(),
    head: z.enum(['on', 'off']).nullish(),
  })
  .refine((emitter) => emitter.turns <= emitter.turns_open, { message: 'stands beyond its stop', path: ['turns'] });

const documentSchema = z.object({
  target_drop_k: z.number().min(1).max(40),
  tolerance_k: z.number().min(0.2).max(20),
  source: z.object({ flow_c_set: z.number().min(20).max(110) }),
  emitters: z.array(emitterSchema).min(1).max(60),
  turned: z.array(z.object({ walk, t_s: seconds, emitter: id, from: turns, to: turns })).max(5000),
  readings: z
    .array(
      z.object({
        walk,
        t_s: seconds,
        emitter: id,
        turns,
        flow_c: celsius,
        return_c: celsius,
        room_c: celsius,
        settled_s: seconds.min(0),
      }),
    )
    .max(5000),
});

/**
 * Reads what `./den balance` is asked.
 *
 * @throws CoreError `bad_input` with the first thing that is wrong: its place and what it should be
 */
export function balanceStateFrom(document: unknown): BalanceState {
  const parsed = documentSchema.safeParse(document);
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0]!;
    throw refused(path.join('.') || 'the document', message);
  }
  const { target_drop_k, tolerance_k, source, emitters, turned, readings } = parsed.data;
  const byId = new Map(emitters.map((emitter) => [emitter.id, emitter]));
  if (byId.size < emitters.length) throw refused('emitters', 'two have the same id');
  if (tolerance_k >= target_drop_k) throw refused('tolerance_k', 'must be below the target');
  for (const [name, list] of [
    ['turned', turned],
    ['readings', readings],
  ] as const)
    list.forEach(({ emitter, t_s }, k) => {
      if (!byId.has(emitter)) throw refused(`${name}.${k}.emitter`, `names ${JSON.stringify(emitter)}, which is no emitter`);
      if (k > 0 && t_s < list[k - 1]!.t_s) throw refused(`${name}.${k}.t_s`, 'is earlier than the one before: oldest first');
    });
  turned.forEach(({ emitter, to, from }, k) => {
    if (Math.max(to, from) > byId.get(emitter)!.turns_open) throw refused(`turned.${k}`, 'goes beyond the stop of its valve');
  });
  readings.forEach(({ emitter, turns: at }, k) => {
    if (at > byId.get(emitter)!.turns_open) throw refused(`readings.${k}.turns`, 'lies beyond the stop of its valve');
  });
  return {
    targetK: target_drop_k,
    toleranceK: tolerance_k,
    flowSetC: source.flow_c_set,
    emitters: emitters.map(({ rated_w, turns_open, tail, taped_walk, head, ...rest }) => ({
      ...rest,
      ratedW: rated_w,
      turnsOpen: turns_open,
      tail: tail ?? null,
      tapedWalk: taped_walk ?? null,
      withoutTape: false,
      headOn: head === 'on',
    })),
    turned: turned.map(({ t_s, emitter, ...rest }) => ({ ...rest, atS: t_s, emitterId: emitter })),
    readings: readings.map(({ t_s, emitter, flow_c, return_c, room_c, settled_s, ...rest }) => ({
      ...rest,
      atS: t_s,
      emitterId: emitter,
      flowC: flow_c,
      returnC: return_c,
      roomC: room_c,
      settledS: settled_s,
    })),
  };
}

function refused(place: string, what: string): CoreError {
  return new CoreError('bad_input', `${place}: ${what}.`, {}, 'Correct it and ask again; nothing was turned or forgotten.');
}

const tenth = (value: number | null) => (value === null ? null : Math.round(100 * value) / 100);

/** The same answer in the words of the document. */
export function balanceAnswer({ done, tape, end, left, moves, waitS, read, drops, cannot }: BalanceAdvice): object {
  return {
    done,
    tape,
    end,
    left,
    moves: moves.map(({ emitterId, toTurns, expectDropK, uncertaintyK }) => ({
      emitter: emitterId,
      to_turns: toTurns,
      expect_drop_k: tenth(expectDropK),
      uncertainty_k: tenth(uncertaintyK),
    })),
    wait_s: waitS,
    read,
    drops: drops.map(({ emitterId, dropK, uncertaintyK, state }) => ({
      emitter: emitterId,
      drop_k: tenth(dropK),
      uncertainty_k: tenth(uncertaintyK),
      state,
    })),
    cannot: cannot.map(({ emitterId, why }) => ({ emitter: emitterId, why })),
  };
}
