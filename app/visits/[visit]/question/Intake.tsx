'use client';

import { ArrowRightOutlined } from '@ant-design/icons';
import { Button, Checkbox, Radio } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { onlyRow, roomsOf, visitRow } from '@core/work/visit/theVisit';
import { KINDS, VISIT_KINDS, type VisitKind } from '@core/model/visitKinds';
import { type IntakeValue, intakeValueSchema } from '@core/model/intakeRow';
import { visitValueSchema } from '@core/model/visitRow';
import { CommitText } from '@ui/form/CommitText';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useVisit } from '@ui/visit/VisitProvider';
import { PairList } from './PairList';
import styles from './Intake.module.css';

const {
  complaints: complaintsSchema,
  history: historySchema,
  people: peopleSchema,
  access: accessSchema,
} = intakeValueSchema.shape;

/** Why the survey is wanted: the first step, one page. */
export function Intake() {
  const { document, edit } = useVisit();
  const visit = visitRow(document);
  const intake = onlyRow(document, 'intake');
  const plan = onlyRow(document, 'plan');
  const { kind, complaints, history, people, access } = intake.value;
  const put = (label: string, change: Partial<IntakeValue>) =>
    edit(label, [{ entity: 'intake', rowId: intake.id, value: { ...intake.value, ...change } }]);
  const putKind = (next: VisitKind) =>
    edit('Kind of visit', [
      { entity: 'intake', rowId: intake.id, value: { ...intake.value, kind: next } },
      { entity: 'plan', rowId: plan.id, value: { ...plan.value, strictness: KINDS[next].strictness } },
    ]);
  return (
    <div className={styles.desk}>
      <div className={styles.head}>
        <h1>Why is the survey wanted?</h1>
        <UndoButtons />
        <QuickLink href={`/visits/${document.visitId}/hours`}>
          <Button type="primary" icon={<ArrowRightOutlined />} iconPlacement="end">
            Choose the hours
          </Button>
        </QuickLink>
      </div>
      <div className={styles.columns}>
        <section className={styles.card}>
          <h2 id="kind">Kind of visit</h2>
          <Radio.Group
            className={styles.kinds}
            aria-labelledby="kind"
            optionType="button"
            buttonStyle="solid"
            value={kind}
            options={VISIT_KINDS.map((one) => ({ value: one, label: KINDS[one].words }))}
            onChange={(event) => putKind(event.target.value as VisitKind)}
          />
          <h2>The question</h2>
          <CommitText
            label="The question"
            value={visit.value.question}
            schema={visitValueSchema.shape.question}
            placeholder="Why does the front room never warm up?"
            rows={2}
            onCommit={(question) =>
              edit('Question changed', [{ entity: 'visit', rowId: visit.id, value: { ...visit.value, question } }])
            }
          />
          <h2>Complaints, room by room</h2>
          <PairList
            lines={complaints.map(({ id, place, what }) => ({ id, texts: [place, what] }))}
            fields={[
              { name: 'Room', placeholder: 'Front room', schema: complaintsSchema.element.shape.place },
              {
                name: 'Complaint',
                placeholder: 'Cold near the window in the evening',
                schema: complaintsSchema.element.shape.what,
              },
            ]}
            suggestions={roomsOf(document).map(({ value }) => value.name)}
            addWords="Add a complaint"
            onChange={(lines) =>
              put('Complaints', {
                complaints: lines.map(({ id, texts: [place, what] }) => ({
                  id,
                  place,
                  what,
                  answer: complaints.find((one) => one.id === id)?.answer ?? '',
                })),
              })
            }
          />
          <h2>What was done to the house</h2>
          <PairList
            lines={history.map(({ id, what, when }) => ({ id, texts: [what, when] }))}
            fields={[
              {
                name: 'Removed, boarded, added, insulated',
                placeholder: 'Chimney taken out',
                schema: historySchema.element.shape.what,
              },
              { name: 'When', placeholder: '2019', schema: historySchema.element.shape.when },
            ]}
            addWords="Add to the history"
            wideFirst
            onChange={(lines) => put('History', { history: lines.map(({ id, texts: [what, when] }) => ({ id, what, when })) })}
          />
          <Checkbox checked={intake.value.ownHome} onChange={(event) => put('Own home', { ownHome: event.target.checked })}>
            Who lives there surveys it
          </Checkbox>
          <div className={styles.two}>
            <div>
              <h2>People and pets to mind</h2>
              <CommitText
                label="People and pets to mind"
                value={people}
                schema={peopleSchema}
                placeholder="A baby sleeps from seven; one cat"
                rows={2}
                onCommit={(next) => put('People and pets', { people: next })}
              />
            </div>
            <div>
              <h2>Access</h2>
              <CommitText
                label="Access"
                value={access}
                schema={accessSchema}
                placeholder="Key with the neighbour; loft ladder in the shed"
                rows={2}
                onCommit={(next) => put('Access', { access: next })}
              />
            </div>
          </div>
        </section>
        <Follows kind={kind} history={history.length} complaints={complaints.map(({ place }) => place)} />
      </div>
    </div>
  );
}

/** What the answers set: hours, bag, first stops. */
function Follows({ kind, complaints, history }: { kind: VisitKind; complaints: string[]; history: number }) {
  const { hours, bring, stops, strictness } = KINDS[kind];
  return (
    <aside className={styles.card} aria-label="What follows from it">
      <h2>What follows from it</h2>
      <h3>Hours</h3>
      <p>
        {hours} {strictness === 'strict' ? 'Hours are judged strictly.' : ''}
      </p>
      <h3>Bring</h3>
      <ul>
        {bring.map((thing) => (
          <li key={thing}>{thing}</li>
        ))}
      </ul>
      <h3>Look first at</h3>
      <ul>
        {[...new Set(complaints)].map((place) => (
          <li key={place}>
            <b>{place}</b>, because of the complaint
          </li>
        ))}
        {history > 0 && <li>The places of the house&apos;s history</li>}
        {stops.map((stop) => (
          <li key={stop}>{stop}</li>
        ))}
      </ul>
    </aside>
  );
}
