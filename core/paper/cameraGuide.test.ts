import { STAND_IN_CAMERA } from '../model/standInCamera';
import { cameraGuide } from './cameraGuide';
import { handoutSchema } from './handout';

describe('the guide of a camera', () => {
  const camera = { ...STAND_IN_CAMERA.value, name: 'Row camera', parts: ['Camera', 'Case'], minDistanceM: 1.5 };

  test('is a handout that can be made, with what the camera sees and what comes back', () => {
    const guide = cameraGuide(camera);
    expect(handoutSchema.parse(guide)).toEqual(guide);
    const tables = guide.blocks.flatMap((block) => (block.kind === 'table' ? block.rows : []));
    // Nothing is said of distances at which it is not sharp.
    expect(tables.map(([from]) => from)).toEqual(['2 m', '4 m']);
    expect(tables[0]![2]).toMatch(/^\d+ mm$/);
    expect(guide.blocks).toContainEqual({ kind: 'text', text: 'Camera · Case' });
  });

  test('a camera without parts has none to bring back', () => {
    const headings = cameraGuide({ ...camera, parts: [] }).blocks.flatMap((block) =>
      block.kind === 'heading' ? [block.text] : [],
    );
    expect(headings).not.toContain('What comes back');
    expect(headings.at(-1)).toBe('Mind');
  });
});
