'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { EditOutlined, InboxOutlined, PlusOutlined, RollbackOutlined } from '@ant-design/icons';
import { Alert, App, Button, Switch, Tooltip } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { number } from '@core/ground/format';
import { PRACTICE_WORD } from '@core/work/visit/practice';
import { localDay } from '@core/ground/localTime';
import type { Row } from '@core/model/entities';
import type { SiteVisit, SiteWithVisits } from '@core/work/visit/siteWithVisits';
import { isoDay, localDayNumber } from '@core/method/weather/board';
import { madeVisitSchema } from '@core/work/visit/newVisit';
import { postJson, wordsOf } from '@ui/server/api';
import { putRow } from '@ui/form/putRow';
import { useNow } from '@ui/time/useNow';
import { Desk } from '@ui/shell/Desk';
import { DeleteButton } from './DeleteButton';
import styles from './SiteList.module.css';

const SiteDialog = onDemand(() => import('@ui/site/SiteDialog').then((m) => m.SiteDialog));
const NewVisitDialog = onDemand(() => import('./NewVisitDialog').then((m) => m.NewVisitDialog));
const VisitDialog = onDemand(() => import('./VisitDialog').then((m) => m.VisitDialog));

/** All sites with their visits, and the way to new ones. */
export function SiteList({ sites }: { sites: SiteWithVisits[] }) {
  return (
    <Desk here="/">
      <Sites sites={sites} />
    </Desk>
  );
}

function Sites({ sites }: { sites: SiteWithVisits[] }) {
  const router = useRouter();
  const { message } = App.useApp();
  // A visit of a site, or of a place that is not known yet.
  const [beginning, setBeginning] = useState<{ site: Row<'site'> | null } | null>(null);
  const [changing, setChanging] = useState<{ row: Row<'site'> | null } | null>(null);
  const [archive, setArchive] = useState(false);
  // Until the list is fetched anew its rows are old: a change of one would be refused as stale.
  const [fetching, fetchAnew] = useTransition();
  const archived = sites.filter(
    ({ row, visits }) => row.value.archived || visits.some((visit) => visit.row.value.archived),
  ).length;
  const shown = sites.filter(({ row }) => archive || !row.value.archived);
  const keep = (put: Promise<void>) => {
    put.then(() => fetchAnew(() => router.refresh())).catch((error: Error) => message.error(error.message));
  };
  return (
    <>
      <div className={styles.head}>
        <h1>Sites and visits</h1>
        {archived > 0 && (
          <label className={styles.archive}>
            <Switch size="small" checked={archive} onChange={setArchive} /> Show what is put away
          </label>
        )}
        <PracticeButton />
        <Button icon={<PlusOutlined />} onClick={() => setChanging({ row: null })}>
          New site
        </Button>
        <Button type="primary" icon={<PlusOutlined />} onClick={() => setBeginning({ site: null })}>
          New visit
        </Button>
      </div>
      {sites.length === 0 && <Welcome onBegin={() => setBeginning({ site: null })} />}
      <ul className={styles.list}>
        {shown.map((site) => (
          <li key={site.row.id} className={styles.site} data-archived={site.row.value.archived}>
            <div className={styles.siteHead}>
              <span>
                <h2>{site.row.value.name}</h2>
                <small>{[site.row.value.address, placeWords(site.row)].filter(Boolean).join(' · ')}</small>
                <Due site={site} />
              </span>
              <Tooltip title="Change place and façades">
                <Button
                  type="text"
                  icon={<EditOutlined />}
                  disabled={fetching}
                  aria-label={`Change ${site.row.value.name}`}
                  onClick={() => setChanging({ row: site.row })}
                />
              </Tooltip>
              <PutAway
                name={site.row.value.name}
                archived={site.row.value.archived}
                disabled={fetching}
                onChange={(next) => keep(putRow('site', site.row.id, site.row.version, { ...site.row.value, archived: next }))}
              />
              {site.row.value.archived && (
                <DeleteButton
                  entity="site"
                  rowId={site.row.id}
                  version={site.row.version}
                  name={site.row.value.name}
                  disabled={fetching}
                  onDeleted={() => fetchAnew(() => router.refresh())}
                />
              )}
              <Button onClick={() => setBeginning({ site: site.row })} aria-label={`Visit ${site.row.value.name}`}>
                Visit it
              </Button>
            </div>
            {site.visits
              .filter(({ row }) => archive || !row.value.archived)
              .map((visit) => (
                <VisitLine
                  key={visit.row.id}
                  visit={visit}
                  site={site.row}
                  fetching={fetching}
                  onChange={(change) => keep(putRow('visit', visit.row.id, visit.row.version, { ...visit.row.value, ...change }))}
                  onDeleted={() => fetchAnew(() => router.refresh())}
                />
              ))}
          </li>
        ))}
      </ul>
      {beginning && (
        <NewVisitDialog
          site={beginning.site}
          sites={sites.map(({ row }) => row).filter(({ value }) => !value.archived)}
          onClose={() => setBeginning(null)}
          onCreated={(id) => router.push(`/visits/${id}/question`)}
        />
      )}
      {changing && (
        <SiteDialog
          row={changing.row}
          onClose={() => setChanging(null)}
          onKept={() => {
            setChanging(null);
            fetchAnew(() => router.refresh());
          }}
        />
      )}
    </>
  );
}

function placeWords({ value }: Row<'site'>): string {
  if (value.latitude === null || value.longitude === null) return 'no place on the map yet';
  const count = value.facades.length;
  const side = (degrees: number, plus: string, minus: string) => `${number(Math.abs(degrees), 2)}° ${degrees < 0 ? minus : plus}`;
  const place = `${side(value.latitude, 'N', 'S')}, ${side(value.longitude, 'E', 'W')}`;
  return `${place} · ${count === 0 ? 'no façades yet' : `${count} ${count === 1 ? 'façade' : 'façades'}`}`;
}

/** When the next round is due, by what the last visit said. */
function Due({ site: { row, visits } }: { site: SiteWithVisits }) {
  const today = isoDay(localDayNumber(useNow(), row.value.timeZone));
  const day = visits[0]?.row.value.nextDay ?? null;
  if (day === null) return null;
  const words = localDay(`${day}T12:00:00Z`, 'UTC');
  return (
    <small className={styles.due} data-due={day <= today}>
      {day <= today ? `Next round due since ${words}` : `Next round ${words}`}
    </small>
  );
}

function VisitLine({
  visit,
  site,
  fetching,
  onChange,
  onDeleted,
}: {
  visit: SiteVisit;
  site: Row<'site'>;
  fetching: boolean;
  onChange(change: Partial<Row<'visit'>['value']>): void;
  onDeleted(): void;
}) {
  const { frames, findings, row } = visit;
  const [changing, setChanging] = useState(false);
  return (
    <div className={styles.line} data-archived={row.value.archived}>
      <QuickLink href={`/visits/${row.id}/${frames > 0 ? 'bench' : 'question'}`} className={styles.visit}>
        <span>
          <b>{row.value.title}</b> <span className={styles.of}>{site.value.name}</span>{' '}
          {row.value.practice && <span className={styles.practice}>{PRACTICE_WORD}</span>}
          <small>{localDay(row.value.startedAt, site.value.timeZone)}</small>
        </span>
        <span className={styles.counts}>
          {frames} {frames === 1 ? 'frame' : 'frames'}
          <small>
            {findings} {findings === 1 ? 'finding' : 'findings'}
          </small>
        </span>
      </QuickLink>
      <Tooltip title="Change name and day">
        <Button
          type="text"
          icon={<EditOutlined />}
          disabled={fetching}
          aria-label={`Change ${row.value.title} of ${site.value.name}`}
          onClick={() => setChanging(true)}
        />
      </Tooltip>
      <PutAway
        name={row.value.title}
        archived={row.value.archived}
        disabled={fetching}
        onChange={(archived) => onChange({ archived })}
      />
      {row.value.archived && (
        <DeleteButton
          entity="visit"
          rowId={row.id}
          version={row.version}
          name={row.value.title}
          stays="The house stays."
          disabled={fetching}
          onDeleted={onDeleted}
        />
      )}
      {changing && (
        <VisitDialog
          visit={row}
          timeZone={site.value.timeZone}
          onClose={() => setChanging(false)}
          onKeep={(change) => {
            setChanging(false);
            onChange(change);
          }}
        />
      )}
    </div>
  );
}

function PutAway({
  name,
  archived,
  disabled,
  onChange,
}: {
  name: string;
  archived: boolean;
  disabled: boolean;
  onChange(archived: boolean): void;
}) {
  const words = archived ? 'Take out again' : 'Put away: kept, but no longer in the list';
  return (
    <Tooltip title={words}>
      <Button
        type="text"
        icon={archived ? <RollbackOutlined /> : <InboxOutlined />}
        aria-label={`${archived ? 'Take out again' : 'Put away'}: ${name}`}
        disabled={disabled}
        onClick={() => onChange(!archived)}
      />
    </Tooltip>
  );
}

/** A made-up house of one's own to practise on, with its weather and its camera. */
function PracticeButton() {
  const router = useRouter();
  const { message } = App.useApp();
  const [making, setMaking] = useState(false);
  const make = async () => {
    setMaking(true);
    try {
      const { visitId } = await postJson('/api/practice', {}, madeVisitSchema);
      router.push(`/visits/${visitId}/round`);
    } catch (error) {
      void message.error(wordsOf(error));
    }
    setMaking(false);
  };
  return (
    <Button loading={making} onClick={() => void make()}>
      Practise on a made-up house
    </Button>
  );
}

function Welcome({ onBegin }: { onBegin(): void }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [making, setMaking] = useState(false);
  const makeDemo = async () => {
    setMaking(true);
    try {
      const { visitId } = await postJson('/api/demo', {}, madeVisitSchema);
      router.push(`/visits/${visitId}/bench`);
    } catch (error) {
      setProblem(wordsOf(error));
    }
    setMaking(false);
  };
  return (
    <section className={styles.empty}>
      <h2>A visit holds one survey of one home</h2>
      <p>
        Why it was wanted, when to go, its frames and photos, what was found and the report. Begin your own, or look around in a
        made-up one first.
      </p>
      <div className={styles.acts}>
        <Button type="primary" onClick={onBegin}>
          Begin a visit
        </Button>
        <Button loading={making} onClick={() => void makeDemo()}>
          Make the demo visits
        </Button>
      </div>
      {problem && <Alert type="error" title={problem} />}
    </section>
  );
}
