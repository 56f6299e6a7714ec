'use client';

import type { VisitDocument } from '@core/model/document';
import { outlineOf } from '@core/method/frame/reshape';
import { moved } from '@core/ground/affine';
import { projected, type Homography } from '@core/ground/homography';
import type { Point } from '@core/ground/point';
import type { PairValue } from '@core/model/pairRow';
import type { PairPhoto } from '@core/work/proof/photosOfPair';
import { useVisit } from '@ui/visit/VisitProvider';
import { photoUrl } from '@ui/visit/photoUrl';
import styles from './Proof.module.css';

interface Props {
  earlier: VisitDocument;
  pair: PairValue;
  photos: readonly [PairPhoto, PairPhoto];
  /** Takes the earlier frame to the later one; null until that is known. */
  h: Homography | null;
}

/** What the eye sees of a pair, with its places: whether a surface was changed is answered by looking. */
export function PairPhotos({ earlier, pair, photos: [before, after], h }: Props) {
  const { document } = useVisit();
  return (
    <div className={styles.beside}>
      <Photo visit={earlier} photo={before} pair={pair} to={(at) => at} words="Photo before" />
      <Photo visit={document} photo={after} pair={pair} to={h && ((at) => projected(h, at))} words="Photo after" />
    </div>
  );
}

function Photo({
  visit,
  photo: { row, alignment, frame },
  pair,
  to,
  words,
}: {
  visit: VisitDocument;
  photo: PairPhoto;
  pair: PairValue;
  /** Where a place of the earlier frame is in this one's. */
  to: ((at: Point) => Point) | null;
  words: string;
}) {
  const { width, height } = visit.photoFacts[row.id]!;
  const at = (point: Point) => {
    const [x, y] = to!(point);
    return moved(alignment, [(x + 0.5) / frame.width, (y + 0.5) / frame.width]).join();
  };
  return (
    <figure className={styles.photo} style={{ aspectRatio: `${width} / ${height}` }}>
      <img src={photoUrl(row)} alt={`${row.value.name}, ${words.toLowerCase()}`} />
      {to && (
        <svg viewBox={`0 0 1 ${height / width}`} aria-hidden>
          {pair.regions.map(({ id, shape }) => (
            <polygon key={id} points={outlineOf(shape).map(at).join(' ')} />
          ))}
        </svg>
      )}
      <figcaption>{words}</figcaption>
    </figure>
  );
}
