import { marked } from '../../ground/source';
import { number } from '../../ground/format';
import type { Limited, Moisture } from './moisture';

const percent = (fraction: number) => `${Math.round(100 * fraction)} %`;
const factor = (value: number) => number(value, 2);

/** `82 % (74 … 91)` */
function withInterval({ value, interval: [low, high] }: Limited, show: (value: number) => string): string {
  return `${show(value)} (${show(low).replace(' %', '')} … ${show(high).replace(' %', '')})`;
}

/** What a reading means for moisture, said as far as it is known; each a label with its words. */
export function moistureWords({ humidity, factor: at }: Moisture): { label: string; value: string }[] {
  const facts: { label: string; value: string }[] = [];
  if (humidity) facts.push({ label: 'Humidity at the surface now', value: humidityWords(humidity) });
  if (at) facts.push({ label: 'Temperature factor', value: factorWords(at) });
  return facts;
}

function humidityWords(humidity: NonNullable<Moisture['humidity']>): string {
  // Above 100 % the air gives its water to the surface.
  const shown = withInterval(humidity, (value) => percent(Math.min(1, value)));
  if (humidity.wet === 'above') return `${shown}: below the dew point, water comes out of the air here`;
  const judged = {
    above: 'above 80 % now; mould needs weeks of it',
    below: 'below 80 % now',
    undecided: '80 % lies within what is not known: undecided',
  }[humidity.against];
  return `${shown}: ${humidity.wet === 'undecided' ? `${judged}, perhaps wet` : judged}`;
}

function factorWords(at: Exclude<Moisture['factor'], null>): string {
  if ('why' in at)
    return {
      unknown: 'not stated: inside or outside is not noted',
      'too-mild': 'not stated: less than 10 K between inside and outside',
      cooled: 'not stated: the house is cooled',
    }[at.why];
  const judged = {
    above: 'above the limit: no mould in the long run, with ordinary use',
    below: 'below the limit: mould is likely in the long run, with ordinary use',
    undecided: 'the limit lies within what is not known: undecided',
  }[at.against];
  return `${withInterval(at, factor)} against ${marked(factor(at.limit), { source: at.limitFrom })}: ${judged}`;
}
