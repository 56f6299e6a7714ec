import * as z from 'zod';

const line = z.string().max(2000);

/** A page of plain paperwork: what it says, not how it looks. */
export const handoutSchema = z.object({
  title: z.string().trim().min(1).max(240),
  subtitle: line,
  fileName: z.string().trim().min(1).max(160),
  /** At the foot of every page, before its number. */
  foot: z.string().max(240).optional(),
  blocks: z
    .array(
      z.discriminatedUnion('kind', [
        z.object({ kind: z.literal('heading'), text: line }),
        z.object({ kind: z.literal('text'), text: line }),
        z.object({ kind: z.literal('points'), points: z.array(line).max(100) }),
        z.object({
          kind: z.literal('table'),
          /** Columns with their share of the width. */
          columns: z
            .array(z.object({ name: line, share: z.number().positive().max(10) }))
            .min(1)
            .max(10),
          rows: z.array(z.array(line).max(10)).max(200),
        }),
      ]),
    )
    .max(500),
});

export type Handout = z.infer<typeof handoutSchema>;

const POINT = '• ';

/**
 * Takes plain text apart into a page: the first line is its title, lines that end in a colon are headings, lines that
 * begin with a bullet are points, the rest is text. Nothing is lost and nothing is markup.
 */
export function handoutFromText(text: string, subtitle: string, fileName: string): Handout {
  const [title = '', ...lines] = text.trim().split(/\r?\n/);
  const blocks: Handout['blocks'] = [];
  for (const raw of lines) {
    const words = raw.trim();
    const last = blocks.at(-1);
    if (words === '') continue;
    if (words.startsWith(POINT)) {
      if (last?.kind === 'points') last.points.push(words.slice(POINT.length));
      else blocks.push({ kind: 'points', points: [words.slice(POINT.length)] });
    } else blocks.push({ kind: words.endsWith(':') ? 'heading' : 'text', text: words });
  }
  return { title: title.slice(0, 240) || 'Without a title', subtitle, fileName, blocks };
}
