import type { CoreError } from '@core/ground/errors';
import { errorOf } from '@core/testing/material';
import { namedNumbers, numberOption, parseArguments } from './arguments';
import { parseRegion } from './region';
import { commandSettings, SETTING_OPTIONS } from './settings';

const KNOWN = { reflected: 'value', flag: 'flag', region: 'value' } as const;
const settings = (...words: string[]) => commandSettings(parseArguments(words, SETTING_OPTIONS));
const code = (run: () => unknown) => (errorOf(run) as CoreError).code;

describe('arguments', () => {
  test('values may begin with a minus, with and without =', () => {
    for (const words of [
      ['--reflected', '-20', 'a.tif'],
      ['--reflected=-20', 'a.tif'],
    ]) {
      const args = parseArguments(words, KNOWN);
      expect(args.files).toEqual(['a.tif']);
      expect(numberOption(args, 'reflected')).toBe(-20);
    }
  });
  test('an option that takes a value more than once keeps all, a flag is there or not', () => {
    const args = parseArguments(['--region', 'a=spot:1,1', '--flag', '--region=b=box:1,2,3,4'], KNOWN);
    expect(args.options.get('region')).toEqual(['a=spot:1,1', 'b=box:1,2,3,4']);
    expect(args.options.has('flag')).toBe(true);
    expect(numberOption(args, 'reflected')).toBeUndefined();
  });
  test.each([[['--nonsense']], [['--reflected']], [['--flag=1']]])('%p is wrong use', (words) =>
    expect(code(() => parseArguments(words, KNOWN))).toBe('bad_usage'),
  );
  test('what is no number is refused', () => {
    expect(code(() => numberOption(parseArguments(['--reflected', 'warm'], KNOWN), 'reflected'))).toBe('bad_usage');
    expect(namedNumbers('a=1,b=-2', 'x', ['a', 'b'])).toEqual({ a: 1, b: -2 });
    expect(code(() => namedNumbers('a=1,c=2', 'x', ['a', 'b']))).toBe('bad_usage');
  });
});

describe('regions', () => {
  test.each([
    ['a=spot:3,4', { kind: 'spot', x: 3, y: 4 }],
    ['sill left=box:1,2,3,4', { kind: 'box', x: 1, y: 2, width: 3, height: 4 }],
    ['l=line:0,0,5,5', { kind: 'line', x1: 0, y1: 0, x2: 5, y2: 5 }],
    ['p=poly:0,0,5,0,5,5', { kind: 'poly', points: [[0, 0], [5, 0], [5, 5]] }], // prettier-ignore
  ])('%s', (text, shape) => expect(parseRegion(text).shape).toEqual(shape));
  test('may carry settings of their own', () => {
    expect(
      parseRegion('a=box:1,2,3,4@emissivity=0.3,emissivity-u=0.03,reflected=-4,reflected-u=3,material=copper,view=yard,tape=t')
        .own,
    ).toEqual({
      emissivity: 0.3,
      emissivityU: 0.03,
      reflected: -4,
      reflectedU: 3,
      material: 'copper',
      view: 'yard',
      tape: 't',
    });
  });
  test.each(['emissivity=2', 'emissivity-u=-1', 'warmth=3', 'material=', 'reflected=warm', 'emissivity'])(
    'behind a region %s is refused',
    (own) => expect(['bad_usage', 'out_of_range']).toContain(code(() => parseRegion(`a=box:1,2,3,4@${own}`))),
  );
  test.each([
    'box:1,2,3,4',
    'a=star:1,2',
    'a=box:1,2,3',
    'a=box:1,2,0,4',
    'a=spot:1.5,2',
    'a=poly:0,0,1,1',
    'a=spot:x,2',
    'sill, left=box:1,2,3,4',
  ])('%s is refused', (text) => {
    expect(['bad_usage', 'bad_region']).toContain(code(() => parseRegion(text)));
  });
});

describe('settings of a call', () => {
  test('nothing given: values as they are', () => {
    expect(settings().settings).toEqual({ emissivity: 1, reflected: 20, air: 20, transmittance: 1 });
    expect(settings().warnings).toEqual([]);
  });
  test('emissivity without reflected takes the air, and says so; without air it is refused', () => {
    const call = settings('--emissivity', '0.9', '--air', '18');
    expect(call.settings.reflected).toBe(18);
    expect(call.warnings.map((warning) => warning.code)).toEqual(['reflected_from_air']);
    expect(code(() => settings('--emissivity', '0.9'))).toBe('missing_setting');
  });
  test('transmittance needs the air; a long path without it is said to be taken as clear', () => {
    expect(code(() => settings('--transmittance', '0.9'))).toBe('missing_setting');
    expect(settings('--distance', '30').warnings.map((warning) => warning.code)).toEqual(['air_path_clear']);
    expect(settings('--distance', '30', '--transmittance', '0.97', '--air', '10').warnings).toEqual([]);
  });
  test('what a camera computed', () => {
    expect(settings('--computed-with', 'emissivity=0.95,reflected=20').read.basis).toEqual({
      kind: 'computed',
      settings: { emissivity: 0.95, reflected: 20, air: 20, transmittance: 1 },
    });
    expect(code(() => settings('--computed-with', 'emissivity=0.95'))).toBe('missing_setting');
  });
  test('unit, uncertainties and their refusals', () => {
    expect(settings('--unit', 'K').read.unit).toBe('K');
    expect(settings('--uncertainty', 'calibration=2,noise=0.03')).toMatchObject({
      u: { calibration: 2, uniformity: 0.1, noise: 0.03, gain: 0.01, blur: 0.7, emissivity: 0.02, reflected: 1, air: 1 },
    });
    expect(code(() => settings('--unit', 'R'))).toBe('bad_usage');
    expect(code(() => settings('--uncertainty', 'calibration=-1'))).toBe('out_of_range');
    expect(code(() => settings('--humidity', '140'))).toBe('out_of_range');
    expect(code(() => settings('--uncertainty', 'blur=9'))).toBe('out_of_range');
  });
  test('a long path with unknown humidity is reckoned, and less sure', () => {
    const [known, unknown] = [['--humidity', '60'], []].map(
      (more) => settings('--distance', '60', '--air', '25', ...more).u.transmittance,
    ) as [number, number];
    expect(unknown).toBeGreaterThan(1.2 * known);
  });
  test('outside a wall mirrors ground and sky, surely the less the clearer it is', () => {
    const under = (...more: string[]) => settings('--side', 'outside', '--air', '5', '--emissivity', '0.93', ...more);
    expect(under('--cloud', '0').settings.reflected).toBeLessThan(-4);
    expect(under('--cloud', '100').settings.reflected).toBeGreaterThan(3);
    expect([under('--cloud', '0'), under(), under('--cloud', '100')].map(({ u }) => u.reflected)).toEqual([5, 5, 2]);
    expect(under().warnings.map((warning) => warning.code)).toEqual(['reflected_from_sky']);
    expect(under('--reflected', '-3').settings.reflected).toBe(-3);
    expect(under('--reflected', '-3').u.reflected).toBe(1);
    expect(code(() => settings('--side', 'outside'))).toBe('missing_setting');
    expect(code(() => settings('--side', 'upstairs'))).toBe('bad_usage');
  });
});
