'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { sideOf } from '@core/work/visit/standing';
import { CloseOutlined, ExperimentOutlined } from '@ant-design/icons';
import { Button, InputNumber, Segmented, Tooltip } from 'antd';
import { useState } from 'react';
import { CoreError } from '@core/ground/errors';
import { meanUnder } from '@core/method/frame/reading';
import {
  isInsideOnly,
  NO_SETTINGS,
  radiometricSettings,
  saysNothing,
  settingsSchema,
  withSetting,
  type Level,
  type ResolvedSettings,
  type SettingName,
  type Settings,
  type Sourced,
} from '@core/method/radiometry/settings';
import { measuredFrame } from '@core/work/visit/readings';
import { settingsFor, settingsRow } from '@core/work/visit/settingsInForce';
import type { VisitDocument } from '@core/model/document';
import { originOf } from '@core/work/visit/originOf';
import { number } from '@core/ground/format';
import { AssumedTap } from '@ui/form/AssumedTap';
import { settingsIdOf } from '@core/ground/rowId';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import { materialUncertainty, materialWords } from '@core/model/materials';
import { MaterialSelect } from './MaterialSelect';
import type { FrameView, RegionReading } from '@core/work/visit/frameView';
import styles from './SettingsPanel.module.css';

const Experiments = onDemand(() => import('../experiments/Experiments').then((m) => m.Experiments));

const FIELDS: { name: SettingName; label: string; gloss: string; step: number; celsius?: boolean; unit?: string }[] = [
  {
    name: 'emissivity',
    label: 'Emissivity',
    gloss: 'How well the surface emits, 0 to 1. Paint, plaster, brick and wood lie near 0.95, bare metal far below.',
    step: 0.01,
  },
  {
    name: 'reflectedC',
    label: 'Reflected',
    gloss:
      'Reflected apparent temperature: what the surface mirrors. Read crumpled foil held where the target is, at emissivity 1.',
    step: 0.5,
    celsius: true,
  },
  { name: 'airC', label: 'Air', gloss: 'Air between camera and surface.', step: 0.5, celsius: true },
  {
    name: 'humidityPct',
    label: 'Humidity',
    gloss: 'Of the air; dew point and humidity at surfaces follow from it.',
    step: 1,
    unit: '%',
  },
  { name: 'distanceM', label: 'Distance', gloss: 'From the camera to the surface.', step: 0.1, unit: 'm' },
  {
    name: 'transmittance',
    label: 'Transmittance',
    gloss: 'Share that the air lets through; 1 for a clear, short path.',
    step: 0.01,
  },
];

/** Settings in force, each with where it comes from and what a change of it would do; set at the level that is chosen. */
export function SettingsPanel({ frame, selected }: { frame: FrameView; selected: RegionReading | null }) {
  const { document, edit } = useVisit();
  const [experiment, setExperiment] = useState(false);
  const [level, setLevel] = useState<Level>(selected ? 'region' : 'frame');
  const resolved = settingsFor(document, frame.id, selected?.row.id);
  const owner = {
    visit: document.visitId,
    surface: frame.row.value.surfaceId,
    frame: frame.id,
    region: selected?.row.id ?? null,
  }[level];
  const own = owner === null ? undefined : settingsRow(document, owner);

  const { level: _level, ownerId: _owner, ...before } = own?.value ?? { ...NO_SETTINGS, level, ownerId: '' };
  const putSettings = (next: Settings, label: string) => {
    if (owner === null) return;
    const value = saysNothing(next) ? null : { ...next, level, ownerId: owner };
    edit(label, [{ entity: 'settings', rowId: own?.id ?? settingsIdOf(owner), value }]);
  };
  const put = (name: SettingName, value: number | null) =>
    putSettings(
      withSetting(before, name, value),
      `${FIELDS.find((field) => field.name === name)!.label} ${value === null ? 'taken from above' : 'set'}`,
    );

  return (
    <section className={styles.panel} aria-label="Settings">
      <h2 className={styles.heading}>
        Settings of{' '}
        <Segmented<Level>
          size="small"
          aria-label="Level at which settings are changed"
          value={level}
          onChange={setLevel}
          options={[
            { value: 'visit', label: 'visit' },
            { value: 'surface', label: 'surface', disabled: frame.row.value.surfaceId === null },
            { value: 'frame', label: 'frame' },
            ...(selected ? [{ value: 'region' as const, label: 'region' }] : []),
          ]}
        />
      </h2>
      {FIELDS.map((field) => (
        <SettingField
          key={`${field.name}${level}`}
          field={field}
          document={document}
          frameId={frame.id}
          resolved={resolved}
          ownValue={own?.value[field.name] ?? null}
          level={level}
          inside={level === 'visit' && isInsideOnly(field.name, { side: sideOf(document, frame.id) })}
          effect={effectOf(field.name, resolved, document, frame, selected)}
          onPut={(value) => put(field.name, value)}
        />
      ))}
      <div className={styles.helps}>
        <MaterialSelect
          onMaterial={(material) =>
            putSettings(
              {
                ...before,
                emissivity: material.emissivity,
                emissivityU: materialUncertainty(material),
                emissivityFrom: materialWords(material),
                emissivityShares: null,
                material: materialWords(material),
              },
              `Emissivity of ${materialWords(material)}`,
            )
          }
        />
        <Button size="small" icon={<ExperimentOutlined />} onClick={() => setExperiment(true)}>
          Find by experiment
        </Button>
      </div>
      {resolved.palm.value && (
        <p className={styles.note}>
          {resolved.palm.value === 'emits'
            ? 'A palm left a print here: it can be read.'
            : 'A palm left no print here: it mirrors.'}{' '}
          {own?.value.palm && (
            <Button size="small" type="link" onClick={() => putSettings({ ...before, palm: null }, 'Palm print taken away')}>
              Take away
            </Button>
          )}
        </p>
      )}
      {experiment && <Experiments frame={frame} onClose={() => setExperiment(false)} />}
    </section>
  );
}

interface FieldProps {
  document: VisitDocument;
  frameId: string;
  field: (typeof FIELDS)[number];
  resolved: ResolvedSettings;
  /** Set at the chosen level, or null. */
  ownValue: number | null;
  level: Level;
  /** Said of the visit it holds inside, and this frame lies outdoors. */
  inside: boolean;
  effect: { words: string; kelvin: number } | null;
  onPut(value: number | null): void;
}

function SettingField({ document, frameId, field, resolved, ownValue, level, inside, effect, onPut }: FieldProps) {
  const units = useUnits();
  const { value, origin } = resolved[field.name];
  const where = originOf(document, frameId, field.name, origin);
  // The sky is not known by nodding: foil tells it.
  const nodded = (origin === 'default' || origin === 'air') && value !== null && !inside;
  const yes = nodded
    ? field.celsius
      ? units.temperature(value)
      : [number(value, 2), field.unit].filter(Boolean).join(' ')
    : null;
  const from = 'from' in resolved[field.name] ? (resolved[field.name] as Sourced).from : null;
  const shown = ownValue ?? (level === 'region' || origin !== 'region' ? value : null);
  const toField = (stored: number | null) =>
    stored === null ? null : field.celsius ? units.toField(stored) : Number(stored.toFixed(field.name === 'humidityPct' ? 1 : 3));
  const [typed, setTyped] = useState<number | null | undefined>(undefined);
  const wanted = typed === undefined ? undefined : typed === null ? null : field.celsius ? units.fromField(typed) : typed;
  const checked = wanted === undefined ? null : settingsSchema.shape[field.name].safeParse(wanted);
  const problem = checked && !checked.success ? checked.error.issues[0]!.message : null;
  const keep = () => {
    if (checked?.success && typed !== toField(shown)) onPut(checked.data);
    // A value that cannot be stays in the field with its reason until it is corrected or left empty.
    if (!problem) setTyped(undefined);
  };
  return (
    <div className={styles.field}>
      <Tooltip title={field.gloss} placement="left">
        <label htmlFor={`setting-${field.name}`}>{field.label}</label>
      </Tooltip>
      <InputNumber
        id={`setting-${field.name}`}
        size="small"
        disabled={inside}
        value={typed === undefined ? toField(shown) : typed}
        step={field.step}
        status={problem ? 'error' : ''}
        suffix={field.celsius ? `°${units.unit}` : (field.unit ?? <span />)}
        onChange={setTyped}
        onBlur={keep}
        onPressEnter={(event) => (event.target as HTMLElement).blur()}
      />
      <span className={styles.note}>
        {inside ? (
          'inside only'
        ) : problem ? (
          <em role="alert">
            {field.label} {problem}
          </em>
        ) : (
          <>
            {effect ? `${effect.words}: ${units.signedDifference(effect.kelvin)}` : value === null ? 'not set' : where.short}
            {effect && <small>{where.short}</small>}
            {from && <small>{from}</small>}
            {yes !== null && <AssumedTap field={field.label} how=" · " words={yes} onSay={() => onPut(value)} />}
          </>
        )}
      </span>
      {ownValue !== null && (
        <Tooltip title={`Set on this ${level}; take it from above again`}>
          <Button
            size="small"
            type="text"
            icon={<CloseOutlined />}
            aria-label={`Take ${field.label} from above`}
            onClick={() => onPut(null)}
          />
        </Tooltip>
      )}
    </div>
  );
}

/** What the reading of the chosen region would do under another value: K against now. */
function effectOf(
  name: SettingName,
  resolved: ResolvedSettings,
  document: VisitDocument,
  frame: FrameView,
  selected: RegionReading | null,
): { words: string; kelvin: number } | null {
  if (!selected?.reading || (name !== 'emissivity' && name !== 'reflectedC')) return null;
  const now = radiometricSettings(resolved);
  const emissivity = Math.round((now.emissivity > 0.1 ? now.emissivity - 0.05 : now.emissivity + 0.05) * 100) / 100;
  const other = name === 'emissivity' ? { ...now, emissivity } : { ...now, reflected: now.reflected + 5 };
  try {
    const mean = meanUnder(measuredFrame(document, frame.id, frame.values), selected.row.value, other);
    return {
      words: name === 'emissivity' ? `at ${emissivity.toFixed(2)}` : '+5 K',
      kelvin: mean - selected.reading.statistics.mean,
    };
  } catch (error) {
    if (error instanceof CoreError) return null;
    throw error;
  }
}
