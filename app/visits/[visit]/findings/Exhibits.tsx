'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type { Row } from '@core/model/entities';
import { exhibitBlocks } from '@core/paper/blocks';
import type { ReportExhibit, ReportFinding } from '@core/paper/reportFinding';
import { type ExhibitRole, exhibitValueSchema, ROLE_WORDS } from '@core/model/exhibitRow';
import { framesOf, photosOf } from '@core/work/visit/frames';
import { secondLook } from '@core/work/visit/secondLook';
import { CommitText } from '@ui/form/CommitText';
import { Blocks } from '@ui/report/Blocks';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Findings.module.css';

const now = () => Date.now();

/** Further pictures of a finding: more of it, its other side, a look after the fix. */
export function Exhibits({
  finding,
  first,
  exhibits,
  values,
}: {
  finding: Row<'finding'>;
  first: ReportFinding;
  exhibits: readonly ReportExhibit[];
  values(frameId: string): Float32Array | undefined;
}) {
  const { document, edit } = useVisit();
  const [role, setRole] = useState<ExhibitRole>('also');
  const add = (picked: string) => {
    const [kind, id] = picked.split(' ') as ['frame' | 'photo', string];
    if (kind === 'photo') {
      const pair = { frameId: null, thisRegionId: null, thatRegionId: null, by: finding.value.by };
      const value = { findingId: finding.id, role, ...pair, photoId: id, note: '', addedAt: now() };
      return edit('Picture added', [{ entity: 'exhibit', rowId: newId(), value }]);
    }
    const look = secondLook(document, finding, id, role, newId, now());
    edit('Picture added', [
      ...look.regions.map((region) => ({ entity: 'region' as const, rowId: region.id, value: region.value })),
      { entity: 'exhibit', rowId: newId(), value: look.exhibit },
    ]);
  };
  return (
    <section className={styles.exhibits} aria-label="Further pictures">
      {exhibits.map((exhibit) => {
        const row = document.rows.exhibit[exhibit.id]!;
        return (
          <div key={exhibit.id} className={styles.exhibit}>
            <Button
              icon={<DeleteOutlined />}
              aria-label={`Remove ${exhibit.heading}`}
              onClick={() => edit('Picture removed', [{ entity: 'exhibit', rowId: exhibit.id, value: null }])}
            />
            <Blocks blocks={exhibitBlocks({ ...exhibit, note: '' }, first)} values={values} />
            <CommitText
              label={`Note to ${exhibit.heading}`}
              placeholder="Note"
              value={row.value.note}
              schema={exhibitValueSchema.shape.note}
              onCommit={(note) => edit('Note changed', [{ entity: 'exhibit', rowId: row.id, value: { ...row.value, note } }])}
            />
          </div>
        );
      })}
      <div className={styles.addExhibit}>
        <Select<ExhibitRole>
          aria-label="What it shows"
          value={role}
          onChange={setRole}
          options={(['also', 'other-side', 'after', 'beside'] as const).map((value) => ({ value, label: ROLE_WORDS[value] }))}
        />
        <Select<string>
          aria-label="Add a frame or photo"
          placeholder="Add a frame or photo"
          value={null}
          showSearch={{ optionFilterProp: 'label' }}
          onChange={(picked) => picked && add(picked)}
          options={[
            ...framesOf(document)
              .filter(({ id }) => id !== finding.value.frameId)
              .map(({ id, value }) => ({ value: `frame ${id}`, label: value.name })),
            ...photosOf(document).map(({ id, value }) => ({ value: `photo ${id}`, label: `Photo: ${value.name}` })),
          ]}
        />
      </div>
    </section>
  );
}
