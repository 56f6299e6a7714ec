import { CoreError } from '../../ground/errors';
import { readEpw } from './readEpw';
import { readWeatherCsv } from './readWeatherCsv';
import type { Weather } from './weather';

/** Ten years of hours; more is not weather for choosing an evening. */
const MOST_CHARACTERS = 24 * 1024 * 1024;

/**
 * Reads a weather file: an hourly table (CSV) or a year in the EPW format, told apart by content.
 *
 * @param text - the file, decoded
 * @returns hours without holes, with warnings for what was filled or left out
 * @throws CoreError naming the line; see readWeatherCsv and readEpw
 */
export function readWeather(text: string): Weather & { format: 'csv' | 'epw' } {
  if (text.trim() === '') throw new CoreError('empty_file', 'The weather file is empty.', {}, 'Choose a file with hours in it.');
  if (text.length > MOST_CHARACTERS)
    throw new CoreError('too_large', 'The weather file is larger than 24 MB.', {}, 'Cut it to the weeks that you need.');
  const plain = text.replace(/^\uFEFF/, '');
  return /^\s*LOCATION\s*,/i.test(plain) ? { ...readEpw(plain), format: 'epw' } : { ...readWeatherCsv(plain), format: 'csv' };
}
