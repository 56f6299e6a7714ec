import fc from 'fast-check';
import { handoutFromText, handoutSchema } from './handout';

test('lines become title, headings, text and points', () => {
  expect(handoutFromText('Dear all\n\nPlease do:\n• one\n• two\nand then\n', 'No. 2', 'letter')).toEqual({
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
  expect(handoutFromText('<b>x</b>\n<script>', '', 'f')).toMatchObject({
    title: '<b>x</b>',
    blocks: [{ kind: 'text', text: '<script>' }],
  });
  fc.assert(
    fc.property(fc.array(fc.string({ minLength: 1, maxLength: 60 }), { maxLength: 30 }), (lines) => {
      const handout = handoutFromText(lines.join('\n'), '', 'f');
      expect(handoutSchema.safeParse(handout).success).toBe(true);
      const kept = [
        handout.title,
        ...handout.blocks.flatMap((block) => ('text' in block ? [block.text] : block.kind === 'points' ? block.points : [])),
      ].join('');
      for (const word of lines.join(' ').split(/[\s•]+/)) expect(kept).toContain(word);
    }),
  );
});

test('an empty letter still has a title', () => {
  expect(handoutFromText('   ', '', 'f').title).toBe('Without a title');
});
