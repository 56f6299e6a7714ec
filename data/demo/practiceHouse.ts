import type { TemplateName } from '@core/work/house/templates';

/** What every house to practise on begins with. Everything in it is invented. */
export const PRACTICE_HOUSE = {
  site: {
    name: 'Practice house',
    address: 'nowhere',
    timeZone: 'Europe/London',
    latitude: 53.1,
    longitude: -1.4,
    facades: [180, 270, 0, 90].map((azimuth) => ({ azimuth, wall: 'stone' as const })),
  },
  template: 'cottage' as TemplateName,
  kind: 'heat-loss' as const,
  title: 'Practice',
  question: 'Where does this house lose its heat?',
  insideC: 20,
  humidityPct: 48,
};
