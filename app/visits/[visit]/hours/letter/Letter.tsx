'use client';

import { ArrowLeftOutlined, CopyOutlined, DownloadOutlined } from '@ant-design/icons';
import { Alert, App, Button } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { letterOf } from '@core/paper/letterOf';
import { isPractice, PRACTICE_FOOT } from '@core/work/visit/practice';
import { onlyRow, siteOf } from '@core/work/visit/theVisit';
import { planValueSchema } from '@core/model/planRow';
import { handoutFromText } from '@core/paper/handout';
import { CommitText } from '@ui/form/CommitText';
import { usePdf } from '@ui/pdf/usePdf';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { weatherWords } from '@ui/weather/weatherWords';
import { useHours } from '../useHours';
import { slotWords } from '../SlotList';
import styles from './Letter.module.css';

/** What the householder is asked to do, and from when; follows the plan until somebody changes it. */
export function Letter() {
  const { document, edit } = useVisit();
  const { message } = App.useApp();
  const pdf = usePdf();
  const { unit } = useUnits();
  const { week } = useHours();
  const row = onlyRow(document, 'plan');
  const site = siteOf(document);
  const written = letterOf(
    document,
    week && { season: week.result.season, slots: week.slots, weather: weatherWords(week.weather, site.timeZone) },
    unit,
  );
  const slot = row.value.slot ?? week?.slots[0] ?? null;
  const text = row.value.letter ?? written;
  const put = (label: string, letter: string | null) =>
    edit(label, [{ entity: 'plan', rowId: row.id, value: { ...row.value, letter } }]);
  const copy = async () => {
    await navigator.clipboard.writeText(text);
    void message.success('The letter is copied as plain text.');
  };
  return (
    <div className={styles.desk}>
      <div className={styles.bar}>
        <QuickLink href={`/visits/${document.visitId}/hours`}>
          <Button type="text" icon={<ArrowLeftOutlined />}>
            Hours
          </Button>
        </QuickLink>
        <h1>Letter to the householder</h1>
        {row.value.letter !== null && (
          <Button onClick={() => put('Letter follows the plan', null)}>Write it anew from the plan</Button>
        )}
        <Button icon={<CopyOutlined />} onClick={() => void copy()}>
          Copy text
        </Button>
        {pdf.state.running ? (
          <Button onClick={pdf.cancel}>Making the PDF … cancel</Button>
        ) : (
          <Button
            type="primary"
            icon={<DownloadOutlined />}
            onClick={() =>
              void pdf.make('/api/handouts', {
                ...handoutFromText(text, [site.name, site.address].filter(Boolean).join(', '), `${site.name} letter`),
                foot: isPractice(document) ? PRACTICE_FOOT : '',
              })
            }
          >
            Download PDF
          </Button>
        )}
      </div>
      {pdf.state.problem && <Alert type="error" title={pdf.state.problem} />}
      <p className={styles.quiet}>
        {row.value.letter === null
          ? row.value.slot
            ? `Written for ${slotWords(row.value.slot, site.timeZone)}. Change a word and it stays as you leave it.`
            : slot
              ? `No slot is settled yet: written for the best one, ${slotWords(slot, site.timeZone)}.`
              : 'No slot is settled yet: times are hours before the visit.'
          : 'Changed by hand: it no longer follows the plan.'}
      </p>
      <article className={styles.sheet}>
        <CommitText
          label="Letter"
          value={text}
          schema={planValueSchema.shape.letter.unwrap()}
          rows={28}
          onCommit={(letter) => put('Letter changed', letter)}
        />
      </article>
    </div>
  );
}
