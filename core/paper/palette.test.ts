import { DEN, HOURS, MARK, PAPER } from './palette';

function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const c = parseInt(hex.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** Contrast ratio of WCAG 2, 1 … 21. */
function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

/** Text needs 4.5 to 1, borders of fields and handles 3 to 1. */
const TEXT = 4.5;
const EDGE = 3;

test('contrast of black on white is 21', () => expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 6));

describe('the dark pages', () => {
  const grounds = [DEN.ground, DEN.deep, DEN.panel, DEN.raised];
  test.each(['text', 'muted', 'ember', 'cool', 'warm', 'good', 'care', 'poor'] as const)('%s reads on every ground', (name) => {
    for (const ground of grounds) expect(contrast(DEN[name], ground)).toBeGreaterThanOrEqual(TEXT);
  });
  test('edges of fields are seen', () => {
    for (const ground of grounds) expect(contrast(DEN.edge, ground)).toBeGreaterThanOrEqual(EDGE);
  });
  test('ink reads on ember, ember on its tint', () => {
    expect(contrast(DEN.emberInk, DEN.ember)).toBeGreaterThanOrEqual(TEXT);
    expect(contrast(DEN.ember, DEN.emberTint)).toBeGreaterThanOrEqual(TEXT);
  });
});

describe('the light pages', () => {
  test.each(['text', 'muted', 'ember', 'cool', 'warm', 'good', 'care', 'poor'] as const)('%s reads on paper and card', (name) => {
    for (const ground of [PAPER.ground, PAPER.card]) expect(contrast(PAPER[name], ground)).toBeGreaterThanOrEqual(TEXT);
  });
  test('edges of fields are seen', () => expect(contrast(PAPER.edge, PAPER.card)).toBeGreaterThanOrEqual(EDGE));
});

describe('the board of hours', () => {
  test('letters read on every tone', () => {
    expect(contrast(PAPER.card, HOURS.go)).toBeGreaterThanOrEqual(TEXT);
    expect(contrast(PAPER.card, HOURS.care)).toBeGreaterThanOrEqual(TEXT);
    expect(contrast(PAPER.text, HOURS.poor)).toBeGreaterThanOrEqual(TEXT);
    expect(contrast(PAPER.muted, HOURS.none)).toBeGreaterThanOrEqual(TEXT);
    expect(contrast(PAPER.text, HOURS.slot)).toBeGreaterThanOrEqual(TEXT);
  });
  test('the better the hour, the darker its tone', () => {
    const tones = [HOURS.go, HOURS.care, HOURS.poor, HOURS.none].map(luminance);
    expect(tones).toEqual([...tones].sort((a, b) => a - b));
  });
});

test('marks on pictures have a light and a dark outline that read against each other', () => {
  for (const colour of [MARK.light, MARK.reference]) expect(contrast(colour, MARK.dark)).toBeGreaterThanOrEqual(TEXT);
});
