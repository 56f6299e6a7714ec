import * as z from 'zod';
import { getJson } from '@ui/server/api';

/** All time zones, for a field to choose from. */
export const ZONE_OPTIONS = Intl.supportedValuesOf('timeZone').map((zone) => ({ value: zone, label: zone }));

/** The time zone at a place; null when it cannot be asked now. */
export async function zoneAt(latitude: number, longitude: number): Promise<string | null> {
  const address = `/api/timezone?latitude=${latitude}&longitude=${longitude}`;
  return getJson(address, z.object({ timeZone: z.string() })).then(
    ({ timeZone }) => timeZone,
    () => null,
  );
}
