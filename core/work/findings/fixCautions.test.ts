import { ID, visitDocument } from '../../testing/visit';
import type { VisitDocument } from '../../model/document';
import { fixCautions } from './fixCautions';
import type { FindingValue } from '../../model/findingRow';

const document = visitDocument();
const finding = (change: Partial<FindingValue>): FindingValue => ({
  ...document.rows.finding[ID.finding]!.value,
  title: 'Cold place',
  material: '',
  argued: null,
  frameId: ID.frame,
  ...change,
});
const words = (change: Partial<FindingValue>, of: VisitDocument = document) => fixCautions(of, finding(change)).join(' ');

describe('before a fix', () => {
  test('of which nothing is known nothing is said', () => expect(words({})).toBe(''));

  test('sealing: vents for combustion air stay open, and the house is ventilated', () => {
    const said = words({ material: 'seal strip 9 mm' });
    expect(said).toContain('combustion air stay open');
    expect(said).toContain('ventilate');
    expect(said).not.toContain('fibres');
    expect(words({ title: 'Air comes in under the door' })).toContain('combustion air stay open');
  });

  test('foam: not against flues, exhausts, heaters, fuses or lamps; its fumes', () => {
    expect(words({ material: 'Foam gun' })).toMatch(/No foam against flues, exhausts, heaters, fuses.*fumes/);
  });

  test('insulation: lamps, cables, and pipes that freeze beyond it', () => {
    const said = words({ title: 'Gap in the insulation' });
    expect(said).toContain('ask the lamp type');
    expect(said).toContain('freeze');
  });

  test('damp, live and hot places have their own', () => {
    expect(words({ title: 'Damp corner' })).toContain('mould');
    expect(words({ title: 'Warm breaker' })).toContain('proved dead');
  });

  test('in a loft: joists, fibres, and the weight of a header tank; at a façade: heights', () => {
    const surface = { kind: 'ceiling', behind: 'loft', roomId: null } as never;
    const frame = document.rows.frame[ID.frame]!;
    const at = (value: never, side: 'inside' | 'outside' = 'inside'): VisitDocument => ({
      ...document,
      rows: {
        ...document.rows,
        frame: { ...document.rows.frame, [ID.frame]: { ...frame, value: { ...frame.value, side, surfaceId: ID.surface } } },
        surface: { [ID.surface]: { id: ID.surface, version: 1, value } },
      },
    });
    expect(words({}, at(surface))).toMatch(/joists only.*fibres.*header tank is heavy/);
    expect(words({}, at({ kind: 'facade', behind: 'outside', roomId: null } as never, 'outside'))).toContain('Ladders');
  });
});
