'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { FieldTimeOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { QuickLink } from '@ui/link/QuickLink';
import { usePathname } from 'next/navigation';
import { marked } from '@core/ground/source';
import { siteOf } from '@core/work/visit/theVisit';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useUnits } from '@ui/units/UnitProvider';
import { PARTS, type PartPath } from './parts';
import { PdfButton } from '@ui/pdf/PdfButton';
import { useHeat } from './useHeat';
import styles from './Heat.module.css';

const Balance = onDemand(() => import('./Balance').then((m) => m.Balance));
const Boiler = onDemand(() => import('./Boiler').then((m) => m.Boiler));
const Floor = onDemand(() => import('./Floor').then((m) => m.Floor));
const Flush = onDemand(() => import('./Flush').then((m) => m.Flush));
const Given = onDemand(() => import('./Given').then((m) => m.Given));
const Pipes = onDemand(() => import('./Pipes').then((m) => m.Pipes));
const Radiators = onDemand(() => import('./Radiators').then((m) => m.Radiators));
const Start = onDemand(() => import('./Start').then((m) => m.Start));

const VIEWS: Record<PartPath, React.ComponentType> = {
  start: Start,
  radiators: Radiators,
  balance: Balance,
  given: Given,
  pipes: Pipes,
  floor: Floor,
  flush: Flush,
  boiler: Boiler,
};

/** Heating work of a visit: from the start of a season to its record. */
export function Heat() {
  const { document, heating, emitters } = useHeat();
  const units = useUnits();
  const base = `/visits/${document.visitId}/heat`;
  const asked = usePathname().slice(base.length + 1);
  const part = PARTS.find(({ path }) => path === asked) ?? PARTS[0];
  const View = VIEWS[part.path];
  const { name } = siteOf(document);
  const from = (field: 'school' | 'flowSetC') => ({ source: heating.assumed.includes(field) ? 'assumed' : 'said' }) as const;
  return (
    <div className={styles.heat}>
      <header className={styles.head}>
        <div>
          <h1>
            {name}: {emitters.length} {emitters.length === 1 ? 'emitter' : 'emitters'}
          </h1>
          <span className={styles.quiet}>
            Drop {marked(`${units.difference(heating.targetK)} ± ${units.difference(heating.toleranceK)}`, from('school'))} · flow
            set to {marked(units.temperature(heating.flowSetC), from('flowSetC'))}
          </span>
        </div>
        {document.practised && heating.onAt !== null && <LetPass minutes={5} />}
        <UndoButtons />
        <PdfButton what="heating">Record (PDF)</PdfButton>
      </header>
      <nav className={styles.parts} aria-label="Heating work">
        {PARTS.map(({ path, name: words }) => (
          <QuickLink key={path} href={`${base}/${path}`} aria-current={path === part.path ? 'page' : undefined}>
            {words}
          </QuickLink>
        ))}
      </nav>
      <View />
    </div>
  );
}

/** On a heating system to practise on nobody has to wait. */
function LetPass({ minutes }: { minutes: number }) {
  const { heating, edit, heatingPut } = useHeat();
  return (
    <Button
      icon={<FieldTimeOutlined />}
      onClick={() => edit(`${minutes} minutes let pass`, [heatingPut({ skippedS: heating.skippedS + 60 * minutes })])}
    >
      Let {minutes} minutes pass
    </Button>
  );
}
