import { adviseBalance } from '../../method/heating/balance/advise';
import { normalFrom, seededRandom } from '../../ground/random';
import type { VisitDocument } from '../../model/document';
import { practiceAt, type PracticeHouse } from '../../method/simulate/heating/practice';
import { SIGNAL_HOUSE } from '../../method/simulate/heating/signalHouse';
import { emitterValue, heatingVisit, MINUTE, ON, withRow } from '../../testing/heatingVisit';
import { ID } from '../../testing/visit';
import { rowIdFrom } from '../../ground/rowId';
import { AS_FOUND, asFoundAdvice, balanceStateBefore, leftOf } from './balance';
import { emittersOf } from './emitters';
import { heatingOf, ofWalk, warmingOf } from './heatingOf';

const serviceId = (k: number) => `0192f0a0-0000-7000-8000-0000000005${String(k).padStart(2, '0')}`;
const house: PracticeHouse = {
  ...SIGNAL_HOUSE,
  radiators: SIGNAL_HOUSE.radiators.map((one, k) => ({ ...one, id: serviceId(k) })),
  looks: Object.fromEntries(
    SIGNAL_HOUSE.radiators.map((_, k) => [serviceId(k), { widthM: 1, heightM: 0.6, sludge: 0, flowEnd: 'left' as const }]),
  ),
};

/** The visit of a house with the ten radiators of the practised system. */
function signalVisit(): VisitDocument {
  let document = heatingVisit();
  const { roomId } = Object.values(document.rows.service)[0]!.value;
  document = { ...document, rows: { ...document.rows, service: {}, emitter: {} } };
  SIGNAL_HOUSE.radiators.forEach(({ ratedW, turnsOpen }, k) => {
    const id = serviceId(k);
    document = withRow(document, 'service', id, {
      siteId: ID.site,
      roomId,
      kind: 'radiator',
      name: `Radiator ${k}`,
      x: 1,
      y: 1,
      ordinal: k,
    });
    const turns = k % 3 === 0 ? Math.floor(turnsOpen * 8) / 8 : 1.25;
    document = withRow(
      document,
      'emitter',
      rowIdFrom(id, 'emitter'),
      emitterValue(id, { order: k + 1, ratedW: k % 4 === 3 ? null : ratedW, widthM: null, turns, turnsOpen }),
    );
  });
  return document;
}

/** What the system has at a moment, after all that stands in the document. */
function systemAt(document: VisitDocument, at: number) {
  return practiceAt(
    house,
    {
      onAt: heatingOf(document).value.onAt,
      found: Object.fromEntries(Object.values(document.rows.emitter).map(({ value }) => [value.serviceId, value.turns!])),
      turned: Object.values(document.rows.valveTurn).map(({ value }) => ({ id: value.serviceId, at: value.at, to: value.to })),
      bled: Object.values(document.rows.warming).flatMap(({ value }) =>
        value.bledAt === null ? [] : [{ id: value.serviceId, at: value.bledAt }],
      ),
      agitatedAt: null,
      flushedAt: null,
    },
    at,
  );
}

test('a visit walked as it says ends with every drop on target, in fewer visits than half of a quarter turn at a time', () => {
  const normal = normalFrom(seededRandom(21));
  let document = signalVisit();
  let now = ON + 45 * MINUTE;
  let visits = 0;
  const read = (id: string, walk: number) => {
    now += 30_000;
    const { flowC, returnC, roomC } = systemAt(document, now).get(id)!;
    const offset = 0.5 * normal();
    document = withRow(document, 'tailReading', ofWalk(ID.visit, 'reading', walk, id), {
      visitId: ID.visit,
      serviceId: id,
      walk,
      at: now,
      flowC: flowC + offset + 0.4 * normal(),
      returnC: returnC + offset + 0.4 * normal(),
      frameId: null,
      flowRegionId: null,
      returnRegionId: null,
      roomC,
    });
  };
  let walk = AS_FOUND;
  let done = false;
  for (; walk < 25 && !done; walk += 1) {
    const advice =
      walk === AS_FOUND ? asFoundAdvice(document) : adviseBalance(balanceStateBefore(document, () => undefined, walk)!);
    done = advice.done;
    visits += new Set([...advice.moves.map(({ emitterId }) => emitterId), ...advice.read]).size;
    for (const { emitterId, toTurns } of advice.moves) {
      now += 30_000;
      const from = emittersOf(document).find(({ id }) => id === emitterId)!.turns;
      document = withRow(document, 'valveTurn', ofWalk(ID.visit, 'turn', walk, emitterId), {
        visitId: ID.visit,
        serviceId: emitterId,
        walk,
        at: now,
        from,
        to: toTurns,
      });
    }
    now += 1000 * advice.waitS;
    for (const id of advice.read) read(id, walk);
    expect(leftOf(document, advice, walk)).toMatchObject({ moves: [], read: [] });
    if (walk === AS_FOUND) {
      // The one with air is bled before anything is turned; what was read of it before is of another emitter.
      const warming = warmingOf(document, serviceId(7));
      now += MINUTE;
      document = withRow(document, 'warming', warming.id, { ...warming.value, bledAt: now });
      now += 20 * MINUTE;
    }
  }
  expect(done).toBe(true);
  const end = systemAt(document, now + 3 * 60 * MINUTE);
  for (const [id, { flowC, returnC }] of end) expect(`${id} ${Math.abs(flowC - returnC - 12) <= 2}`).toBe(`${id} true`);
  // A quarter turn at a time takes some thirteen visits to each.
  expect(visits).toBeLessThan(65);
  expect(walk).toBeLessThan(15);
});
