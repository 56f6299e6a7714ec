'use client';

import { Alert, Form, Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import { KINDS, VISIT_KINDS, type VisitKind } from '@core/model/visitKinds';
import { madeVisitSchema, newVisitSchema } from '@core/work/visit/newVisit';
import type { Row } from '@core/model/entities';
import { postJson, wordsOf } from '@ui/server/api';
import { problemsByField } from '@ui/form/problems';
import { newSite, SiteFields } from '@ui/site/SiteFields';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './NewVisitDialog.module.css';

const NEW = 'new';
const KIND_OPTIONS = VISIT_KINDS.map((kind) => ({ value: kind, label: KINDS[kind].words }));

interface Draft {
  site: string;
  kind: VisitKind;
  title: string;
  rooms: string;
  insideC: number | null;
  outsideC: number | null;
  humidityPct: number | null;
}

function currentTime(): number {
  return Date.now();
}

/** The few things that a visit begins with; only the place is needed. */
export function NewVisitDialog({
  site: known,
  sites,
  onClose,
  onCreated,
}: {
  site: Row<'site'> | null;
  sites: Row<'site'>[];
  onClose(): void;
  onCreated(visitId: string): void;
}) {
  const units = useUnits();
  const [draft, setDraft] = useState<Draft>({
    site: known?.id ?? NEW,
    kind: 'heat-loss',
    title: 'First visit',
    rooms: '',
    insideC: null,
    outsideC: null,
    humidityPct: null,
  });
  const [place, setPlace] = useState(newSite());
  const [tried, setTried] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const change = (next: Partial<Draft>) => setDraft({ ...draft, ...next });

  const celsius = (value: number | null) => (value === null ? null : units.fromField(value));
  const { site: siteId, rooms, insideC, outsideC, ...rest } = draft;
  const wanted = {
    ...rest,
    site: siteId === NEW ? place : { id: siteId },
    question: '',
    insideC: celsius(insideC),
    outsideC: celsius(outsideC),
    rooms: rooms
      .split(/[,\n]/)
      .map((name) => name.trim())
      .filter(Boolean),
  };
  const create = async () => {
    setTried(true);
    const checked = newVisitSchema.safeParse({ ...wanted, startedAt: currentTime() });
    if (!checked.success) return;
    setSending(true);
    try {
      onCreated((await postJson('/api/visits', checked.data, madeVisitSchema)).visitId);
    } catch (error) {
      setProblem(wordsOf(error));
    }
    setSending(false);
  };
  const placeProblems = problemsByField(newVisitSchema.shape.site.options[1].safeParse(place).error);
  const problems = tried ? problemsByField(newVisitSchema.omit({ site: true, startedAt: true }).safeParse(wanted).error) : {};
  const item = (name: string) => ({ validateStatus: problems[name] ? ('error' as const) : undefined, help: problems[name] });
  return (
    <Modal
      open
      width={700}
      style={{ top: 24 }}
      title="New visit"
      okText="Begin the visit"
      onOk={() => void create()}
      onCancel={onClose}
      confirmLoading={sending}
    >
      <Form layout="vertical" component="div" className={styles.form}>
        <div className={styles.three}>
          <Form.Item label="Site" htmlFor="visit-site">
            <Select
              id="visit-site"
              showSearch={{ optionFilterProp: 'label' }}
              value={draft.site}
              options={[{ value: NEW, label: 'A new place' }, ...sites.map((row) => ({ value: row.id, label: row.value.name }))]}
              onChange={(site) => change({ site })}
            />
          </Form.Item>
          <Form.Item label="Why" htmlFor="visit-kind">
            <Select
              id="visit-kind"
              value={draft.kind}
              options={KIND_OPTIONS}
              // All of them at once.
              listHeight={480}
              onChange={(kind) => change({ kind, ...(kind === 'seasonal' && { title: 'Seasonal repeat' }) })}
            />
          </Form.Item>
          <Form.Item label="Visit" htmlFor="visit-title" required {...item('title')}>
            <Input id="visit-title" value={draft.title} onChange={(event) => change({ title: event.target.value })} />
          </Form.Item>
        </div>
        {draft.kind === 'seasonal' && draft.site !== NEW && (
          <p className={styles.hint}>Question, complaints, plan, colours and settings are taken over from the last visit here.</p>
        )}
        {draft.site === NEW && <SiteFields site={place} onChange={setPlace} problems={tried ? placeProblems : {}} />}
        <Form.Item label="Rooms, in the order of the round" htmlFor="visit-rooms" {...item('rooms')} className={styles.rooms}>
          <Input
            id="visit-rooms"
            placeholder={draft.site === NEW ? 'Front room, Stairs, Back bedroom' : 'Only those that are not known yet'}
            value={draft.rooms}
            onChange={(event) => change({ rooms: event.target.value })}
          />
        </Form.Item>
        <p className={styles.hint}>Conditions, if you are there already:</p>
        <div className={styles.three}>
          <Form.Item label={`Air inside, °${units.unit}`} htmlFor="visit-inside" {...item('insideC')}>
            <InputNumber id="visit-inside" value={draft.insideC} onChange={(insideC) => change({ insideC })} />
          </Form.Item>
          <Form.Item label={`Air outside, °${units.unit}`} htmlFor="visit-outside" {...item('outsideC')}>
            <InputNumber id="visit-outside" value={draft.outsideC} onChange={(outsideC) => change({ outsideC })} />
          </Form.Item>
          <Form.Item label="Humidity inside, %" htmlFor="visit-humidity" {...item('humidityPct')}>
            <InputNumber id="visit-humidity" value={draft.humidityPct} onChange={(humidityPct) => change({ humidityPct })} />
          </Form.Item>
        </div>
      </Form>
      {problem && <Alert type="error" title={problem} />}
    </Modal>
  );
}
