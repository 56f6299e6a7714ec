import { ID, visitDocument } from '../../testing/visit';
import { isDay } from '../visit/theVisit';
import { lookForWords, type Place, placeOfStop } from './lookFor';
import { PARTS, type Part } from './parts';
import { stopCaution } from './stopCaution';

const PLACES: Place[] = (['framed', 'massive'] as const).flatMap((build) =>
  (['inside', 'outside', 'loft'] as const).flatMap((side) =>
    [false, true].flatMap((cooled) => [false, true].map((day) => ({ build, side, cooled, day }))),
  ),
);
/** Parts whose signs are their own, whatever the season. */
const OWN_SIGNS: Part[] = ['radiator', 'inner-wall', 'ceiling-below', 'source', 'fixture', 'register', 'panel'];
const ROWS = PARTS.filter((part) => !OWN_SIGNS.includes(part)).flatMap((part) =>
  PLACES.map((place): [Part, Place] => [part, place]),
);

/** What is warm or dark by itself, whatever the season. */
const ANYWAY = [
  /Warm in the middle[^.]*\./g,
  /Warm boxes[^.]*\./g,
  /Warm air above a radiator is harmless\./g,
  /are warm anyway\./g,
  /By day the sun[^.]*\. Come back in the dark for numbers\./g,
  /Leave out what the sun warms[^.]*\./g,
  /, cooler than the wall/g,
  /the rooms’ cool air/g,
];

describe('what to look for', () => {
  test.each(ROWS)('%s, %j: signs are those of the side and season, and matter those of the wall', (part, place) => {
    const words = ANYWAY.reduce((text, own) => text.replace(own, ''), lookForWords(part, place)).trim();
    const warm = (place.side === 'inside') === place.cooled;
    if (warm) expect(words).not.toMatch(/\b(cold|cool|dark)\b/i);
    else expect(words).not.toMatch(/\b(warm|bright)\b/i);
    if (place.side === 'inside' && !warm) expect(words).not.toMatch(/\bcool\b/i);
    if (place.build === 'massive' && part === 'wall') expect(words).not.toMatch(/\bstuds?\b/);
    if (place.build === 'framed') expect(words).not.toMatch(/lintel|bricked/);
    expect(lookForWords(part, place)).toMatch(/^[A-Z].*\.$/s);
  });

  test('every part says something else in a heated and in a cooled house, but for what shows in both alike', () => {
    const same = PARTS.filter((part) => {
      const at = (cooled: boolean) => lookForWords(part, { build: 'framed', side: 'inside', cooled, day: false });
      return at(true) === at(false);
    });
    expect(same).toEqual([
      'complaint',
      'own',
      'source',
      'fixture',
      'register',
      'panel',
      'inner-wall',
      'ceiling-below',
      'appliances',
    ]);
  });

  test('of a few places, as a surveyor would say it', () => {
    expect(lookForWords('wall', { build: 'framed', side: 'inside', cooled: false, day: false })).toMatch(/dark fields/);
    expect(lookForWords('wall', { build: 'framed', side: 'inside', cooled: true, day: false })).toMatch(/bright fields/);
    expect(lookForWords('loft-floor', { build: 'framed', side: 'loft', cooled: true, day: true })).toMatch(/faults are cool\./);
    expect(lookForWords('facade-left', { build: 'massive', side: 'outside', cooled: true, day: false })).toMatch(/^Cool fields/);
  });
});

describe('where a stop is', () => {
  const document = visitDocument();
  const wall = { ...Object.values(document.rows.surface)[0]!.value };
  const room = document.rows.room[wall.roomId ?? '']?.value ?? null;

  test('follows from surface and room', () => {
    const when = { cooled: false, day: true };
    expect(placeOfStop({ ...wall, kind: 'wall', mass: 'brick' }, room, when)).toMatchObject({ build: 'massive', side: 'inside' });
    expect(placeOfStop({ ...wall, kind: 'wall', mass: 'light' }, room, when).build).toBe('framed');
    expect(placeOfStop({ ...wall, kind: 'ceiling', mass: 'stone' }, room, when).build).toBe('framed');
    expect(placeOfStop({ ...wall, roomId: null, kind: 'facade' }, null, when).side).toBe('outside');
    expect(placeOfStop({ ...wall, kind: 'floor' }, { ...room!, kind: 'loft' }, when).side).toBe('loft');
    expect(placeOfStop(null, null, when)).toEqual({ build: 'massive', side: 'inside', cooled: false, day: true });
  });

  test('and by day or night from sun and clock', () => {
    const at = (startedAt: number, placed: boolean) => {
      const copy = structuredClone(document);
      copy.rows.visit[ID.visit]!.value.startedAt = startedAt;
      if (!placed) Object.assign(copy.rows.site[copy.siteId]!.value, { latitude: null, longitude: null });
      return isDay(copy);
    };
    for (const placed of [true, false]) {
      expect(at(Date.UTC(2026, 1, 11, 12), placed)).toBe(true);
      expect(at(Date.UTC(2026, 1, 11, 22), placed)).toBe(false);
    }
    expect(at(Date.UTC(2026, 5, 21, 19), true)).toBe(true);
  });
});

test('cautions follow place and hour', () => {
  const place: Place = { build: 'framed', side: 'loft', cooled: true, day: true };
  expect(stopCaution('loft-floor', place)).toMatch(/joists only.*hot/s);
  expect(stopCaution('loft-floor', { ...place, cooled: false })).not.toMatch(/hot/);
  expect(stopCaution('facade-left', { ...place, side: 'outside', day: false })).toMatch(/torch/);
  const inside: Place = { ...place, side: 'inside' };
  expect(stopCaution('wall', inside)).toBeNull();
  expect(stopCaution('wall', inside, 'heat-loss', 'living')).toBeNull();
  expect(stopCaution('wall', inside, 'open-up')).toMatch(/tendons.*asbestos/);
  expect(stopCaution('inner-wall', inside, 'open-up')).toMatch(/within its rating/);
  expect(stopCaution('door', inside, 'open-up')).toBeNull();
  expect(stopCaution('radiator', inside, 'no-heat')).toMatch(/bleeding.*cold/);
  expect(stopCaution('wall', inside, 'other', 'cabin')).toMatch(/carbon monoxide alarm.*fumes/);
  expect(stopCaution('panel', inside)).toMatch(/licensed.*stay live/s);
  expect(stopCaution('flue', inside)).toMatch(/Never block a flue/);
});
