import { NO_SETTINGS } from '@core/radiometry/settings';
import { ID, visitDocument, wallPixels } from '@core/testing/visit';
import { anchorFor, meaningsFor, steadyScaleFor } from '@core/visit/derive';
import { IDENTITY_LINE, radianceLine } from '@core/radiometry/measurement';
import { APPARENT } from '@core/frame/frame';
import { comparisonFor, ownRange, type BenchFrame } from './useBenchFrame';
import { FIRST_VIEW, viewReducer, type View } from './view';

const chosen: View = {
  ...FIRST_VIEW,
  tool: 'box',
  selectedId: 'a',
  placement: { x: 1, y: 2, zoom: 3 },
  draftScale: { low: 1, high: 2, map: 'hearth' },
  cursor: { x: 4, y: 5 },
};

describe('how the bench is looked at', () => {
  test('another tool begins without a cursor and keeps the rest', () => {
    expect(viewReducer(chosen, { kind: 'tool', tool: 'spot' })).toEqual({ ...chosen, tool: 'spot', cursor: null });
  });

  test('another frame takes along what belongs to the work, not what belongs to the old frame', () => {
    const stretched: View = { ...chosen, colours: 'frame', photoShown: true };
    expect(viewReducer(stretched, { kind: 'frame' })).toEqual({
      ...FIRST_VIEW,
      tool: 'box',
      colours: 'frame',
      photoShown: true,
    });
  });

  test('steady or stretched: a scale that was being dragged is dropped', () => {
    expect(viewReducer(chosen, { kind: 'colours', colours: 'frame' })).toMatchObject({ colours: 'frame', draftScale: null });
  });

  test('the photo comes and goes, and the picture is fitted anew', () => {
    const shown = viewReducer(chosen, { kind: 'photo' });
    expect(shown).toMatchObject({ photoShown: true, placement: null });
    expect(viewReducer(shown, { kind: 'photo' }).photoShown).toBe(false);
  });

  test.each([
    [{ kind: 'select', regionId: null }, { selectedId: null }],
    [{ kind: 'placement', placement: null }, { placement: null }],
    [{ kind: 'draft', scale: null }, { draftScale: null }],
    [{ kind: 'cursor', cursor: { x: 9, y: 9 } }, { cursor: { x: 9, y: 9 } }],
  ] as const)('%p changes nothing else', (action, change) => {
    expect(viewReducer(chosen, action)).toEqual({ ...chosen, ...change });
  });
});

describe("a frame's own range", () => {
  const ramp = Float32Array.from({ length: 10_000 }, (_, i) => 10 + i / 1000);

  test('leaves a few pixels out at each end', () => {
    const { low, high } = ownRange(ramp, IDENTITY_LINE);
    expect(low).toBeGreaterThan(10);
    expect(low).toBeLessThan(10.2);
    expect(high).toBeLessThan(20);
    expect(high).toBeGreaterThan(19.8);
  });

  test('is not pulled apart by one hot pixel', () => {
    const hot = ramp.slice();
    hot[5000] = 300;
    expect(ownRange(hot, IDENTITY_LINE).high).toBeLessThan(25);
  });

  test('follows the settings', () => {
    const line = radianceLine(APPARENT, { emissivity: 0.8, reflected: 25, air: 20, transmittance: 1 });
    expect(ownRange(ramp, line).low).toBeLessThan(ownRange(ramp, IDENTITY_LINE).low);
  });

  test('exists even for a frame of one temperature, or of none', () => {
    const flat = ownRange(new Float32Array(100).fill(18), IDENTITY_LINE);
    expect(flat.high).toBeGreaterThan(flat.low);
    expect(ownRange(new Float32Array(4).fill(NaN), IDENTITY_LINE).high).toBeGreaterThan(0);
  });
});

describe('this against the reference', () => {
  function benchFrame(document = visitDocument()): BenchFrame {
    const anchor = anchorFor(document, ID.frame, () => wallPixels())!;
    const steady = steadyScaleFor(document, anchor);
    return {
      id: ID.frame,
      facts: document.frameFacts[ID.frame]!,
      row: document.rows.frame[ID.frame]!,
      values: wallPixels(),
      line: IDENTITY_LINE,
      anchor,
      steady,
      own: steady,
      meanings: meaningsFor(document, ID.frame),
      regions: [],
      referenceId: ID.sound,
    };
  }

  test('is there for a chosen region that is not the reference itself', () => {
    expect(comparisonFor(visitDocument(), benchFrame(), ID.suspect)!.difference.value).toBeLessThan(-5);
    expect(comparisonFor(visitDocument(), benchFrame(), ID.sound)).toBeNull();
    expect(comparisonFor(visitDocument(), benchFrame(), null)).toBeNull();
    expect(comparisonFor(visitDocument(), { ...benchFrame(), referenceId: null }, ID.suspect)).toBeNull();
  });

  test('is not there when the settings leave nothing to read', () => {
    const document = visitDocument();
    const own = { ...NO_SETTINGS, level: 'region' as const, ownerId: ID.suspect, emissivity: 0.05, reflectedC: 60 };
    document.rows.settings.own = { id: 'own', version: 1, value: own };
    expect(comparisonFor(document, benchFrame(document), ID.suspect)).toBeNull();
  });
});
