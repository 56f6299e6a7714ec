import { CoreError } from '../../ground/errors';
import { readNpyHeader } from './npy/header';
import { fileKind } from './readFrame';
import { countTiffPages, tiffByteOrder } from './tiff/directory';

/** The most pages that are taken from one file. */
const MAX_PAGES = 1000;
/** The most pixels that all pages of one file may have together: some 470 frames of 320 × 240. */
const MAX_FILE_PIXELS = 36_000_000;

/**
 * Counts a file's pages and holds their number and size against the limits, before any of them is read: a small file may
 * promise very many.
 *
 * @returns the number of pages, at least 1
 * @throws CoreError `too_large`; what cannot be read at all is left to the reader to refuse
 */
export function requirePages(bytes: Uint8Array): number {
  const { pages, pixels } = countPages(bytes);
  if (pages > MAX_PAGES) {
    throw new CoreError(
      'too_large',
      `The file has ${pages.toLocaleString('en')} pages; at most ${MAX_PAGES.toLocaleString('en')} are taken from one file.`,
      { range: `up to ${MAX_PAGES} pages` },
      'Export the recording in parts, or with fewer pictures a minute.',
    );
  }
  if (pages > 1 && pixels > MAX_FILE_PIXELS) {
    throw new CoreError(
      'too_large',
      `The pages of the file have ${(pixels / 1e6).toFixed(0)} million pixels together; at most ${MAX_FILE_PIXELS / 1e6} million are taken from one file.`,
      { range: `up to ${MAX_FILE_PIXELS} pixels` },
      'Export the recording in parts, or with fewer pictures a minute.',
    );
  }
  return pages;
}

function countPages(bytes: Uint8Array): { pages: number; pixels: number } {
  switch (fileKind(bytes)) {
    case 'tiff':
      return countTiffPages(bytes, tiffByteOrder(bytes)!, MAX_PAGES);
    case 'npy': {
      const { shape } = readNpyHeader(bytes);
      const [pages = 1, height = 0, width = 0] = shape.length === 3 ? shape : [1, ...shape];
      return { pages: Math.max(1, pages), pixels: pages * height * width };
    }
    default:
      return { pages: 1, pixels: 0 };
  }
}
