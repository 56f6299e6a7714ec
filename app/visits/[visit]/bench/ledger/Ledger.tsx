'use client';

import { Button, Select } from 'antd';
import { useState, type ReactNode } from 'react';
import { CoreError } from '@core/ground/errors';
import { meanUnder } from '@core/method/frame/reading';
import { radiometricSettings } from '@core/method/radiometry/settings';
import { BY_WORDS } from '@core/work/visit/byWords';
import { orderedFrames } from '@core/work/visit/frames';
import { type Comparison, measuredFrame, regionsByFrame, regionsOf } from '@core/work/visit/readings';
import { sameHour, sameHourWords } from '@core/work/visit/sameHour';
import { settingsFor } from '@core/work/visit/settingsInForce';
import type { VisitDocument } from '@core/model/document';
import { cameraOfFrame } from '@core/work/visit/frames';
import type { Row } from '@core/model/entities';
import { DifferenceHero } from '@ui/finding/DifferenceHero';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { Assumed } from './Assumed';
import { FrameDetails } from './FrameDetails';
import { ProbeList } from './ProbeList';
import { RegionLine } from './RegionLine';
import { SettingsPanel } from './SettingsPanel';
import { StatedBy } from './StatedBy';
import { UncertaintyParts } from './UncertaintyParts';
import type { FrameView, RegionReading } from '@core/work/visit/frameView';
import type { RegionEdits } from '../useRegions';
import type { View, ViewAction } from '../view';
import styles from './Ledger.module.css';

interface Props {
  frame: FrameView;
  view: View;
  dispatch(action: ViewAction): void;
  comparison: Comparison | null;
  regions: RegionEdits;
  /** The frame after this one, for copies. */
  next: Row<'frame'> | null;
  onRecord(): void;
  head: ReactNode;
}

/** The numbers that are the result: the difference first, then what it is made of, then the settings behind it. */
export function Ledger({ frame, view, dispatch, comparison, regions, next, onRecord, head }: Props) {
  const { document } = useVisit();
  const units = useUnits();
  const selected = frame.regions.find(({ row }) => row.id === view.selectedId);
  const thatId = document.rows.region[view.againstId ?? '']?.id ?? frame.referenceId;
  const that = document.rows.region[thatId ?? ''];
  const hour = comparison && selected && that ? sameHour(document, selected.row.id, that.id, comparison) : null;
  return (
    <aside className={styles.ledger} aria-label="Ledger">
      {head}
      <div className={styles.scroll}>
        {comparison && selected && that ? (
          <div>
            <DifferenceHero
              thisName={`${BY_WORDS[comparison.by]}${selected.row.value.name}`}
              thatName={that.value.name}
              comparison={comparison}
              more={
                comparison.acrossFrames
                  ? `Across two frames: the ± holds what the camera changes from one to the next.`
                  : otherEmissivity(document, frame, selected, that, units.signedDifference)
              }
              hour={hour && sameHourWords(hour)}
            />
            <StatedBy comparison={comparison} onBy={(by) => dispatch({ kind: 'by', by })} />
            <UncertaintyParts
              uncertainty={comparison.difference.uncertainty}
              of="the difference"
              camera={cameraOfFrame(document, frame.id)}
            />
            <Assumed a={selected.row} b={that} comparison={comparison} />
          </div>
        ) : (
          <NextStep frame={frame} selected={selected} onReference={regions.markReference} />
        )}
        {selected?.row.value.role === 'reading' && (
          <AgainstSelect frame={frame} selectedId={selected.row.id} value={thatId} dispatch={dispatch} />
        )}
        <section>
          <FrameDetails frame={frame} />
          <h2 className={styles.heading}>In this frame</h2>
          {frame.regions.length === 0 && <p className={styles.quiet}>No region yet.</p>}
          <ul className={styles.list}>
            {frame.regions.map((region) => (
              <RegionLine
                key={region.row.id}
                frame={frame}
                region={region}
                reference={region.row.id === frame.referenceId}
                selected={region.row.id === view.selectedId}
                regions={regions}
                next={next}
                onSelect={(regionId) => dispatch({ kind: 'select', regionId })}
                onChart={() =>
                  dispatch({ kind: 'chart', chart: region.row.value.shape.kind === 'line' ? 'profile' : 'histogram' })
                }
              />
            ))}
          </ul>
        </section>
        <ProbeList frame={frame} selected={selected ?? null} />
        <SettingsPanel key={`${frame.id}${view.selectedId ?? ''}`} frame={frame} selected={selected ?? null} />
        <p className={styles.quiet}>± is twice the standard uncertainty: a 95 % interval.</p>
      </div>
      <Button type="primary" size="large" block onClick={onRecord}>
        Record finding <kbd className={styles.key}>Enter</kbd>
      </Button>
    </aside>
  );
}

/** What a region may be compared with: others of its frame first, then those of all other frames. */
function comparable(document: VisitDocument, frame: FrameView, selectedId: string) {
  const groupOf = (row: Row<'frame'>) => ({
    label: row.id === frame.id ? 'This frame' : row.value.name,
    title: row.value.name,
    options: regionsOf(document, row.id)
      .filter(({ id, value: { role } }) => id !== selectedId && role === 'reading')
      .map(({ id, value: { name } }) => ({
        value: id,
        label: `${name}${id === row.value.referenceId ? ' (reference)' : ''}`,
        name: `${name} ${row.value.name}`,
      })),
  });
  const others = orderedFrames(document).filter(({ id }) => id !== frame.id);
  return [frame.row, ...others].map(groupOf).filter(({ options }) => options.length > 0);
}

/** What a region is compared with: the reference, or any other region of the visit. */
function AgainstSelect({
  frame,
  selectedId,
  value,
  dispatch,
}: {
  frame: FrameView;
  selectedId: string;
  value: string | null;
  dispatch(action: ViewAction): void;
}) {
  const { document } = useVisit();
  const [open, setOpen] = useState(false);
  // Thousands of regions are looked through only when somebody wants to see them.
  const groups = open ? comparable(document, frame, selectedId) : [];
  if (frame.regions.length < 2 && regionsByFrame(document).size < 2) return null;
  const against = document.rows.region[value ?? ''];
  const elsewhere = against && against.value.frameId !== frame.id ? document.rows.frame[against.value.frameId] : undefined;
  return (
    <div className={styles.against}>
      <span id="against">Compare with</span>
      <Select
        aria-labelledby="against"
        size="small"
        value={against ? value : null}
        placeholder="a region"
        popupMatchSelectWidth={false}
        showSearch={{ optionFilterProp: 'name' }}
        open={open}
        onOpenChange={setOpen}
        onChange={(regionId: string) => dispatch({ kind: 'against', regionId: regionId === frame.referenceId ? null : regionId })}
        labelRender={() =>
          against && (
            <>
              {against.value.name}
              {against.id === frame.referenceId && ' (reference)'}
              {elsewhere && ` · ${elsewhere.value.name}`}
            </>
          )
        }
        options={groups}
      />
    </div>
  );
}

/** What the difference would be if the emissivity of both were set a little lower: the setting that is most often forgotten. */
function otherEmissivity(
  document: VisitDocument,
  frame: FrameView,
  selected: RegionReading,
  that: Row<'region'>,
  show: (kelvin: number) => string,
): string | undefined {
  const current = settingsFor(document, frame.id, selected.row.id).emissivity.value;
  const other = Math.round((current - 0.05) * 100) / 100;
  if (other <= 0.05) return undefined;
  try {
    const means = [selected.row, that].map((row) => {
      const settings = { ...radiometricSettings(settingsFor(document, frame.id, row.id)), emissivity: other };
      return meanUnder(measuredFrame(document, frame.id, frame.values), row.value, settings);
    });
    return `At emissivity ${other.toFixed(2)} it would be ${show(means[0]! - means[1]!)}.`;
  } catch (error) {
    if (error instanceof CoreError) return undefined;
    throw error;
  }
}

function NextStep({
  frame,
  selected,
  onReference,
}: {
  frame: FrameView;
  selected: RegionReading | undefined;
  onReference(id: string): void;
}) {
  const isReference = selected !== undefined && selected.row.id === frame.referenceId;
  return (
    <section className={styles.next}>
      {frame.referenceId === null ? (
        <>
          <b>What is it colder or warmer than?</b>
          <p>
            Draw a box on sound wall (<kbd>B</kbd>) and mark it as the reference (<kbd>R</kbd>). Every other region is then read
            against it.
          </p>
          {selected?.row.value.role === 'reading' && (
            <Button size="small" onClick={() => onReference(selected.row.id)}>
              Take “{selected.row.value.name}” as the reference
            </Button>
          )}
        </>
      ) : (
        <>
          <b>{isReference ? 'This is the reference' : 'Choose a region to compare'}</b>
          <p>
            Draw a box on the suspect (<kbd>B</kbd>), or choose a region: its difference to the reference appears here.
          </p>
        </>
      )}
    </section>
  );
}
