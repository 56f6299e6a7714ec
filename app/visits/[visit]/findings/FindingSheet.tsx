'use client';

import { Button, Select } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import type { ReportFinding } from '@core/paper/reportFinding';
import { BY_WORDS } from '@core/work/visit/byWords';
import { type FindingValue, findingValueSchema } from '@core/model/findingRow';
import { photosOf } from '@core/work/visit/frames';
import { onlyRow } from '@core/work/visit/theVisit';
import { possibleAt } from '@core/work/findings/possible';
import type { Argued } from '@core/model/arguedRow';
import type { CheckCode } from '@core/method/causes/checks';
import { Causes } from '@ui/finding/Causes';
import { DifferenceHero } from '@ui/finding/DifferenceHero';
import { FigureView } from '@ui/finding/FigureView';
import { CommitText } from '@ui/form/CommitText';
import { Blocks } from '@ui/report/Blocks';
import { useVisit } from '@ui/visit/VisitProvider';
import { Exhibits } from './Exhibits';
import { FixFields } from './FixFields';
import { RemoveFinding } from './RemoveFinding';
import styles from './Findings.module.css';

interface Props {
  finding: ReportFinding;
  values(frameId: string): Float32Array | undefined;
}

/** One finding: its words to edit, its pictures, its numbers, what it rests on and what became of it. */
export function FindingSheet({ finding, values }: Props) {
  const { document, edit } = useVisit();
  const row = document.rows.finding[finding.id]!;
  const { value } = row;
  const change = (label: string, next: Partial<FindingValue>) =>
    edit(label, [{ entity: 'finding', rowId: row.id, value: { ...value, ...next } }]);
  const { shape } = findingValueSchema;
  return (
    <article className={styles.sheet} aria-label={`Finding ${finding.number}`}>
      <header className={styles.head}>
        <span>{[`Finding ${finding.number}`, finding.place, finding.takenAt].filter(Boolean).join(' · ')}</span>
        <span className={styles.acts}>
          {value.frameId && (
            <QuickLink
              href={`/visits/${document.visitId}/bench/${value.frameId}${value.thisRegionId ? `/${value.thisRegionId}` : ''}`}
            >
              <Button>Open on the bench</Button>
            </QuickLink>
          )}
          <RemoveFinding row={row} />
        </span>
      </header>
      <label className={styles.text}>
        <span>What is it?</span>
        <CommitText
          label="What is it?"
          value={value.title}
          schema={shape.title}
          onCommit={(title) => change('Finding renamed', { title })}
        />
      </label>
      <Pictures finding={finding} values={values} onPhoto={(photoId) => change('Photo chosen', { photoId })} />
      {finding.stated && <Numbers finding={finding} value={value} />}
      {finding.problem && <p role="status">{finding.problem}</p>}
      {finding.typed.length > 0 && <Blocks blocks={[{ kind: 'facts', facts: finding.typed }]} values={values} />}
      <p className={styles.sure}>
        <b>How sure:</b> {finding.confidence} {finding.expected}
      </p>
      {finding.repeat !== '' && (
        <p className={styles.gate} role="note">
          {finding.repeat}
        </p>
      )}
      {value.argued && (
        <section className={styles.causes} aria-label="What it probably is">
          <h2>What it probably is</h2>
          <Causes
            argued={value.argued}
            possible={possibleAt(document, value.frameId!, value.argued)}
            onOutcome={(check, outcome) => change('Outcome of a check', { argued: withOutcome(value.argued!, check, outcome) })}
          />
        </section>
      )}
      <div className={styles.pair}>
        <label className={styles.text}>
          <span>Next check</span>
          <CommitText
            label="Next check"
            value={value.next}
            schema={shape.next}
            placeholder="What would settle it"
            onCommit={(next) => {
              if (value.basis !== 'unsolved' || next !== '') change('Next check', { next });
            }}
          />
        </label>
        <div className={styles.text}>
          <span id="answers">Answers the complaint</span>
          <Select
            aria-labelledby="answers"
            value={value.complaintId}
            onChange={(complaintId) => change('Complaint chosen', { complaintId })}
            options={[
              { value: null, label: 'None in particular' },
              ...onlyRow(document, 'intake').value.complaints.map(({ id, place, what }) => ({
                value: id,
                label: `${place}: ${what}`,
              })),
            ]}
          />
        </div>
      </div>
      <label className={styles.text}>
        <span>Note</span>
        <CommitText
          label="Note"
          value={value.note}
          schema={shape.note}
          rows={2}
          onCommit={(note) => change('Note changed', { note })}
        />
      </label>
      {value.basis !== 'nothing' && <FixFields value={value} onPut={change} />}
      <Exhibits finding={row} exhibits={finding.exhibits} first={finding} values={values} />
      {finding.settings.length > 0 && (
        <section className={styles.settings}>
          <h2>Settings</h2>
          <dl>
            {finding.settings.map(({ label, value: words }) => (
              <div key={label}>
                <dt>{label}</dt>
                <dd>{words}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
    </article>
  );
}

const now = () => Date.now();

function withOutcome(argued: Argued, check: CheckCode, outcome: string): Argued {
  return { ...argued, outcomes: [...argued.outcomes, { check, outcome, at: now(), note: '' }] };
}

/** The frame beside its photo. */
function Pictures({
  finding: { stated, figure, photoId },
  values,
  onPhoto,
}: {
  finding: ReportFinding;
  values: Props['values'];
  onPhoto(id: string | null): void;
}) {
  const { document } = useVisit();
  const shown = stated?.figure ?? figure;
  const pixels = shown && values(shown.frameId);
  return (
    <div className={styles.pair}>
      {shown && pixels ? (
        <FigureView
          figure={shown}
          values={pixels}
          label={
            stated
              ? `Thermal frame: ${stated.this.name} ${stated.this.mean}, ${stated.that.name} ${stated.that.mean}`
              : 'Thermal frame'
          }
        />
      ) : (
        <div className={styles.noPhoto}>No frame</div>
      )}
      <div>
        {photoId ? (
          <img className={styles.photo} src={`/api/photos/${photoId}/file`} alt="Photo of the same place" />
        ) : (
          <div className={styles.noPhoto}>No photo</div>
        )}
        <label className={styles.photoChoice}>
          <span>Photo</span>
          <Select
            value={photoId}
            aria-label="Photo of this finding"
            onChange={onPhoto}
            options={[
              { value: null, label: 'No photo' },
              ...photosOf(document).map((photo) => ({ value: photo.id, label: photo.value.name })),
            ]}
          />
        </label>
      </div>
    </div>
  );
}

/** The difference, and its two regions in a table. */
function Numbers({ finding: { stated }, value }: { finding: ReportFinding; value: FindingValue }) {
  if (!stated) return null;
  return (
    <div className={styles.numbers}>
      <DifferenceHero
        thisName={`${BY_WORDS[value.by]}${stated.this.name}`}
        thatName={stated.that.name}
        comparison={stated.comparison}
        more={stated.across ?? undefined}
        hour={stated.hour}
      />
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">Region</th>
            <th scope="col">Mean</th>
            <th scope="col">95 %</th>
            <th scope="col">Range</th>
          </tr>
        </thead>
        <tbody>
          {[stated.this, stated.that].map((region, i) => (
            <tr key={i}>
              <th scope="row">
                {i === 1 && '◆ '}
                {region.name}
              </th>
              <td>{region.mean}</td>
              <td>{region.plusMinus}</td>
              <td>{region.range}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
