'use client';

import { Checkbox, Modal } from 'antd';
import { useState } from 'react';
import type { Basis } from '@core/ground/basis';
import { NO_SETTINGS, SETTING_NAMES, type SettingName } from '@core/method/radiometry/settings';
import { settingsFor, settingsRow } from '@core/work/visit/settingsInForce';
import type { Row } from '@core/model/entities';
import { settingsIdOf } from '@core/ground/rowId';
import { useUnits } from '@ui/units/UnitProvider';
import type { Edit } from '@ui/store/rowStore';
import { useVisit } from '@ui/visit/VisitProvider';
import { BasisFields } from '../ledger/BasisFields';
import dialog from '../Dialogs.module.css';

const LABELS: Record<SettingName, string> = {
  emissivity: 'Emissivity',
  reflectedC: 'Reflected',
  airC: 'Air',
  humidityPct: 'Humidity',
  distanceM: 'Distance',
  transmittance: 'Transmittance',
};

/** Settings of the shown frame, given to many at once. */
export function ApplySettings({ frameId, chosen, onClose }: { frameId: string; chosen: Row<'frame'>[]; onClose(): void }) {
  const { document, edit } = useVisit();
  const units = useUnits();
  const resolved = settingsFor(document, frameId);
  const own = settingsRow(document, frameId)?.value;
  const [names, setNames] = useState<SettingName[]>(() => SETTING_NAMES.filter((name) => (own?.[name] ?? null) !== null));
  const [withBasis, setWithBasis] = useState(false);
  const [basis, setBasis] = useState<Basis>(document.rows.frame[frameId]!.value.basis);
  const shown = (name: SettingName) => {
    const { value } = resolved[name];
    if (value === null) return 'not set';
    if (name === 'reflectedC' || name === 'airC') return units.temperature(value);
    return `${Number(value.toFixed(3))}${name === 'humidityPct' ? ' %' : name === 'distanceM' ? ' m' : ''}`;
  };
  const apply = () => {
    const edits: Edit[] = chosen.flatMap((row) => {
      const known = settingsRow(document, row.id);
      const next = { ...(known?.value ?? { ...NO_SETTINGS, level: 'frame' as const, ownerId: row.id }) };
      for (const name of names) {
        next[name] = resolved[name].value;
        if (name === 'emissivity') {
          next.emissivityU = resolved.emissivity.u;
          next.emissivityFrom = resolved.emissivity.from;
        } else if (name === 'reflectedC') {
          next.reflectedU = resolved.reflectedC.u;
          next.reflectedFrom = resolved.reflectedC.from;
        }
      }
      return [
        ...(names.length > 0 ? [{ entity: 'settings' as const, rowId: known?.id ?? settingsIdOf(row.id), value: next }] : []),
        ...(withBasis ? [{ entity: 'frame' as const, rowId: row.id, value: { ...row.value, basis } }] : []),
      ];
    });
    edit(`Settings of ${chosen.length} frames`, edits);
    onClose();
  };
  return (
    <Modal
      open
      title={`Apply to ${chosen.length} ${chosen.length === 1 ? 'frame' : 'frames'}`}
      okText="Apply"
      okButtonProps={{ disabled: names.length === 0 && !withBasis }}
      onOk={apply}
      onCancel={onClose}
    >
      <div className={dialog.fields}>
        <p>From “{document.rows.frame[frameId]!.value.name}”. One undo takes it back everywhere.</p>
        <Checkbox.Group<SettingName> className={dialog.checks!} value={names} onChange={setNames}>
          {SETTING_NAMES.map((name) => (
            <Checkbox key={name} value={name} disabled={resolved[name].value === null}>
              {LABELS[name]} {shown(name)}
            </Checkbox>
          ))}
        </Checkbox.Group>
        <Checkbox className={dialog.whole!} checked={withBasis} onChange={(event) => setWithBasis(event.target.checked)}>
          What the values are
        </Checkbox>
        {withBasis && (
          <div>
            <BasisFields basis={basis} onBasis={setBasis} />
          </div>
        )}
      </div>
    </Modal>
  );
}
