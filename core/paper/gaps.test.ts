import { visitDocument } from '../testing/visit';
import type { Block } from './block';
import { withGaps } from './gaps';

const BLOCKS: Block[] = [
  { kind: 'sheet', above: '', title: 'A house' },
  { kind: 'heading', text: 'Findings' },
];

describe('what is missing in a paper', () => {
  test('nothing missing, nothing said', () => {
    expect(withGaps(BLOCKS, [], [])).toEqual(BLOCKS);
  });

  test('each is named once behind the first title, by its own name or else its id', () => {
    const document = visitDocument();
    const [frame] = Object.values(document.rows.frame);
    const blocks = withGaps(
      BLOCKS,
      [document],
      [
        { kind: 'frame', id: frame!.id },
        { kind: 'frame', id: frame!.id },
        { kind: 'photo', id: 'gone' },
      ],
    );
    expect(blocks.map(({ kind }) => kind)).toEqual(['sheet', 'callout', 'heading']);
    expect((blocks[1] as { text: string }).text).toContain(
      `because the bytes are missing or damaged: frame “${frame!.value.name}”, photo “gone”. `,
    );
  });
});
