/** All time zones, for a field to choose from. */
export const ZONE_OPTIONS = Intl.supportedValuesOf('timeZone').map((zone) => ({ value: zone, label: zone }));

/** The time zone at a place; null when it cannot be asked now. */
export async function zoneAt(latitude: number, longitude: number): Promise<string | null> {
  const response = await fetch(`/api/timezone?latitude=${latitude}&longitude=${longitude}`).catch(() => null);
  if (!response?.ok) return null;
  return ((await response.json()) as { timeZone: string }).timeZone;
}
