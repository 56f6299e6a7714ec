import { ID, visitDocument } from '@core/testing/visit';
import { NOTHING_TYPED } from '@core/model/photoRow';
import { photoOf, photoPlace } from '@core/work/visit/photoOver';
import { photoUrl } from '@ui/visit/photoUrl';
import { momentsOf } from '@core/work/visit/frames';
import { stepsOf, stripItems } from './strip';

const photo = (id: string, change: object = {}) => ({
  id,
  version: 1,
  value: {
    frameId: ID.frame,
    name: id,
    role: 'view' as const,
    stopKey: null,
    discarded: false,
    evidence: false,
    typed: NOTHING_TYPED,
    alignment: null,
    quarters: 0,
    mirrored: false,
    ...change,
  },
});

describe('the film strip', () => {
  test('stands by room, frame after frame', () => {
    const items = stripItems(visitDocument());
    expect(items.map(({ kind }) => kind)).toEqual(['room', 'frame', 'frame']);
    expect(stepsOf(items)).toEqual([ID.other, ID.frame]);
  });

  test('a recording is one picture; a picked moment stands by itself as well', () => {
    const document = visitDocument();
    document.rows.sequence.s = { id: 's', version: 1, value: { visitId: ID.visit, name: 'Floor', intervalS: 5 } };
    for (const id of [ID.frame, ID.other]) Object.assign(document.rows.frame[id]!.value, { sequenceId: 's', picked: false });
    expect(stripItems(document).map(({ kind }) => kind)).toEqual(['room', 'sequence']);
    expect(momentsOf(document, 's').map(({ id }) => id)).toEqual([ID.other, ID.frame]);
    document.rows.frame[ID.frame]!.value.picked = true;
    expect(stripItems(structuredClone(document)).map(({ kind }) => kind)).toEqual(['room', 'sequence', 'frame']);
  });

  test('pictures without data come last, and photos are not among them', () => {
    const document = visitDocument();
    document.rows.photo = { a: photo('a'), b: photo('b', { evidence: true }) };
    const items = stripItems(document);
    expect(items.slice(-2).map(({ kind, key }) => [kind, key])).toEqual([
      ['room', 'evidence'],
      ['evidence', 'b'],
    ]);
    expect(stepsOf(items).at(-1)).toBe('b');
  });
});

describe('the photo of a frame', () => {
  const withPhotos = (...rows: ReturnType<typeof photo>[]) => {
    const document = visitDocument();
    document.rows.photo = Object.fromEntries(rows.map((row) => [row.id, row]));
    for (const { id } of rows) {
      document.photoFacts[id] = { takenAt: '2026-02-11T19:20:00.000Z', fileName: 'a.jpg', width: 1600, height: 1200 };
    }
    return document;
  };

  test('is the one of the whole view, and never one without data', () => {
    expect(photoOf(withPhotos(photo('a', { role: 'plate' }), photo('b')), ID.frame)?.id).toBe('b');
    expect(photoOf(withPhotos(photo('a', { evidence: true })), ID.frame)).toBeNull();
    expect(photoOf(visitDocument(), ID.frame)).toBeNull();
  });

  test('lies where its pair says, else where its camera says, else middle on middle', () => {
    const document = withPhotos(photo('a'));
    const row = document.rows.photo.a!;
    expect(photoPlace(document, ID.frame, row)).toMatchObject({ source: 'plain' });
    document.rows.camera[ID.camera]!.value.alignments = [{ distanceM: 2, alignment: [1, 0, 0.1, 0, 1, 0] }];
    expect(photoPlace(document, ID.frame, row)).toEqual({ source: 'camera', alignment: [1, 0, 0.1, 0, 1, 0] });
    row.value.alignment = [1, 0, 0.2, 0, 1, 0];
    expect(photoPlace(document, ID.frame, row)).toEqual({ source: 'pair', alignment: [1, 0, 0.2, 0, 1, 0] });
  });

  test('has another address after each turn', () => {
    const urls = [photo('a'), photo('a', { quarters: 1 }), photo('a', { quarters: 1, mirrored: true })].map(photoUrl);
    expect(new Set(urls).size).toBe(3);
  });
});
