import type { Row } from '@core/model/entities';

/** The photo's own URL; another one after each turn, because browsers keep what they fetched. */
export function photoUrl(photo: Row<'photo'>): string {
  const { quarters, mirrored } = photo.value;
  return `/api/photos/${photo.id}/file?turn=${quarters}${mirrored ? 'm' : ''}`;
}
