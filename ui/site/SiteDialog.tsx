'use client';

import { Alert, Form, Modal } from 'antd';
import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type { Row } from '@core/model/entities';
import { siteValueSchema } from '@core/model/siteRow';
import { problemsByField } from '@ui/form/problems';
import { putRow } from '@ui/form/putRow';
import { newSite, SiteFields } from './SiteFields';

/** Makes a site, or changes one. */
export function SiteDialog({ row, onClose, onKept }: { row: Row<'site'> | null; onClose(): void; onKept(): void }) {
  const [site, setSite] = useState(row?.value ?? newSite());
  const [tried, setTried] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const checked = siteValueSchema.safeParse({ archived: false, ...site });
  const keep = async () => {
    setTried(true);
    if (!checked.success) return;
    setSending(true);
    try {
      await putRow('site', row?.id ?? newId(), row?.version ?? 0, checked.data);
      onKept();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
    setSending(false);
  };
  return (
    <Modal
      open
      width={680}
      style={{ top: 40 }}
      title={row ? `Change ${row.value.name}` : 'New site'}
      okText="Keep the site"
      onOk={() => void keep()}
      onCancel={onClose}
      confirmLoading={sending}
    >
      <Form layout="vertical" component="div">
        <SiteFields
          site={site}
          onChange={(next) => setSite({ ...site, ...next })}
          problems={tried ? problemsByField(checked.error) : {}}
        />
      </Form>
      {problem && <Alert type="error" title={problem} />}
    </Modal>
  );
}
