import { INSTRUMENT_U } from '../../ground/instruments';

/** Film of the inner face, W/(m²·K). */
const INNER_FILM = 7.7;
/** What is called a number: right to this share (k = 1). */
const RIGHT_TO = 0.25;

/**
 * From which U-value on an hour tells it to a quarter (k = 1): better walls keep their face too near to the air for what a
 * surface reads against it.
 *
 * @param differenceK - between inside and outside, above 0
 * @returns W/(m²·K)
 */
export function leastUValue(differenceK: number): number {
  return (INNER_FILM * INSTRUMENT_U.surfaceK) / (RIGHT_TO * differenceK);
}
