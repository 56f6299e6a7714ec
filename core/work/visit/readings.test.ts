import type { CoreError } from '../../ground/errors';
import { NO_SETTINGS } from '../../method/radiometry/settings';
import { errorOf } from '../../testing/material';
import type { VisitDocument } from '../../model/document';
import { NOTHING_TYPED } from '../../model/photoRow';
import type { SettingsValue } from '../../model/settingsRow';
import { FRAME_HEIGHT, FRAME_WIDTH, ID, visitDocument, wallPixels } from '../../testing/visit';
import { againstScaleFor, anchorFor, shadeFor, steadyScaleFor } from './colours';
import { framesOf, orderedFrames, photosOf, takenAtOf } from './frames';
import { meaningsFor } from './meanings';
import { probeReading } from './probes';
import { compareRegions, leftOutOf, pixelsOf, readingOf, regionsOf } from './readings';
import { cameraErrorsFor, settingsFor, uncertainSettingsFor } from './settingsInForce';
import { metricFor } from './sizes';
import { roomsOf } from './theVisit';

const pixels = wallPixels();
const loaded = () => pixels;

function withSettings(
  document: VisitDocument,
  ownerId: string,
  level: SettingsValue['level'],
  change: Partial<SettingsValue>,
): VisitDocument {
  const row = { id: `s-${ownerId}`, version: 1, value: { ...NO_SETTINGS, ...change, level, ownerId } };
  return { ...document, rows: { ...document.rows, settings: { ...document.rows.settings, [row.id]: row } } };
}

describe('what follows from a visit', () => {
  const document = visitDocument();

  test('frames go by room and time, regions by their order', () => {
    expect(orderedFrames(document).map((row) => row.id)).toEqual([ID.other, ID.frame]);
    expect(regionsOf(document, ID.frame).map((row) => row.id)).toEqual([ID.sound, ID.suspect]);
    expect(regionsOf(document, ID.other)).toEqual([]);
  });

  test('frames without a place come last', () => {
    const moved = visitDocument();
    moved.rows.frame[ID.other]!.value.roomId = null;
    expect(orderedFrames(moved).map((row) => row.id)).toEqual([ID.frame, ID.other]);
  });

  test('settings come from visit, frame, region and conditions', () => {
    expect(settingsFor(document, ID.frame)).toMatchObject({
      emissivity: { value: 0.95, origin: 'visit' },
      airC: { value: 20, origin: 'conditions' },
    });
    const own = withSettings(document, ID.suspect, 'region', { emissivity: 0.6 });
    expect(settingsFor(own, ID.frame, ID.suspect).emissivity).toMatchObject({ value: 0.6, origin: 'region' });
    expect(settingsFor(own, ID.frame, ID.sound).emissivity.origin).toBe('visit');
  });

  test('a surface stands between visit and frame, and only for its own frames', () => {
    const walled = visitDocument();
    walled.rows.frame[ID.frame]!.value.surfaceId = ID.surface;
    const own = withSettings(walled, ID.surface, 'surface', { emissivity: 0.93 });
    expect(settingsFor(own, ID.frame).emissivity).toMatchObject({ value: 0.93, origin: 'surface' });
    expect(settingsFor(own, ID.frame).reflectedC.origin).toBe('visit');
    expect(settingsFor(own, ID.other).emissivity.origin).toBe('visit');
    const framed = withSettings(own, ID.frame, 'frame', { emissivity: 0.9 });
    expect(settingsFor(framed, ID.frame).emissivity).toMatchObject({ value: 0.9, origin: 'frame' });
  });

  test('a frame takes the air of its own time from the log, as far as it is known', () => {
    const logged = visitDocument();
    const at = (clock: string) => Date.parse(`2026-02-11T${clock}:00Z`);
    const entries = [
      { at: at('19:10'), insideC: 21, outsideC: null, humidityPct: 40 },
      { at: at('19:30'), insideC: 22, outsideC: null, humidityPct: null },
    ];
    logged.rows.log.a = { id: 'a', version: 1, value: { visitId: ID.visit, roomId: null, name: 'By hand', entries } };
    expect(settingsFor(logged, ID.frame)).toMatchObject({ airC: { value: 21.5 }, humidityPct: { value: 40 } });
    expect(settingsFor(logged, ID.other).airC).toEqual({ value: 21.25, origin: 'conditions' });
    logged.rows.frame[ID.frame]!.value.side = 'outside';
    expect(settingsFor(logged, ID.frame).airC.value).toBe(2);
  });

  test('what was taken back is nowhere', () => {
    const thinner = visitDocument();
    thinner.rows.frame[ID.other]!.value.discarded = true;
    expect(orderedFrames(thinner).map((row) => row.id)).toEqual([ID.frame]);
    expect(framesOf(thinner)).toHaveLength(1);
    const photo = {
      frameId: null,
      name: 'Plate',
      role: 'plate' as const,
      stopKey: null,
      discarded: false,
      evidence: false,
      typed: NOTHING_TYPED,
      alignment: null,
      quarters: 0,
      mirrored: false,
    };
    const row = { id: 'p', version: 1, value: photo };
    thinner.rows.photo.p = row;
    expect(photosOf(thinner)).toHaveLength(1);
    row.value.discarded = true;
    expect(photosOf(structuredClone(thinner))).toEqual([]);
  });

  test('rooms go by their order, whatever order they came in', () => {
    const more = visitDocument();
    const { value } = more.rows.room[ID.room]!;
    more.rows.room.z = { id: 'z', version: 1, value: { ...value, name: 'Hall', ordinal: -0 } };
    more.rows.room.y = { id: 'y', version: 1, value: { ...value, name: 'Porch', ordinal: 5 } };
    expect(roomsOf(more).map((row) => row.value.name)).toEqual(['Front room', 'Hall', 'Porch']);
  });

  test('outside, the air is the outside air and the humidity is not the one of the rooms', () => {
    const outside = visitDocument();
    outside.rows.frame[ID.frame]!.value.side = 'outside';
    expect(settingsFor(outside, ID.frame)).toMatchObject({ airC: { value: 2 }, humidityPct: { value: null } });
    expect(meaningsFor(outside, ID.frame).map((meaning) => meaning.name)).toEqual(['air']);
  });

  test('the camera says what its readings are worth', () => {
    expect(cameraErrorsFor(document, ID.frame)).toMatchObject({ calibration: 1.5, uniformity: 0.05, gain: 0.01, blur: 0 });
    const unknown = visitDocument();
    unknown.frameFacts[ID.frame]!.cameraId = null;
    expect(cameraErrorsFor(unknown, ID.frame)).toMatchObject({ calibration: 1, blur: 0.7 });
  });

  test('this against that', () => {
    const { difference } = compareRegions(document, ID.suspect, ID.sound, pixels);
    expect(difference.value).toBeCloseTo(-5.3, 1);
    expect(difference.significant).toBe(true);
    expect(difference.uncertainty.total).toBeLessThan(0.2);
  });

  test('a region with an emissivity of its own shares it with nobody: the ± grows', () => {
    const onSurface = structuredClone(document);
    onSurface.rows.frame[ID.frame]!.value.surfaceId = ID.surface;
    const own = withSettings(onSurface, ID.suspect, 'region', { emissivity: 0.95 });
    const common = compareRegions(onSurface, ID.suspect, ID.sound, pixels).difference.uncertainty;
    const apart = compareRegions(own, ID.suspect, ID.sound, pixels).difference.uncertainty;
    expect(apart.emissivity).toBeGreaterThan(common.emissivity);
  });

  test('a region that is gone cannot be read', () => {
    expect((errorOf(() => readingOf(document, 'nobody', pixels)) as CoreError).code).toBe('not_found');
  });
});

describe('the anchor of steady colours', () => {
  test("is the frame's own reference", () => {
    const document = visitDocument();
    const anchor = anchorFor(document, ID.frame, loaded)!;
    expect(anchor).toMatchObject({ source: 'frame', name: 'sound wall', regionId: ID.sound });
    expect(anchor.celsius).toBeCloseTo(17.9, 1);
    expect(steadyScaleFor(document, ID.frame, anchor)).toEqual({
      low: anchor.celsius - 6,
      high: anchor.celsius + 5,
      map: 'hearth',
      shade: null,
    });
  });

  test("else the visit's, and it says so", () => {
    expect(anchorFor(visitDocument(), ID.other, loaded)).toMatchObject({ source: 'visit', name: 'sound wall' });
  });

  test('else the mean of the frame', () => {
    const document = visitDocument();
    document.rows.visit[ID.visit]!.value.referenceInsideId = null;
    expect(anchorFor(document, ID.other, loaded)).toEqual({ celsius: 17.6, source: 'mean', name: null, regionId: null });
  });

  test('waits for pixels, and passes over a reference that cannot be read', () => {
    expect(anchorFor(visitDocument(), ID.frame, () => undefined)).toBeNull();
    const impossible = withSettings(visitDocument(), ID.sound, 'region', { emissivity: 0.05, reflectedC: 60 });
    expect(anchorFor(impossible, ID.frame, () => new Float32Array(FRAME_WIDTH * FRAME_HEIGHT).fill(5))).toMatchObject({
      source: 'mean',
    });
  });
});

test('air, dew point and what is 80 % humid are named in °C', () => {
  const meanings = meaningsFor(visitDocument(), ID.frame);
  expect(meanings.map(({ name, celsius }) => [name, Math.round(celsius * 10) / 10])).toEqual([
    ['air', 20],
    ['dew point', 9.3],
    ['80 % humid', 12.6],
  ]);
});

describe('what the bench needs beyond readings', () => {
  const values = () => wallPixels();

  test('the true time of a frame follows from its camera’s clock, for all its frames at once', () => {
    const document = visitDocument();
    expect(takenAtOf(document, ID.frame)).toBe('2026-02-11T19:20:00.000Z');
    document.rows.camera[ID.camera]!.value.clockAheadS = 1800;
    expect(takenAtOf(document, ID.frame)).toBe('2026-02-11T18:50:00.000Z');
    expect(orderedFrames(document).map(({ id }) => id)).toEqual([ID.other, ID.frame]);
  });

  test('an experiment’s own uncertainty takes the place of the usual one', () => {
    const document = visitDocument();
    const usual = readingOf(document, ID.suspect, values()).uncertainty;
    const row = document.rows.settings[ID.settings]!;
    row.value = { ...row.value, emissivityU: 0.04, emissivityFrom: 'tape', reflectedU: 0.2, reflectedFrom: 'foil' };
    const found = readingOf(document, ID.suspect, values()).uncertainty;
    expect(found.emissivity / usual.emissivity).toBeCloseTo(2, 1);
    expect(found.reflected / usual.reflected).toBeCloseTo(0.2, 2);
  });

  test('values that a camera computed are undone first, whenever somebody says so', () => {
    const document = visitDocument();
    const plain = readingOf(document, ID.suspect, values()).statistics.mean;
    const settings = { emissivity: 0.95, reflected: 20, air: 20, transmittance: 1 };
    document.rows.frame[ID.frame]!.value.basis = { kind: 'computed', settings };
    // Computed with the very settings that are in force: nothing is left to correct.
    expect(readingOf(document, ID.suspect, values()).statistics.mean).toBeCloseTo(13, 3);
    expect(plain).toBeLessThan(12.9);
  });

  test('the shade follows what it is reckoned from, and is none where that is not known', () => {
    const document = visitDocument();
    const anchor = anchorFor(document, ID.frame, values)!;
    const { span } = document.rows.visit[ID.visit]!.value;
    const shadeOf = (from: 'reference' | '80 % humid' | 'zero', offsetK: number) => {
      span.shade = { side: 'colder', from, offsetK };
      return shadeFor(document, ID.frame, anchor);
    };
    expect(shadeOf('reference', -3)).toEqual({ side: 'colder', celsius: anchor.celsius - 3 });
    expect(shadeOf('zero', 5)).toEqual({ side: 'colder', celsius: 5 });
    const mould = meaningsFor(document, ID.frame).find(({ name }) => name === '80 % humid')!.celsius;
    expect(shadeOf('80 % humid', 0)!.celsius).toBe(mould);
    document.rows.conditions[ID.conditions]!.value.humidityPct = null;
    expect(shadeOf('80 % humid', 0)).toBeNull();
    span.shade = null;
    expect(shadeFor(document, ID.frame, anchor)).toBeNull();
  });

  test('colours against the reference part there; fixed ones do not follow it', () => {
    const document = visitDocument();
    const anchor = anchorFor(document, ID.frame, values)!;
    expect(againstScaleFor(document, ID.frame, anchor)).toMatchObject({
      low: anchor.celsius - 6,
      high: anchor.celsius + 6,
      map: 'balance',
    });
    document.rows.visit[ID.visit]!.value.span.fixed = { lowC: 10, highC: 25 };
    expect(steadyScaleFor(document, ID.frame, anchor)).toMatchObject({ low: 10, high: 25 });
  });

  test('sizes come from distance and camera, or from what was marked; nonsense gives none', () => {
    const document = visitDocument();
    expect(metricFor(document, ID.frame)).toBeNull();
    const row = document.rows.settings[ID.settings]!;
    row.value = { ...row.value, distanceM: 2 };
    // A cut of its camera's picture has no size by distance; the whole picture has.
    expect(metricFor(document, ID.frame)).toBeNull();
    const { width, height } = document.frameFacts[ID.frame]!;
    Object.assign(document.rows.camera[ID.camera]!.value, { columns: width, rows: height });
    expect(metricFor(document, ID.frame)).toMatchObject({ kind: 'distance' });
    const frame = document.rows.frame[ID.frame]!.value;
    frame.measure = { kind: 'length', from: [0, 0], to: [10, 0], metres: 1 };
    expect(metricFor(document, ID.frame)).toMatchObject({ kind: 'length', metresPerPixel: 0.1 });
    frame.measure = { kind: 'length', from: [0, 0], to: [0, 0], metres: 1 };
    expect(metricFor(document, ID.frame)).toBeNull();
  });

  test('a probe value has its instrument’s offset and both uncertainties', () => {
    const document = visitDocument();
    const probe = { frameId: ID.frame, name: 'p', x: 1, y: 1, celsius: 18, uncertaintyK: 0.3, instrumentId: 'i' };
    expect(probeReading(document, probe)).toEqual({ celsius: 18, uncertainty: 0.3 });
    const value = { name: 'Contact', kind: 'contact' as const, offset: -0.5, uncertainty: 0.4, settleS: 30, archived: false };
    document.rows.instrument.i = { id: 'i', version: 1, value };
    expect(probeReading(document, probe)).toEqual({ celsius: 17.5, uncertainty: 0.5 });
  });

  test('what is left out of a frame does not count for what lies beyond a mark', () => {
    const document = visitDocument();
    const region = (id: string, value: object) => {
      const base = document.rows.region[ID.sound]!;
      const made = { ...base, id, value: { ...base.value, name: id, ...value } };
      document.rows.region = { ...document.rows.region, [id]: made };
    };
    region('cold', { shape: { kind: 'beyond', side: 'colder', markC: 15 } });
    expect(readingOf(document, 'cold', values()).statistics.count).toBe(100);
    expect(pixelsOf(document, 'cold', values())).toHaveLength(10);
    region('out', { shape: { kind: 'box', x: 20, y: 10, width: 10, height: 4 }, role: 'leftOut' });
    expect(leftOutOf(document, ID.frame)).toHaveLength(1);
    expect(readingOf(document, 'cold', values()).statistics.count).toBe(60);
  });
});

describe('a difference across two frames', () => {
  const across = (change: (document: VisitDocument) => void = () => undefined) => {
    const document = visitDocument();
    const sound = document.rows.region[ID.sound]!;
    document.rows.region.far = { ...sound, id: 'far', value: { ...sound.value, frameId: ID.other, name: 'far' } };
    change(document);
    return compareRegions(document, ID.suspect, 'far', wallPixels(), wallPixels());
  };

  test('holds the camera’s repeatability, once for each frame', () => {
    const { difference, acrossFrames } = across();
    expect(acrossFrames).toBe(true);
    expect(difference.uncertainty.repeatability).toBeGreaterThan(0.2);
    const steady = across((document) => (document.rows.camera[ID.camera]!.value.repeatabilityK = 0));
    expect(steady.difference.uncertainty.repeatability).toBe(0);
    expect(steady.difference.uncertainty.total).toBeLessThan(difference.uncertainty.total);
  });

  test('of two cameras, or of one that nobody knows, calibration does not cancel', () => {
    const one = across().difference.uncertainty;
    const two = across((document) => (document.frameFacts[ID.other]!.cameraId = null)).difference.uncertainty;
    expect(two.calibration).toBeGreaterThan(10 * one.calibration);
  });

  test('one surface has one emissivity, two that took the same value have each their own; so has what is said to be one material', () => {
    const apart = across().difference.uncertainty.emissivity;
    const onOne = across((document) => {
      for (const id of [ID.frame, ID.other]) document.rows.frame[id]!.value.surfaceId = ID.surface;
    }).difference.uncertainty.emissivity;
    const ofOneMaterial = across((document) => {
      for (const id of [ID.suspect, 'far']) {
        const value = { ...NO_SETTINGS, level: 'region' as const, ownerId: id, material: 'brick' };
        document.rows.settings = { ...document.rows.settings, [id]: { id, version: 1, value } };
      }
    }).difference.uncertainty.emissivity;
    expect(onOne).toBeLessThan(apart);
    expect(ofOneMaterial).toBeCloseTo(onOne, 9);
  });

  test('one room mirrors one thing, a wall outside its own part of the sky', () => {
    const of = (change: (document: VisitDocument) => void) => across(change).difference.uncertainty.reflected;
    const oneRoom = of((document) => {
      for (const id of [ID.frame, ID.other]) document.rows.frame[id]!.value.roomId = ID.room;
    });
    const twoRooms = of((document) => {
      document.rows.frame[ID.frame]!.value.roomId = ID.room;
      document.rows.frame[ID.other]!.value.roomId = ID.event;
    });
    const outside = of((document) => {
      for (const id of [ID.frame, ID.other]) document.rows.frame[id]!.value.side = 'outside';
    });
    expect(oneRoom).toBeLessThan(twoRooms);
    expect(oneRoom).toBeLessThan(outside);
  });

  test('foil that told what a frame mirrors tells it of this frame only', () => {
    const told = across((document) => {
      for (const [i, id] of [ID.frame, ID.other].entries()) {
        const value = { ...NO_SETTINGS, level: 'frame' as const, ownerId: id, emissivity: 0.95, reflectedC: 20 };
        document.rows.settings[`s${i}`] = { id: `s${i}`, version: 1, value };
      }
    }).difference.uncertainty;
    expect(told.reflected).toBeGreaterThan(across().difference.uncertainty.reflected);
  });

  test('outdoors nobody said what a wall mirrors: ground and sky, and unsurely', () => {
    const document = visitDocument();
    document.rows.settings = {};
    document.rows.frame[ID.frame]!.value.side = 'outside';
    const { reflectedC } = settingsFor(document, ID.frame);
    expect(reflectedC).toMatchObject({ origin: 'sky', u: 5 });
    expect(reflectedC.value).toBeLessThan(settingsFor(document, ID.frame).airC.value - 3);
    expect(uncertainSettingsFor(document, ID.frame).reflected.at({})).toBe(reflectedC.value);
  });
});
