import { HOUR_MS } from '../../core/ground/localClock';
import { standInWeather } from '../../core/method/weather/standIn';

/** A weather file as people bring one: hours from six days before a day to nine after it, at a place. */
export function weatherFile(
  day: string,
  latitude: number,
  longitude: number,
): { name: string; mimeType: string; buffer: Buffer } {
  const start = Date.parse(`${day}T00:00:00Z`) - 6 * 24 * HOUR_MS;
  const { hours } = standInWeather(latitude, longitude, start, 15 * 24);
  const lines = hours.map(({ temperatureC, cloudPct, windMs, rainMm, humidityPct }, i) =>
    [new Date(start + i * HOUR_MS).toISOString().replace('.000', ''), temperatureC, cloudPct, windMs, rainMm, humidityPct].join(
      ',',
    ),
  );
  const text = ['time,temperature_c,cloud_percent,wind_m_s,rain_mm,humidity_percent', ...lines].join('\n');
  return { name: `week-${day}.csv`, mimeType: 'text/csv', buffer: Buffer.from(text) };
}
