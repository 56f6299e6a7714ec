import type { PairPhoto } from '@core/work/proof/photosOfPair';
import { photoUrl } from '@ui/visit/photoUrl';
import type { AskedPhoto, AskedPhotos } from '../../../../workers/photoSeen';

/** The photos of a pair as the worker asks for them. */
export function askedPhotos(photos: readonly [PairPhoto, PairPhoto] | null): AskedPhotos {
  if (!photos) return null;
  const asked = ({ row, alignment, frame }: PairPhoto): AskedPhoto => ({ address: photoUrl(row), alignment, frame });
  return [asked(photos[0]), asked(photos[1])];
}
