'use client';

import { Select } from 'antd';
import { useId, useMemo } from 'react';
import { v7 as newId } from 'uuid';
import { CoreError } from '@core/ground/errors';
import { seenIn } from '@core/method/frame/reading';
import type { Outcome, Surroundings } from '@core/method/radiometry/experiments';
import { type Input, sharesOf, type UncertaintyPart } from '@core/method/radiometry/quantity';
import { NO_SETTINGS, type Level, type Settings } from '@core/method/radiometry/settings';
import type { SeenMean } from '@core/method/radiometry/uncertainty';
import { takenAtOf } from '@core/work/visit/frames';
import { measuredFrame } from '@core/work/visit/readings';
import { cameraErrorsFor, settingsRow, uncertainSettingsFor } from '@core/work/visit/settingsInForce';
import { siteOf } from '@core/work/visit/theVisit';
import { settingsIdOf } from '@core/ground/rowId';
import { localTime } from '@core/ground/localTime';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import type { FrameView } from '@core/work/visit/frameView';
import dialog from '../Dialogs.module.css';

export interface ExperimentProps {
  frame: FrameView;
  onDone(): void;
}

/** Regions of the frame that can be read, to choose from. */
export function RegionSelect({
  frame,
  label,
  value,
  onChange,
}: {
  frame: FrameView;
  label: string;
  value: string | null;
  onChange(regionId: string): void;
}) {
  const options = frame.regions.filter(({ reading }) => reading).map(({ row }) => ({ value: row.id, label: row.value.name }));
  const id = useId();
  return (
    <>
      <span id={id}>{label}</span>
      <Select
        aria-labelledby={id}
        value={value}
        placeholder={options.length === 0 ? 'Draw a region on it first' : 'Choose its region'}
        onChange={onChange}
        options={options}
      />
    </>
  );
}

/** The mean of a region as the camera saw it. Null while there is none. */
export function useSeen(frame: FrameView, regionId: string | null): SeenMean | null {
  const { document } = useVisit();
  return useMemo(() => {
    const region = frame.regions.find(({ row }) => row.id === regionId)?.row;
    if (!region) return null;
    const { blur } = cameraErrorsFor(document, frame.id);
    return seenIn(measuredFrame(document, frame.id, frame.values), { id: region.id, ...region.value }, blur);
  }, [document, frame, regionId]);
}

/** What a surface of the frame is surrounded by, as its settings have it. */
export function useSurroundings(frame: FrameView): Surroundings {
  const { document } = useVisit();
  return uncertainSettingsFor(document, frame.id);
}

/** Runs an experiment; a refusal is its answer as well. */
export function tried(run: () => Outcome | null): { outcome: Outcome | null; problem: string | null } {
  try {
    return { outcome: run(), problem: null };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { outcome: null, problem: `${error.message} ${error.hint}` };
  }
}

/** What came out, with its ± and what to mind. */
export function OutcomeView({
  outcome,
  problem,
  words,
}: {
  outcome: Outcome | null;
  problem: string | null;
  words(outcome: Outcome): string;
}) {
  if (problem) {
    return (
      <p role="alert" className={dialog.warning}>
        {problem}
      </p>
    );
  }
  if (!outcome) return null;
  return (
    <div className={dialog.result} role="status">
      <b>{words(outcome)}</b>
      {outcome.warnings.map(({ code, words: why }) => (
        <p key={code} className={dialog.warning}>
          {why}
        </p>
      ))}
    </div>
  );
}

export function useWords() {
  const units = useUnits();
  return {
    emissivity: ({ value, uncertainty }: Outcome) => `Emissivity ${value.toFixed(2)} ± ${(2 * uncertainty).toFixed(2)}`,
    reflected: ({ value, uncertainty }: Outcome) => `Reflected ${units.temperature(value)} ${units.plusMinus(uncertainty)}`,
  };
}

/** Where a result belongs: levels that the frame has. */
export function LevelSelect({
  frame,
  regionId,
  value,
  onChange,
}: {
  frame: FrameView;
  /** The region that it may belong to; null for none. */
  regionId: string | null;
  value: Level;
  onChange(level: Level): void;
}) {
  const { document } = useVisit();
  const { surfaceId } = frame.row.value;
  const surface = document.rows.surface[surfaceId ?? '']?.value.name;
  const region = document.rows.region[regionId ?? '']?.value.name;
  return (
    <>
      <span id="belongs-to">It holds for</span>
      <Select<Level>
        aria-labelledby="belongs-to"
        value={value}
        onChange={onChange}
        options={[
          ...(region ? [{ value: 'region' as const, label: `the region “${region}”` }] : []),
          { value: 'frame', label: 'this frame' },
          ...(surface ? [{ value: 'surface' as const, label: `the surface “${surface}”` }] : []),
          { value: 'visit', label: 'the whole visit' },
        ]}
      />
    </>
  );
}

/** What other readings share as well: the camera's errors, what is mirrored, the air. An experiment's own errors are its own. */
const COMMON: readonly UncertaintyPart[] = ['calibration', 'gain', 'repeatability', 'reflected', 'path', 'air'];
const isCommon = ({ name, part }: Input) => COMMON.includes(part) && !name.startsWith('foil') && !name.startsWith('folds');

/** An emissivity that was found, as settings keep it: with its uncertainty, what that is made of, and where it comes from. */
export function emissivityFound({ value, uncertainty, quantity }: Outcome, from: string): Partial<Settings> {
  return {
    emissivity: Math.round(value * 1000) / 1000,
    emissivityU: Math.max(0.001, Math.min(0.5, uncertainty)),
    emissivityFrom: from,
    emissivityShares: sharesOf(quantity, isCommon),
    // What was found is this thing's own, whatever it is made of.
    material: newId(),
  };
}

/** The same of a reflected temperature. */
export function reflectedFound({ value, uncertainty, quantity }: Outcome, from: string): Partial<Settings> {
  return {
    reflectedC: value,
    reflectedU: Math.max(0.01, Math.min(50, uncertainty)),
    reflectedFrom: from,
    reflectedShares: sharesOf(quantity, isCommon),
  };
}

/** Stores what was found at a level; one step of undo. */
export function useKeep(frame: FrameView) {
  const { document, edit } = useVisit();
  const time = localTime(takenAtOf(document, frame.id), siteOf(document).timeZone);
  return {
    time,
    keep(level: Level, regionId: string | null, found: Partial<Settings>, label: string) {
      const owner = { visit: document.visitId, surface: frame.row.value.surfaceId, frame: frame.id, region: regionId }[level];
      if (!owner) return;
      const row = settingsRow(document, owner);
      const before = row?.value ?? { ...NO_SETTINGS, level, ownerId: owner };
      edit(label, [{ entity: 'settings', rowId: row?.id ?? settingsIdOf(owner), value: { ...before, ...found } }]);
    },
  };
}
