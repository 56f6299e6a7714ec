'use client';

import { Alert, Empty, Select } from 'antd';
import { usePathname, useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/ground/errors';
import type { EarlierVisit } from '@core/work/proof/earlierVisit';
import { pairFor, toProve, type ToProve } from '@core/work/proof/toProve';
import { siteOf } from '@core/work/visit/theVisit';
import { localDay } from '@core/ground/localTime';
import { PdfButton } from '@ui/pdf/PdfButton';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useVisit } from '@ui/visit/VisitProvider';
import { PairDesk } from './PairDesk';
import { ProveList } from './ProveList';
import { useEarlier } from './useEarlier';
import styles from './Proof.module.css';

/** What earlier findings became: the same places again, fairly compared. */
export function Proof({ visits }: { visits: readonly EarlierVisit[] }) {
  const { document, edit } = useVisit();
  const router = useRouter();
  const { timeZone } = siteOf(document);
  const base = `/visits/${document.visitId}/proof`;
  const asked = usePathname().slice(base.length + 1);
  const choices = useMemo(
    () => [
      ...visits.map(({ id, title, startedAt, open }) => ({
        value: id,
        label: `${localDay(startedAt, timeZone)} · ${title}${open > 0 ? ` · ${open} open` : ''}`,
      })),
      { value: document.visitId, label: 'This visit: fixed while you were here' },
    ],
    [visits, document.visitId, timeZone],
  );
  const visitIds = useMemo(() => visits.map(({ id }) => id), [visits]);
  const [chosen, setChosen] = useState<string | null>(null);
  const visitId = chosen ?? (visits.find(({ open }) => open > 0) ?? visits[0])?.id ?? document.visitId;
  const other = useEarlier(visitId === document.visitId ? null : visitId);
  const earlier = visitId === document.visitId ? document : other;
  const ready = earlier !== null && !(earlier instanceof CoreError);
  const all = useMemo(() => (ready ? toProve(document, earlier) : []), [ready, document, earlier]);
  const current = all.find(({ finding }) => finding.id === asked) ?? all[0] ?? null;
  const open = (findingId: string) => router.push(`${base}/${findingId}`);
  const compareAll = (waiting: readonly ToProve[]) =>
    ready &&
    edit(
      `${waiting.length} pairs made`,
      waiting.map((item) => ({
        entity: 'pair' as const,
        rowId: newId(),
        value: pairFor(document, earlier, item, item.offered[0]!.id, newId),
      })),
    );
  return (
    <div className={styles.proof}>
      <header className={styles.head}>
        <h1>Proof</h1>
        <label className={styles.choose}>
          Compare with
          <Select
            aria-label="Earlier visit"
            value={visitId}
            options={choices}
            onChange={setChosen}
            popupMatchSelectWidth={false}
          />
        </label>
        <PdfButton what="proof">Page for the householder</PdfButton>
        <UndoButtons />
      </header>
      {earlier instanceof CoreError && <Alert type="error" title={earlier.message} description={earlier.hint} />}
      {ready && all.length === 0 && (
        <Empty
          className={styles.empty!}
          description="Nothing was found on that visit that a frame could prove. Record findings on the Bench; come back after the work and take the same view again."
        />
      )}
      {ready && current && (
        <div className={styles.desk}>
          <ProveList all={all} current={current.finding.id} onOpen={open} onCompareAll={compareAll} />
          <PairDesk key={current.finding.id} earlier={earlier} item={current} visitIds={visitIds} />
        </div>
      )}
    </div>
  );
}
