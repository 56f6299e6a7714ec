import { MATERIAL_GROUPS, materialUncertainty, materialWords, MATERIALS } from '../../model/materials';
import { materialValueSchema } from '../../model/materialRow';

test('about sixty and more are on the shelf, each valid, with source, and named once', () => {
  expect(MATERIALS.length).toBeGreaterThanOrEqual(60);
  for (const material of MATERIALS) {
    expect(materialValueSchema.safeParse({ ...material, archived: false }).success).toBe(true);
    expect(material.source).not.toBe('');
    expect(MATERIAL_GROUPS).toContain(material.group);
  }
  expect(new Set(MATERIALS.map(({ key }) => key)).size).toBe(MATERIALS.length);
});

test('bare metal is far below paint, and says what to do', () => {
  const paint = MATERIALS.find(({ name }) => name === 'Wall paint')!;
  for (const bright of MATERIALS.filter(({ group, finish }) => group === 'metals' && finish.includes('bright'))) {
    expect(bright.emissivity).toBeLessThan(paint.emissivity / 3);
    expect(bright.note).toMatch(/tape/);
  }
});

test('a wide range makes a large uncertainty, a narrow one never none', () => {
  expect(materialUncertainty({ low: 0.2, high: 0.8 })).toBeCloseTo(0.173, 3);
  expect(materialUncertainty({ low: 0.95, high: 0.95 })).toBe(0.01);
});

test('one that lies outside of its own range is refused', () => {
  const checked = materialValueSchema.safeParse({ ...MATERIALS[0], emissivity: 0.5, archived: false });
  expect(checked.error?.issues[0]?.message).toMatch(/between the lowest and the highest/);
  expect(materialWords({ name: 'Own', finish: '' })).toBe('Own');
});
