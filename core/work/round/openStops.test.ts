import type { EarlierStop } from '../../model/document';
import { visitDocument } from '../../testing/visit';
import { firstStop, openStops } from './openStops';
import { roundOf, type Round } from './round';

const round = roundOf(visitDocument());
const [first, second, third] = round.stops;
const left = (open: string[]): EarlierStop => ({ visitId: 'v', startedAt: 0, answer: null, note: '', open, frame: null });
const answered = (...keys: string[]): Round => ({
  ...round,
  outcomes: new Map(round.stops.map(({ key }) => [key, keys.includes(key) ? 'seen' : null])),
});

describe('a re-visit', () => {
  test('begins where something was left open', () => {
    const earlier = { [third!.key]: left(['Empty bay']) };
    expect(openStops(answered(), earlier)).toEqual([{ stop: third, titles: ['Empty bay'], done: false }]);
    expect(firstStop(answered(), earlier)).toBe(third);
  });

  test('goes on with the walk when that is answered', () => {
    const earlier = { [third!.key]: left(['Empty bay']) };
    expect(openStops(answered(third!.key), earlier)[0]!.done).toBe(true);
    expect(firstStop(answered(third!.key), earlier)).toBe(first);
    expect(firstStop(answered(third!.key, first!.key), earlier)).toBe(second);
  });

  test('of a house where nothing was left open is a walk like any other', () => {
    expect(openStops(round, { [first!.key]: left([]) })).toEqual([]);
    expect(firstStop(answered(...round.stops.map(({ key }) => key)), {})).toBe(first);
    expect(firstStop({ ...round, stops: [] }, {})).toBeNull();
  });
});
