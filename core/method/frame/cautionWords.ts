import type { Caution } from './cautions';

/**
 * A caution in words for the person who drew the region.
 *
 * @param temperature - how people want °C to be shown
 */
export function cautionWords(caution: Caution, temperature: (celsius: number) => string): string {
  switch (caution.code) {
    case 'small': {
      const size = caution.leastM === null ? '' : ` Here nothing below ${centimetres(caution.leastM)} can be read.`;
      return `Under 3 × 3 pixels: smaller than the optics resolve.${size}`;
    }
    case 'mixed': {
      const [colder, warmer] = caution.shares.map(
        (share, i) => `${Math.round(100 * share)} % near ${temperature(caution.at[i]!)}`,
      );
      return `It holds two things, ${colder} and ${warmer}: the mean is neither's.`;
    }
    case 'flat-angle':
      return `Seen at ${Math.round(caution.degrees)}° from square-on: beyond ${caution.beyond}° surfaces mirror.`;
    case 'crosses-left-out':
      return 'It reaches into what was left out.';
    case 'mirror':
      return 'A palm left no print here: it mirrors. Tape it, and read the tape.';
    case 'low-emissivity':
      return 'It shows more of its surroundings than of itself: the reflected temperature decides.';
  }
}

function centimetres(m: number): string {
  return m < 0.1 ? `${Math.round(1000 * m)} mm` : `${Math.round(100 * m)} cm`;
}
