import { DEN, HOURS, MARK, PAPER } from '@core/paper/palette';

function variables(prefix: string, colours: Record<string, string>): string {
  return Object.entries(colours)
    .map(([name, value]) => `--${prefix}-${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}:${value}`)
    .join(';');
}

/** The palette for style sheets. */
export const CSS_VARIABLES = `:root{${[variables('den', DEN), variables('paper', PAPER), variables('mark', MARK), variables('hours', HOURS)].join(';')}}`;
