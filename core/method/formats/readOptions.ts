import { CoreError } from '../../ground/errors';
import type { FrameWarning } from '../frame/frame';
import type { Basis } from '../../ground/basis';
import type { TemperatureUnit } from '../../ground/temperature';

export interface ReadOptions {
  /** Said by the user; wins over what the file states. */
  unit?: TemperatureUnit | undefined;
  /** Up to 1 % of the pixels may be not finite and become pixels without a reading. */
  allowMissing?: boolean;
  /** What the values are, when the user knows that a camera already computed them. */
  basis?: Basis;
  /** Which page of a file that has several, from 0; left out, the first is read and the others are warned of. */
  page?: number;
}

/** Whoever asked for no page in particular is told that there are more. */
export function pageWarnings(pages: number, options: ReadOptions): FrameWarning[] {
  if (pages === 1 || options.page !== undefined) return [];
  return [{ code: 'first_of_pages', message: `The file has ${pages} pages; the first is read.` }];
}

/** @throws CoreError `out_of_range` */
export function requirePage(page: number, pages: number): void {
  if (Number.isInteger(page) && page >= 0 && page < pages) return;
  throw new CoreError(
    'out_of_range',
    `The file has ${pages} ${pages === 1 ? 'page' : 'pages'}; there is no page ${page + 1}.`,
    { argument: 'page', value: page, range: `0 … ${pages - 1}` },
    'Choose a page that is there.',
  );
}
