import { NO_SETTINGS } from '@core/method/radiometry/settings';
import { ID, visitDocument, wallPixels } from '@core/testing/visit';
import { anchorFor, steadyScaleFor } from '@core/work/visit/colours';
import { meaningsFor } from '@core/work/visit/meanings';
import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import { comparisonFor, type FrameView } from '@core/work/visit/frameView';
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
    const stretched: View = { ...chosen, colours: 'frame', photo: 'over', corners: [[1, 2]] };
    expect(viewReducer(stretched, { kind: 'frame', regionId: 'b' })).toEqual({
      ...FIRST_VIEW,
      tool: 'box',
      selectedId: 'b',
      colours: 'frame',
      photo: 'over',
    });
  });

  test('steady or stretched: a scale that was being dragged is dropped', () => {
    expect(viewReducer(chosen, { kind: 'colours', colours: 'frame' })).toMatchObject({ colours: 'frame', draftScale: null });
  });

  test('the photo comes and goes, and the picture is fitted anew', () => {
    const shown = viewReducer(chosen, { kind: 'photo', photo: 'beside' });
    expect(shown).toMatchObject({ photo: 'beside', placement: null });
    expect(viewReducer(shown, { kind: 'photo', photo: 'off' }).photo).toBe('off');
  });

  test('matching shows both pictures side by side, and ends with the photo', () => {
    const matching = viewReducer(chosen, { kind: 'match', points: [] });
    expect(matching).toMatchObject({ matching: [], photo: 'beside', tool: 'select', placement: null });
    expect(viewReducer(matching, { kind: 'photo', photo: 'over' }).matching).toBeNull();
  });

  test('corners add up until another tool is taken; the mix stays between nothing and all', () => {
    const one = viewReducer(chosen, { kind: 'corner', at: [3, 4] });
    const two = viewReducer(one, { kind: 'corner', at: [9, 4] });
    expect(two.corners).toEqual([
      [3, 4],
      [9, 4],
    ]);
    expect(viewReducer(two, { kind: 'tool', tool: 'box' }).corners).toEqual([]);
    expect(viewReducer(chosen, { kind: 'mix', mix: 1.7 }).mix).toBe(1);
    expect(viewReducer(chosen, { kind: 'mix', mix: -2 }).mix).toBe(0);
  });

  test.each([
    [{ kind: 'against', regionId: 'x' }, { againstId: 'x' }],
    [{ kind: 'chart', chart: 'profile' }, { chart: 'profile' }],
    [{ kind: 'select', regionId: null }, { selectedId: null }],
    [{ kind: 'placement', placement: null }, { placement: null }],
    [{ kind: 'draft', scale: null }, { draftScale: null }],
    [{ kind: 'cursor', cursor: { x: 9, y: 9 } }, { cursor: { x: 9, y: 9 } }],
  ] as const)('%p changes nothing else', (action, change) => {
    expect(viewReducer(chosen, action)).toEqual({ ...chosen, ...change });
  });
});

describe('this against the reference', () => {
  function benchFrame(document = visitDocument()): FrameView {
    const anchor = anchorFor(document, ID.frame, () => wallPixels())!;
    const steady = steadyScaleFor(document, ID.frame, anchor);
    return {
      id: ID.frame,
      facts: document.frameFacts[ID.frame]!,
      row: document.rows.frame[ID.frame]!,
      values: wallPixels(),
      line: IDENTITY_LINE,
      anchor,
      steady,
      own: steady,
      against: steady,
      ownRange: null,
      metric: null,
      leftOut: [],
      leftOutMask: null,
      meanings: meaningsFor(document, ID.frame),
      regions: [ID.sound, ID.suspect].map((id) => ({
        row: document.rows.region[id]!,
        reading: null,
        problem: null,
        cautions: [],
        spans: undefined,
        size: null,
      })),
      referenceId: ID.sound,
    };
  }

  test('is there for a chosen region that is not the reference itself', () => {
    expect(comparisonFor(visitDocument(), benchFrame(), ID.suspect, null, wallPixels)!.difference.value).toBeLessThan(-5);
    expect(comparisonFor(visitDocument(), benchFrame(), ID.sound, null, wallPixels)).toBeNull();
    expect(comparisonFor(visitDocument(), benchFrame(), null, null, wallPixels)).toBeNull();
    expect(comparisonFor(visitDocument(), { ...benchFrame(), referenceId: null }, ID.suspect, null, wallPixels)).toBeNull();
  });

  test('is not there when the settings leave nothing to read', () => {
    const document = visitDocument();
    const own = { ...NO_SETTINGS, level: 'region' as const, ownerId: ID.suspect, emissivity: 0.05, reflectedC: 60 };
    document.rows.settings.own = { id: 'own', version: 1, value: own };
    expect(comparisonFor(document, benchFrame(document), ID.suspect, null, wallPixels)).toBeNull();
  });

  test('another region of the frame, or of another frame, can be chosen instead', () => {
    const document = visitDocument();
    const far = { ...document.rows.region[ID.sound]!, id: 'far' };
    document.rows.region.far = { ...far, value: { ...far.value, frameId: ID.other, name: 'far wall' } };
    const across = comparisonFor(document, benchFrame(document), ID.suspect, 'far', wallPixels)!;
    const within = comparisonFor(document, benchFrame(document), ID.suspect, null, wallPixels)!;
    expect(across.acrossFrames).toBe(true);
    expect(within.acrossFrames).toBe(false);
    expect(across.difference.uncertainty.total).toBeGreaterThan(within.difference.uncertainty.total);
    // The other frame is still on its way.
    const loaded = (id: string) => (id === ID.frame ? wallPixels() : undefined);
    expect(comparisonFor(document, benchFrame(document), ID.suspect, 'far', loaded)).toBeNull();
  });
});
