'use client';

import { Select } from 'antd';
import { MATERIAL_GROUPS, materialWords, MATERIALS, type Material } from '@core/model/materials';
import { useVisit } from '@ui/visit/VisitProvider';

/** The shelf's materials by group, to be found by a few letters. */
export function MaterialSelect({ onMaterial }: { onMaterial(material: Material): void }) {
  const { document } = useVisit();
  const own: Material[] = Object.values(document.rows.material)
    .filter(({ value }) => !value.archived)
    .map(({ id, value }) => ({ ...value, key: id, group: 'own' }));
  const all = [...own, ...MATERIALS];
  return (
    <Select
      size="small"
      aria-label="Emissivity by material"
      placeholder="By material …"
      value={null}
      showSearch={{ optionFilterProp: 'label' }}
      popupMatchSelectWidth={300}
      onChange={(key: string | null) => {
        const chosen = all.find((material) => material.key === key);
        if (chosen) onMaterial(chosen);
      }}
      options={[...MATERIAL_GROUPS].reverse().flatMap((group) => {
        const options = all
          .filter((material) => material.group === group)
          .map((material) => ({
            value: material.key,
            label: `${materialWords(material)} ${material.emissivity.toFixed(2)}`,
            title: `${material.low.toFixed(2)} … ${material.high.toFixed(2)}. ${material.note}`,
          }));
        return options.length > 0 ? [{ label: group, title: group, options }] : [];
      })}
    />
  );
}
