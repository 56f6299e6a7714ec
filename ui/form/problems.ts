import type * as z from 'zod';

/** What is wrong with a form, by its fields; the first complaint of each. */
export function problemsByField(error: z.ZodError | undefined): Record<string, string> {
  const problems: Record<string, string> = {};
  for (const issue of error?.issues ?? [])
    problems[issue.path.map(String).find((part) => part !== 'site') ?? ''] ??= issue.message;
  return problems;
}
