'use client';

import { createContext, useCallback, useContext, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import * as format from '@core/ground/format';
import { celsiusFromFahrenheit, fahrenheitFromCelsius, type DisplayUnit } from '@core/ground/temperature';

/** The one place where °C become what the user reads: everything behind it is °C and K. */
interface Units {
  unit: DisplayUnit;
  toggle(): void;
  temperature(celsius: number): string;
  bareTemperature(celsius: number): string;
  difference(kelvin: number): string;
  signedDifference(kelvin: number): string;
  plusMinus(standardUncertainty: number): string;
  /** See core/ground/format. */
  spread(value: number, uncertainty: { total: number; interval: readonly [number, number] }): string;
  differenceUnit: string;
  /** For fields: °C to the number that is typed, and back. */
  toField(celsius: number): number;
  fromField(typed: number): number;
}

const UnitContext = createContext<Units | null>(null);
const KEY = 'glow-den.unit';

/** What was chosen while a browser keeps nothing. */
let unkept: DisplayUnit = 'C';

function kept(): DisplayUnit {
  try {
    return localStorage.getItem(KEY) === 'F' ? 'F' : 'C';
  } catch {
    return unkept;
  }
}

function keep(unit: DisplayUnit): void {
  unkept = unit;
  try {
    localStorage.setItem(KEY, unit);
  } catch {
    // A browser that keeps nothing: the choice holds until the page is left.
  }
}

function subscribe(listener: () => void): () => void {
  window.addEventListener('storage', listener);
  return () => window.removeEventListener('storage', listener);
}

export function UnitProvider({ children }: { children: ReactNode }) {
  const unit = useSyncExternalStore<DisplayUnit>(subscribe, kept, () => 'C');
  const toggle = useCallback(() => {
    keep(kept() === 'F' ? 'C' : 'F');
    window.dispatchEvent(new StorageEvent('storage'));
  }, []);
  const units = useMemo<Units>(
    () => ({
      unit,
      toggle,
      temperature: (celsius) => format.temperature(celsius, unit),
      bareTemperature: (celsius) => format.bareTemperature(celsius, unit),
      difference: (kelvin) => format.difference(kelvin, unit),
      signedDifference: (kelvin) => format.signedDifference(kelvin, unit),
      plusMinus: (u) => format.plusMinus(u, unit),
      spread: (value, uncertainty) => format.spread(value, uncertainty, unit),
      differenceUnit: format.differenceUnit(unit),
      toField: (celsius) => Math.round((unit === 'C' ? celsius : fahrenheitFromCelsius(celsius)) * 100) / 100,
      fromField: (typed) => (unit === 'C' ? typed : celsiusFromFahrenheit(typed)),
    }),
    [unit, toggle],
  );
  return <UnitContext.Provider value={units}>{children}</UnitContext.Provider>;
}

export function useUnits(): Units {
  const units = useContext(UnitContext);
  if (!units) throw new Error('useUnits outside of UnitProvider');
  return units;
}
