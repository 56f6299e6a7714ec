'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Segmented, Select, Tooltip } from 'antd';
import { COLOUR_MAP_NAMES, COLOUR_MAPS, type ColourMapName } from '@core/scale/colourMaps';
import type { SteadySpan } from '@core/scale/scale';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useUnits } from '@ui/units/UnitProvider';
import type { View, ViewAction } from './view';
import styles from './Toolbar.module.css';

interface Props {
  view: View;
  dispatch(action: ViewAction): void;
  span: SteadySpan;
  hasPhoto: boolean;
  onColourMap(map: ColourMapName): void;
  onFiles(): void;
}

const TOOLS = [
  { tool: 'spot', label: 'Spot', key: 'S', gloss: 'Mean of 3 × 3 pixels' },
  { tool: 'box', label: 'Box', key: 'B', gloss: 'Mean, extremes and spread of an area' },
] as const;

export function Toolbar({ view, dispatch, span, hasPhoto, onColourMap, onFiles }: Props) {
  const units = useUnits();
  return (
    <div className={styles.tools} role="toolbar" aria-label="Tools of the bench">
      {TOOLS.map(({ tool, label, key, gloss }) => (
        <Tooltip key={tool} title={gloss}>
          <button
            type="button"
            className={styles.tool}
            aria-pressed={view.tool === tool}
            onClick={() => dispatch({ kind: 'tool', tool: view.tool === tool ? 'select' : tool })}
          >
            {label} <kbd>{key}</kbd>
          </button>
        </Tooltip>
      ))}
      <button
        type="button"
        className={styles.tool}
        aria-pressed={view.photoShown}
        disabled={!hasPhoto}
        onClick={() => dispatch({ kind: 'photo' })}
      >
        Photo beside
      </button>
      <span className={styles.gap} />
      <Select<ColourMapName>
        aria-label="Colours"
        value={span.colourMap}
        onChange={onColourMap}
        popupMatchSelectWidth={false}
        className={styles.maps}
        options={COLOUR_MAP_NAMES.map((name) => ({ value: name, label: COLOUR_MAPS[name].label }))}
      />
      <Segmented<View['colours']>
        aria-label="What the colours span"
        value={view.colours}
        onChange={(colours) => dispatch({ kind: 'colours', colours })}
        options={[
          {
            value: 'steady',
            label: `Steady ${units.signedDifference(-span.belowK).replace(/ .*/, '')} … ${units.signedDifference(span.aboveK)}`,
          },
          {
            value: 'frame',
            label: (
              <>
                This frame <kbd className={styles.key}>F</kbd>
              </>
            ),
          },
        ]}
      />
      <UndoButtons />
      <Button icon={<PlusOutlined />} onClick={onFiles}>
        Add files
      </Button>
    </div>
  );
}
