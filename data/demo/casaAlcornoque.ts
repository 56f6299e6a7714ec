import type { TemplateName } from '@core/work/house/templates';

/** A small house in a hot dry place in August: cooled, so that faults show warm inside. Everything in it is invented. */
export const CASA_ALCORNOQUE = {
  site: {
    name: 'Casa Alcornoque',
    address: 'Camino de la Fuente, Valdecorcho',
    timeZone: 'Europe/Madrid',
    latitude: 38.3,
    longitude: -6.5,
    facades: [180, 270, 0, 90].map((azimuth) => ({ azimuth, wall: 'stone' as const })),
  },
  template: 'bungalow' as TemplateName,
  visit: {
    title: 'Cooling season',
    question: 'Why does the bedroom stay hot in the evening although the cooling runs?',
    startedAt: Date.UTC(2025, 7, 13, 19, 30),
  },
  intake: {
    complaints: [
      { place: 'Front bedroom', what: 'Stays hot until midnight' },
      { place: 'Living room', what: 'Hot air from the ceiling light' },
    ],
    history: [{ what: 'Cooling with ducts in the loft', when: '2016' }],
    people: 'One person, one dog that sleeps in the hall',
    access: 'Key under the third pot; loft by the hall hatch',
  },
  conditions: {
    insideC: 24.6,
    outsideC: 35.8,
    humidityPct: 38,
    windMs: 2,
    windFromDeg: 200,
    cloudPct: 5,
    sunHours: 1,
    rainHours: 600,
  },
  changes: [
    { kind: 'register', what: 'Register in the front bedroom', was: 'half open', now: 'open' },
    { kind: 'thermostat', what: 'Cooling, living room', was: '26 °C', now: '24 °C' },
  ] as const,
};
