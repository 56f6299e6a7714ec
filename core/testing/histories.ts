import type { WallHistory } from '../method/weather/wallHistory';

/** Two days in which nothing changed. */
export function steady({ insideC, outsideC }: { insideC: number; outsideC: number }): WallHistory {
  return history(() => ({ insideC, outsideC, sunWm2: 0 }));
}

/** Two days by the half hour. @param at - hours before the frame, at least 0 */
export function history(at: (hoursAgo: number) => Omit<WallHistory[number], 'minutes'>): WallHistory {
  return Array.from({ length: 97 }, (_, i) => ({ minutes: i === 96 ? 0 : -30 * (96 - i), ...at((96 - i) / 2) }));
}
