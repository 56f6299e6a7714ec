'use client';

import { TEMPLATE_NAMES, TEMPLATES, type TemplateName } from '@core/work/house/templates';
import styles from './TemplatePicker.module.css';

/** Houses of common kinds, to begin with. */
export function TemplatePicker({ onChoose }: { onChoose(name: TemplateName): void }) {
  return (
    <div className={styles.templates} role="group" aria-label="Begin with a template">
      {TEMPLATE_NAMES.map((name) => (
        <button key={name} type="button" onClick={() => onChoose(name)}>
          <b>{TEMPLATES[name].name}</b>
          <small>
            {TEMPLATES[name].words}, {TEMPLATES[name].rooms.length} {TEMPLATES[name].rooms.length > 1 ? 'rooms' : 'room'}
          </small>
        </button>
      ))}
    </div>
  );
}
