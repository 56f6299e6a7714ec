import { ID, visitDocument } from '../../testing/visit';
import { anchorFor } from './colours';
import { comparisonFor, frameView, freshRange, ownColours } from './frameView';

const { width, height } = visitDocument().frameFacts[ID.frame]!;
/** A wall of 18 °C with a lamp of 60 °C in one corner. */
const values = Float32Array.from({ length: width * height }, (_, i) =>
  i % width < width / 4 && i < (width * height) / 4 ? 60 : 18 + ((i * 7919) % 100) / 100,
);
const pixels = () => values;

function view(change: (document: ReturnType<typeof visitDocument>) => void = () => undefined) {
  const document = visitDocument();
  change(document);
  return { document, frame: frameView(document, ID.frame, values, anchorFor(document, ID.frame, pixels)!) };
}

const leaveOut = (document: ReturnType<typeof visitDocument>) => {
  const base = document.rows.region[ID.sound]!;
  const shape = { kind: 'box' as const, x: 0, y: 0, width: Math.ceil(width / 4), height: Math.ceil(height / 4) + 1 };
  document.rows.region = {
    ...document.rows.region,
    out: { ...base, id: 'out', value: { ...base.value, name: 'lamp', role: 'leftOut', shape } },
  };
};

test('colours of the frame alone leave out what was left out by hand, everywhere alike', () => {
  const { document, frame } = view(leaveOut);
  expect(frame.own.high).toBeLessThan(22);
  expect(frame.leftOutMask!.reduce((sum, one) => sum + one, 0)).toBeGreaterThan(0);
  const exported = ownColours(document, ID.frame, values, frame.anchor);
  expect(exported.scale).toEqual(frame.own);
  expect(exported.fresh).toEqual(freshRange(document, ID.frame, values));
});

test('ends that somebody set hold, and nothing is said of what they leave out', () => {
  const { frame } = view((document) => {
    document.rows.frame[ID.frame]!.value.ownScale = { low: 5, high: 70 };
  });
  expect([frame.own.low, frame.own.high, frame.ownRange]).toEqual([5, 70, null]);
});

test('a shade of the visit lies on all three scales', () => {
  const { frame } = view((document) => {
    const { span } = document.rows.visit[ID.visit]!.value;
    document.rows.visit[ID.visit]!.value.span = { ...span, shade: { side: 'colder', from: 'zero', offsetK: 12 } };
  });
  const shade = { side: 'colder', celsius: 12 };
  expect([frame.own.shade, frame.steady.shade, frame.against.shade]).toEqual([shade, shade, shade]);
});

test('a region that cannot be read is shown with its reason; lengths and parts left out are no readings', () => {
  const { frame } = view((document) => {
    const base = document.rows.region[ID.sound]!;
    const add = (id: string, value: object) => {
      document.rows.region = { ...document.rows.region, [id]: { ...base, id, value: { ...base.value, name: id, ...value } } };
    };
    add('nothing', { shape: { kind: 'beyond', side: 'colder', markC: -90 } });
    add('length', { role: 'length', shape: { kind: 'line', x1: 1, y1: 1, x2: 20, y2: 1 } });
  });
  const of = (name: string) => frame.regions.find(({ row }) => row.value.name === name)!;
  expect(of('nothing')).toMatchObject({ reading: null, problem: expect.stringContaining('colder') as string });
  expect(of('length')).toMatchObject({ reading: null, problem: null });
  expect(of(visitDocument().rows.region[ID.sound]!.value.name).reading!.statistics.count).toBeGreaterThan(0);
});

test('a region is compared with the reference, or with what was chosen, and never with itself', () => {
  const { document, frame } = view((changed) => {
    changed.rows.frame[ID.frame]!.value.referenceId = ID.sound;
  });
  const other = Object.keys(document.rows.region).find((id) => id !== ID.sound)!;
  expect(frame.referenceId).toBe(ID.sound);
  expect(comparisonFor(document, frame, ID.sound, null, pixels)).toBeNull();
  expect(comparisonFor(document, frame, null, null, pixels)).toBeNull();
  const { value } = comparisonFor(document, frame, other, null, pixels)!.difference;
  const back = comparisonFor(document, frame, ID.sound, other, pixels)!.difference.value;
  expect(value).toBeCloseTo(-back, 9);
  expect(comparisonFor(document, frame, other, ID.sound, () => undefined)).toBeNull();
});
