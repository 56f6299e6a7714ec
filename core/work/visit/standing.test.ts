import type { VisitDocument } from '../../model/document';
import { ID, visitDocument } from '../../testing/visit';
import { isHeated } from '../../model/heated';
import { settingsFor } from './settingsInForce';
import { sideOf, standingOf } from './standing';
import { takenAtOf } from './frames';
import { wallHistoryOf } from './wallHistoryOf';

const HOUR_MS = 3_600_000;
const LOG = '0192f0a0-0000-7000-8000-0000000000f1';

/** The frame stands in a loft. */
function inLoft(change: (document: VisitDocument) => void = () => undefined): VisitDocument {
  const document = visitDocument();
  document.rows.room[ID.room]!.value.kind = 'loft';
  change(document);
  return structuredClone(document);
}

function logged(
  document: VisitDocument,
  roomId: string | null,
  hours: number,
  of: (ago: number) => { insideC: number | null; outsideC: number | null },
) {
  const at = Date.parse(takenAtOf(document, ID.frame));
  const entries = Array.from({ length: hours + 1 }, (_, ago) => ({ at: at - ago * HOUR_MS, humidityPct: null, ...of(ago) }));
  document.rows.log = {
    [LOG]: { id: LOG, version: 1, value: { visitId: ID.visit, roomId, name: 'Logger', entries } },
  };
}

describe('where a frame stands', () => {
  test('lofts, cellars and garages have an air of their own, unless somebody says otherwise', () => {
    expect((['loft', 'cellar', 'garage', 'bedroom'] as const).map((kind) => isHeated({ kind, heated: null }))).toEqual([false, false, false, true]); // prettier-ignore
    expect(isHeated({ kind: 'loft', heated: true })).toBe(true);
    expect(isHeated({ kind: 'bedroom', heated: false })).toBe(false);
    expect(sideOf(visitDocument(), ID.frame)).toBe('inside');
    expect(sideOf(inLoft(), ID.frame)).toBe('loft');
    expect(
      sideOf(
        inLoft(({ rows }) => (rows.frame[ID.frame]!.value.side = 'outside')),
        ID.frame,
      ),
    ).toBe('outside');
  });

  test('in a room: the air inside and outside, and the drive between them', () => {
    expect(standingOf(visitDocument(), ID.frame)).toMatchObject({
      side: 'inside',
      hereC: 20,
      outerC: 2,
      driveK: 18,
      spaceC: null,
    });
  });

  test('in a loft: its own air, which nobody noted yet; the house’s air and mirror are not taken for it', () => {
    const document = inLoft();
    expect(standingOf(document, ID.frame)).toMatchObject({ insideC: 20, spaceC: null, hereC: null, driveK: null });
    expect(settingsFor(document, ID.frame).airC.origin).toBe('default');
  });

  test('in a loft whose air was read: by it', () => {
    const document = inLoft((one) => logged(one, ID.room, 1, () => ({ insideC: 5, outsideC: null })));
    expect(standingOf(document, ID.frame)).toMatchObject({ side: 'loft', spaceC: 5, hereC: 5, outerC: 5, driveK: 15 });
    const { airC, reflectedC } = settingsFor(document, ID.frame);
    expect([airC.value, reflectedC.value]).toEqual([5, 5]);
  });

  test('readings of another room say nothing here', () => {
    const document = visitDocument();
    logged(document, ID.surface, 1, () => ({ insideC: 11, outsideC: null }));
    expect(standingOf(structuredClone(document), ID.frame).insideC).toBe(20);
  });
});

describe('what a wall stood in', () => {
  const withConditions = (change: object) => {
    const document = visitDocument();
    Object.assign(document.rows.conditions[ID.conditions]!.value, change);
    return document;
  };

  test('is steady as far as somebody said', () => {
    const known = wallHistoryOf(withConditions({ heatingHours: 48, airHours: 48, sunHours: 60 }), ID.frame);
    expect(known.from).toBe('said');
    expect(known.history![0]).toEqual({ minutes: -48 * 60, insideC: 20, outsideC: 2, sunWm2: 0 });
    expect(known.history!.at(-1)!.minutes).toBe(0);
  });

  test('is what a logger read, and ends where nobody knows', () => {
    const document = withConditions({ heatingHours: 48, airHours: null, sunHours: 60 });
    logged(document, null, 30, (ago) => ({ insideC: null, outsideC: ago / 2 }));
    const known = wallHistoryOf(structuredClone(document), ID.frame);
    expect(known.from).toBe('readings');
    expect(known.history![0]!.minutes).toBeCloseTo(-30.5 * 60, 6);
    expect(known.history!.find(({ minutes }) => minutes === -600)).toMatchObject({ insideC: 20, outsideC: 5 });
  });

  test('is not known where it was not noted, and says what is missing', () => {
    const known = wallHistoryOf(withConditions({ heatingHours: null, airHours: null, sunHours: null }), ID.frame);
    expect(known.history).toBeNull();
    expect(known.missing.join('; ')).toMatch(/sun.*heating.*air outside/);
  });

  test('sun that nobody measured is not made up', () => {
    const sunny = withConditions({ heatingHours: 48, airHours: 48, sunHours: 5, cloudPct: 0 });
    sunny.rows.surface[ID.surface]!.value.azimuth = null;
    sunny.rows.surface[ID.surface]!.value.behind = 'outside';
    sunny.rows.frame[ID.frame]!.value.surfaceId = ID.surface;
    const known = wallHistoryOf(structuredClone(sunny), ID.frame);
    expect(known.history).toBeNull();
    expect(known.missing).toEqual(['how strong the sun was on it 5 h ago']);
  });
});
