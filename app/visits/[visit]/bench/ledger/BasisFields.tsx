'use client';

import { InputNumber, Segmented } from 'antd';
import { APPARENT, type Basis, basisSchema } from '@core/ground/basis';
import { useUnits } from '@ui/units/UnitProvider';
import styles from './FrameDetails.module.css';

/** What the values of a file are: as the camera saw, or computed by it with settings that are undone first. */
export function BasisFields({ basis, onBasis }: { basis: Basis; onBasis(basis: Basis): void }) {
  const units = useUnits();
  const settings = basis.kind === 'computed' ? basis.settings : { emissivity: 0.95, reflected: 20, air: 20, transmittance: 1 };
  const put = (change: Partial<typeof settings>) => {
    const next = basisSchema.safeParse({ kind: 'computed', settings: { ...settings, ...change } });
    if (next.success) onBasis(next.data);
  };
  return (
    <>
      <span>Its values are</span>
      <Segmented<Basis['kind']>
        aria-label="What the values are"
        value={basis.kind}
        onChange={(kind) => (kind === 'apparent' ? onBasis(APPARENT) : put({}))}
        options={[
          { value: 'apparent', label: 'as seen (ε 1)' },
          { value: 'computed', label: 'already computed' },
        ]}
      />
      {basis.kind === 'computed' && (
        <div className={styles.turns}>
          <InputNumber
            aria-label="Emissivity that the camera used"
            prefix="ε"
            value={settings.emissivity}
            min={0.01}
            max={1}
            step={0.01}
            onChange={(emissivity) => emissivity !== null && put({ emissivity })}
          />
          <InputNumber
            aria-label="Reflected temperature that the camera used"
            suffix={`°${units.unit}`}
            value={units.toField(settings.reflected)}
            onChange={(reflected) => reflected !== null && put({ reflected: units.fromField(reflected) })}
          />
        </div>
      )}
    </>
  );
}
