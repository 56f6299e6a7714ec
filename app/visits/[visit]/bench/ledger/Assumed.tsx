'use client';

import { Checkbox } from 'antd';
import type { Row } from '@core/model/entities';
import { NO_SETTINGS, saysNothing } from '@core/method/radiometry/settings';
import { settingsIdOf } from '@core/ground/rowId';
import { commonOf, type Common } from '@core/work/visit/common';
import type { Comparison } from '@core/work/visit/readings';
import { settingsRow } from '@core/work/visit/settingsInForce';
import { useVisit } from '@ui/visit/VisitProvider';
import styles from './Ledger.module.css';

const EMISSIVITY: Record<Common['emissivity'], string> = {
  material: 'their emissivity, of one material',
  surface: 'their emissivity, of one surface',
  own: '',
};

/** What the difference takes as common to both, and the way to say that both are of one material. */
export function Assumed({ a, b, comparison }: { a: Row<'region'>; b: Row<'region'>; comparison: Comparison }) {
  const { document, edit } = useVisit();
  const common = commonOf(document, [a.id, comparison.this], [b.id, comparison.that]);
  const shared = [
    common.camera ? 'level and slope of the camera' : '',
    EMISSIVITY[common.emissivity],
    common.reflected ? 'what they mirror' : '',
  ].filter(Boolean);
  const own = [common.emissivity === 'own' ? 'emissivity' : '', common.reflected ? '' : 'what they mirror'].filter(Boolean);

  const settingsOf = (region: Row<'region'>, material: string | null) => {
    const row = settingsRow(document, region.id);
    const before = row?.value ?? { ...NO_SETTINGS, level: 'region' as const, ownerId: region.id };
    const value = { ...before, material };
    return { entity: 'settings' as const, rowId: row?.id ?? settingsIdOf(region.id), value: saysNothing(value) ? null : value };
  };
  const say = (same: boolean) => {
    const theirs = settingsRow(document, b.id)?.value.material ?? `as ${b.value.name}`;
    edit(
      same ? 'Same material' : 'Not the same material',
      same ? [settingsOf(a, theirs), settingsOf(b, theirs)] : [settingsOf(a, `only ${a.value.name}`)],
    );
  };
  return (
    <div className={styles.assumed}>
      <p className={styles.quiet}>
        Taken as one for both: {shared.join('; ') || 'nothing'}.{own.length > 0 && ` Each has its own: ${own.join(', ')}.`}
      </p>
      <Checkbox checked={common.emissivity !== 'own'} onChange={(event) => say(event.target.checked)}>
        Same material
      </Checkbox>
    </div>
  );
}
