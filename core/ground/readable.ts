/** A value of a row in words, for people who have to choose between two of them. */

/** What stands behind a number, by the end of its field's name. */
const UNITS: [RegExp, string][] = [
  [/K$/, ' K'],
  [/Pct$/, ' %'],
  [/M$/, ' m'],
  [/Ms$/, ' m/s'],
  [/Deg$/, '°'],
  [/S$/, ' s'],
  [/H$|Hours$/, ' h'],
];
const MOMENT = /At$|^at$|^from$|^to$|^start$/;
/** Numbers above are moments where the field may be one: 1973. */
const FIRST_MOMENT = 1e11;
/** Ids say nothing to people. */
const SILENT = /^id$|Id$/;

/** A field's name in words: `emissivityFrom` is "emissivity from". */
function words(field: string): string {
  return field
    .replace(/(C|K|Pct|M|Ms|Deg|S|H)$/, '')
    .replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
    .trim();
}

function numberIn(
  field: string,
  value: number,
  moment: (ms: number) => string,
  temperature: (celsius: number) => string,
): string {
  if (MOMENT.test(field) && value > FIRST_MOMENT) return moment(value);
  if (/^celsius$|C$/.test(field)) return temperature(value);
  const unit = UNITS.find(([end]) => end.test(field))?.[1] ?? '';
  return `${Number.isInteger(value) ? value : Number(value.toPrecision(4))}${unit}`;
}

export interface ReadableWords {
  /** A moment, ms since 1970, by the clock of the place. */
  moment(ms: number): string;
  temperature(celsius: number): string;
}

/**
 * A value in words, however deep it is: lists by their parts, objects by their fields.
 *
 * @param field - the name of the field it stands in
 */
export function readable(value: unknown, field: string, how: ReadableWords): string {
  if (value === null || value === undefined || value === '') return '—';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return numberIn(field, value, how.moment, how.temperature);
  if (typeof value === 'string') return value;
  if (Array.isArray(value)) {
    return value.length === 0 ? 'none' : value.map((part) => readable(part, field, how)).join('; ');
  }
  return Object.entries(value)
    .filter(([name, part]) => !SILENT.test(name) && part !== null && part !== '')
    .map(([name, part]) =>
      typeof part === 'boolean' ? (part ? words(name) : `not ${words(name)}`) : `${words(name)} ${readable(part, name, how)}`,
    )
    .join(', ');
}
