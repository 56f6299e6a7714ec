import { handoutFromText } from './handout';
import { VISIT_KINDS } from '../model/visitKinds';
import { householderLetter, type LetterFacts } from './householderLetter';

const facts: LetterFacts = {
  siteName: 'Old Kiln Row · No. 2',
  kind: 'heat-loss',
  slot: { from: Date.UTC(2027, 1, 11, 20), to: Date.UTC(2027, 1, 11, 23) },
  timeZone: 'Europe/London',
  inside: '20 °C',
  season: 'heated',
  people: 'one cat that slips out',
  outdoors: true,
  weather: null,
  practice: false,
  ownHome: false,
};

describe('the letter to the householder', () => {
  test('counts back from the slot, by the clock at the site', () => {
    const letter = householderLetter(facts);
    expect(letter).toContain('Thursday 11 February, 20:00 to 23:00');
    expect(letter).toContain('Heating on and steady at about 20 °C from Thursday 11 February, 08:00');
    expect(letter).toContain('No fire in stove or fireplace from Wednesday 10 February, 20:00');
    expect(letter).toContain('one cat that slips out');
    expect(letter).toContain('carbon monoxide');
  });

  test.each(VISIT_KINDS)(
    'to those who survey their own home, %s: nobody comes, nobody is told, and every caution stays',
    (kind) => {
      const own = householderLetter({ ...facts, kind, ownHome: true });
      expect(own).toMatch(/^Before you survey Old Kiln Row/);
      expect(own).toContain('You look Thursday 11 February, 20:00 to 23:00');
      expect(own).not.toMatch(/\b(we|us|our)\b/i);
      expect(own).toContain('Mind: one cat that slips out.');
      expect(own).toContain('Do not open electrical covers, flues or gas appliances');
      expect(handoutFromText(own, '', 'letter').title).toBe('Before you survey Old Kiln Row · No. 2');
      expect(householderLetter({ ...facts, kind, ownHome: true, slot: null })).toContain(
        'You look on a good evening of the week',
      );
    },
  );

  test('names the weather that its hour was chosen by, and that it is practice', () => {
    expect(householderLetter(facts)).not.toContain('chosen by');
    const letter = householderLetter({ ...facts, weather: 'the weather file winter.csv, 10 Feb to 17 Feb', practice: true });
    expect(letter).toContain('The hour was chosen by the weather file winter.csv, 10 Feb to 17 Feb.');
    expect(letter).toContain('Practice: a made-up house');
    expect(householderLetter({ ...facts, slot: null, weather: 'any' })).not.toContain('chosen by');
    expect(householderLetter({ ...facts, ownHome: true, practice: true })).toContain('Practice: a made-up house');
  });

  test('counts over a change of the clock as clocks do', () => {
    const from = Date.UTC(2027, 2, 28, 7);
    expect(householderLetter({ ...facts, slot: { from, to: from + 3_600_000 } })).toContain('from Saturday 27 March, 19:00');
  });

  test('nobody has to get up at night for it', () => {
    const from = Date.UTC(2027, 1, 11, 7);
    const letter = householderLetter({ ...facts, slot: { from, to: from + 3 * 3_600_000 } });
    expect(letter).toContain('Curtains and blinds open from Wednesday 10 February, 21:00');
    expect(letter).toContain('Heating on and steady at about 20 °C from Wednesday 10 February, 19:00');
  });

  test('without a slot it speaks of hours before the visit', () => {
    expect(householderLetter({ ...facts, slot: null })).toContain('from 12 hours before the visit');
  });

  test('a cooled house is kept cool, a heating engineer finds it cold, a look at the sun finds the sun', () => {
    expect(householderLetter({ ...facts, season: 'cooled' })).toContain('Cooling on');
    expect(householderLetter({ ...facts, kind: 'no-heat' })).toContain('watch it warm up from cold');
    expect(householderLetter({ ...facts, kind: 'solar-gain' })).not.toContain('Heating on');
    expect(householderLetter({ ...facts, outdoors: false })).not.toContain('outside walls clear');
  });

  test.each(VISIT_KINDS)('%s: says when, what and what to mind, and never asks anybody to climb', (kind) => {
    const handout = handoutFromText(householderLetter({ ...facts, kind }), '', 'x');
    expect(handout.title).toBe('Before the thermal survey of Old Kiln Row · No. 2');
    expect(handout.blocks.filter((block) => block.kind === 'heading').map(({ text }) => text)).toEqual([
      'Please do:',
      'Please mind:',
    ]);
    const points = handout.blocks.flatMap((block) => (block.kind === 'points' ? block.points : []));
    expect(points.length).toBeGreaterThanOrEqual(6);
    expect(points).toContainEqual(expect.stringMatching(/do not climb/));
    expect(points).toContainEqual(expect.stringMatching(/frail people/));
  });
});
