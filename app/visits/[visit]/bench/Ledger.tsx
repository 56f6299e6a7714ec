'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Input, Tooltip } from 'antd';
import { useState } from 'react';
import { CoreError } from '@core/errors';
import { readRegion } from '@core/frame/reading';
import { radiometricSettings } from '@core/radiometry/settings';
import { settingsFor, sourcesFor, type Comparison } from '@core/visit/derive';
import { nameSchema } from '@core/visit/fields';
import type { VisitDocument } from '@core/visit/document';
import { DifferenceHero } from '@ui/finding/DifferenceHero';
import { useUnits } from '@ui/units/UnitProvider';
import { FrameDetails } from './FrameDetails';
import { SettingsPanel } from './SettingsPanel';
import type { BenchFrame, RegionReading } from './useBenchFrame';
import styles from './Ledger.module.css';

interface Props {
  document: VisitDocument;
  frame: BenchFrame;
  selectedId: string | null;
  comparison: Comparison | null;
  onSelect(regionId: string | null): void;
  onRename(regionId: string, name: string): void;
  onRemove(regionId: string): void;
  onReference(regionId: string): void;
  onRecord(): void;
}

/** The numbers that are the result: the difference first, then what it is made of, then the settings behind it. */
export function Ledger({ document, frame, selectedId, comparison, onSelect, onRename, onRemove, onReference, onRecord }: Props) {
  const units = useUnits();
  const selected = frame.regions.find(({ row }) => row.id === selectedId);
  const reference = frame.regions.find(({ row }) => row.id === frame.referenceId);
  return (
    <aside className={styles.ledger} aria-label="Ledger">
      <div className={styles.scroll}>
        {comparison && selected && reference ? (
          <DifferenceHero
            thisName={selected.row.value.name}
            thatName={reference.row.value.name}
            comparison={comparison}
            more={otherEmissivity(document, frame, selected, reference, units.signedDifference)}
          />
        ) : (
          <NextStep frame={frame} selected={selected} onReference={onReference} />
        )}
        <section>
          <FrameDetails row={frame.row} />
          <h2 className={styles.heading}>In this frame</h2>
          {frame.regions.length === 0 && <p className={styles.quiet}>No region yet.</p>}
          <ul className={styles.list}>
            {frame.regions.map((region) => (
              <RegionLine
                key={region.row.id}
                region={region}
                reference={region.row.id === frame.referenceId}
                selected={region.row.id === selectedId}
                onSelect={onSelect}
                onRename={onRename}
                onRemove={onRemove}
                onReference={onReference}
              />
            ))}
          </ul>
        </section>
        <SettingsPanel key={`${frame.id}${selectedId ?? ''}`} document={document} frame={frame} selected={selected ?? null} />
        <p className={styles.quiet}>± is twice the standard uncertainty: a 95 % interval.</p>
      </div>
      <Button type="primary" size="large" block disabled={!comparison} onClick={onRecord}>
        Record finding <kbd className={styles.key}>Enter</kbd>
      </Button>
    </aside>
  );
}

/** What the difference would be if the emissivity of both were set a little lower: the setting that is most often forgotten. */
function otherEmissivity(
  document: VisitDocument,
  frame: BenchFrame,
  selected: RegionReading,
  reference: RegionReading,
  show: (kelvin: number) => string,
): string | undefined {
  const current = settingsFor(document, frame.id, selected.row.id).emissivity.value;
  const other = Math.round((current - 0.05) * 100) / 100;
  if (other <= 0.05) return undefined;
  try {
    const means = [selected, reference].map(({ row }) => {
      const settings = { ...radiometricSettings(settingsFor(document, frame.id, row.id)), emissivity: other };
      const { width, height, basis } = frame.facts;
      return readRegion(
        { width, height, basis, values: frame.values },
        row.value,
        settings,
        frame.facts.noiseK,
        sourcesFor(document, frame.id),
      ).statistics.mean;
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
  frame: BenchFrame;
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
          {selected && (
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

interface LineProps {
  region: RegionReading;
  reference: boolean;
  selected: boolean;
  onSelect(regionId: string | null): void;
  onRename(regionId: string, name: string): void;
  onRemove(regionId: string): void;
  onReference(regionId: string): void;
}

function RegionLine({ region, reference, selected, onSelect, onRename, onRemove, onReference }: LineProps) {
  const units = useUnits();
  const { row, reading, problem } = region;
  const sign = reference ? '◆' : row.value.shape.kind === 'spot' ? '+' : '▭';
  return (
    <li className={styles.region} data-selected={selected} data-reference={reference}>
      <button type="button" className={styles.line} aria-pressed={selected} onClick={() => onSelect(selected ? null : row.id)}>
        <span aria-hidden="true" className={styles.sign}>
          {sign}
        </span>
        <span className={styles.name}>
          {row.value.name} {reference && <small>reference</small>}
        </span>
        {reading ? (
          <>
            <b>{units.temperature(reading.statistics.mean)}</b>
            <em>{units.plusMinus(reading.uncertainty.total)}</em>
          </>
        ) : (
          <b className={styles.none}>no reading</b>
        )}
      </button>
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      {selected && (
        <div className={styles.details}>
          {reading && (
            <p className={styles.quiet}>
              {reading.statistics.count} px · {units.bareTemperature(reading.statistics.min)} …{' '}
              {units.temperature(reading.statistics.max)} · median {units.bareTemperature(reading.statistics.median)}
              {reading.statistics.std !== null && ` · spread ${units.difference(reading.statistics.std)}`}
            </p>
          )}
          <NameField key={row.value.name} name={row.value.name} onRename={(name) => onRename(row.id, name)} />
          <div className={styles.acts}>
            <Button size="small" disabled={reference} onClick={() => onReference(row.id)}>
              Mark as reference
            </Button>
            <Tooltip title="Remove this region (Delete)">
              <Button
                size="small"
                type="text"
                icon={<DeleteOutlined />}
                aria-label={`Remove ${row.value.name}`}
                onClick={() => onRemove(row.id)}
              />
            </Tooltip>
          </div>
        </div>
      )}
    </li>
  );
}

const regionName = nameSchema(80);

function NameField({ name, onRename }: { name: string; onRename(name: string): void }) {
  const [typed, setTyped] = useState(name);
  const checked = regionName.safeParse(typed);
  const keep = () => {
    if (checked.success) onRename(checked.data);
    else setTyped(name);
  };
  return (
    <label className={styles.nameField}>
      <span>Name</span>
      <Input
        size="small"
        value={typed}
        status={checked.success ? '' : 'error'}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onPressEnter={(event) => event.currentTarget.blur()}
      />
      {!checked.success && <em role="alert">The name {checked.error.issues[0]!.message}.</em>}
    </label>
  );
}
