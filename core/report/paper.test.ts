import fc from 'fast-check';
import { paperFromText, paperSchema } from './paper';

test('lines become title, headings, text and points', () => {
  expect(paperFromText('Dear all\n\nPlease do:\n• one\n• two\nand then\n', 'No. 2', 'letter')).toEqual({
    title: 'Dear all',
    subtitle: 'No. 2',
    fileName: 'letter',
    blocks: [
      { kind: 'heading', text: 'Please do:' },
      { kind: 'points', points: ['one', 'two'] },
      { kind: 'text', text: 'and then' },
    ],
  });
});

test('nothing that was typed is lost, and markup is only text', () => {
  expect(paperFromText('<b>x</b>\n<script>', '', 'f')).toMatchObject({
    title: '<b>x</b>',
    blocks: [{ kind: 'text', text: '<script>' }],
  });
  fc.assert(
    fc.property(fc.array(fc.string({ minLength: 1, maxLength: 60 }), { maxLength: 30 }), (lines) => {
      const paper = paperFromText(lines.join('\n'), '', 'f');
      expect(paperSchema.safeParse(paper).success).toBe(true);
      const kept = [
        paper.title,
        ...paper.blocks.flatMap((block) => ('text' in block ? [block.text] : block.kind === 'points' ? block.points : [])),
      ].join('');
      for (const word of lines.join(' ').split(/[\s•]+/)) expect(kept).toContain(word);
    }),
  );
});

test('an empty letter still has a title', () => {
  expect(paperFromText('   ', '', 'f').title).toBe('Without a title');
});
