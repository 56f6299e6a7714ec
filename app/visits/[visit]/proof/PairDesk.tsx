'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { CameraOutlined } from '@ant-design/icons';
import { Button, Empty, Select } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useMemo } from 'react';
import { v7 as newId } from 'uuid';
import type { VisitDocument } from '@core/model/document';
import { knownOf, placeOf } from '@core/work/proof/looks';
import type { PairValue } from '@core/model/pairRow';
import { pairInputs } from '@core/work/proof/pairInputs';
import { photosOfPair } from '@core/work/proof/photosOfPair';
import { sidesOf } from '@core/work/proof/sides';
import { pairFor, type ToProve } from '@core/work/proof/toProve';
import type { Edit } from '@ui/store/rowStore';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import { PairLedger } from './PairLedger';
import { PairPhotos } from './PairPhotos';
import { PairPicture } from './PairPicture';
import { useCompared } from './useCompared';
import styles from './Proof.module.css';

const OverVisits = onDemand(() => import('./OverVisits').then((m) => m.OverVisits));

/** One finding of before with the frame that answers it. */
export function PairDesk({
  earlier,
  item,
  visitIds,
}: {
  earlier: VisitDocument;
  item: ToProve;
  /** All earlier visits of the site. */
  visitIds: readonly string[];
}) {
  const { document, edit } = useVisit();
  const { pair, offered, finding } = item;
  const put = (label: string, change: Partial<PairValue>) => {
    if (!pair) return;
    const entry: Edit = { entity: 'pair', rowId: pair.id, value: { ...pair.value, ...change } };
    edit(label, [entry]);
  };
  const take = (afterFrameId: string) => {
    if (pair) return put('Another later frame', { afterFrameId });
    edit('Pair made', [{ entity: 'pair', rowId: newId(), value: pairFor(document, earlier, item, afterFrameId, newId) }]);
  };
  if (!pair)
    return (
      <section className={styles.without} aria-label={finding.value.title}>
        <h2>{finding.value.title}</h2>
        {offered.length === 0 ? (
          <Empty description="This visit has no frame of that place yet.">
            <QuickLink href={`/visits/${document.visitId}/round`}>
              <Button type="primary" icon={<CameraOutlined />}>
                Take it on the Round
              </Button>
            </QuickLink>
          </Empty>
        ) : (
          <>
            <p>Which frame of this visit shows the same view?</p>
            <ul className={styles.offered}>
              {offered.map(({ id, value }) => (
                <li key={id}>
                  <Button onClick={() => take(id)}>Compare with {value.name}</Button>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
    );
  return (
    <Pair earlier={earlier} pair={pair.value} visitIds={visitIds} put={put}>
      <Select
        aria-label="Later frame"
        className={styles.later!}
        value={pair.value.afterFrameId}
        options={offered.map(({ id, value }) => ({ value: id, label: value.name }))}
        onChange={take}
      />
    </Pair>
  );
}

function Pair({
  earlier,
  pair,
  visitIds,
  put,
  children,
}: {
  earlier: VisitDocument;
  pair: PairValue;
  visitIds: readonly string[];
  put(label: string, change: Partial<PairValue>): void;
  children: React.ReactNode;
}) {
  const { document } = useVisit();
  const { beforeFrameId, afterFrameId } = pair;
  const first = usePixels(beforeFrameId)(beforeFrameId);
  const second = usePixels(afterFrameId)(afterFrameId);
  const sides = first && second ? sidesOf(earlier, document, pair, [first, second]) : null;
  const size = earlier.frameFacts[beforeFrameId]!;
  const places = useMemo(() => pair.regions.map((region) => placeOf(region, size)), [pair.regions, size]);
  const photos = photosOfPair(earlier, document, pair);
  const { wall, work } = pair;
  const known = useMemo(() => knownOf(earlier, { beforeFrameId, wall, work }), [earlier, beforeFrameId, wall, work]);
  const compared = useCompared(sides, pair.points, places, known, photos, () => pairInputs(document, earlier, pair));
  const { laying } = compared;
  return (
    <>
      <PairPicture pair={pair} sides={sides} compared={compared} put={put}>
        {photos && (
          <PairPhotos earlier={earlier} pair={pair} photos={photos} h={laying && 'laid' in laying ? laying.laid.h : null} />
        )}
        <OverVisits earlier={earlier} pair={pair} visitIds={visitIds} />
      </PairPicture>
      <PairLedger
        earlier={earlier}
        pair={pair}
        look={sides?.looks?.[0] ?? null}
        known={sides?.looks !== null}
        compared={compared}
        put={put}
      >
        {children}
      </PairLedger>
    </>
  );
}
