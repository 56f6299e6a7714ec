'use client';

import { DownOutlined, MoreOutlined } from '@ant-design/icons';
import { Button, Dropdown, Segmented, Slider, Tooltip } from 'antd';
import type { SteadySpan } from '@core/method/scale/scale';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useUnits } from '@ui/units/UnitProvider';
import type { DrawingTool, View, ViewAction } from './view';
import styles from './Toolbar.module.css';

interface Props {
  view: View;
  dispatch(action: ViewAction): void;
  span: SteadySpan;
  hasPhoto: boolean;
  frameId: string;
  onFiles(): void;
  onFolder(): void;
  onClock(): void;
}

const TOOLS: { tool: DrawingTool; label: string; key: string; gloss: string }[] = [
  { tool: 'spot', label: 'Spot', key: 'S', gloss: 'Mean of 3 × 3 pixels' },
  { tool: 'box', label: 'Box', key: 'B', gloss: 'Mean, extremes and spread of an area' },
  { tool: 'ellipse', label: 'Ellipse', key: 'E', gloss: 'A round area; pull its axis to turn it' },
  { tool: 'line', label: 'Line', key: 'L', gloss: 'Temperatures along a line' },
  { tool: 'poly', label: 'Polygon', key: 'P', gloss: 'Click its corners; the first one again, or Enter, closes it' },
  { tool: 'length', label: 'Length', key: 'M', gloss: 'Metres between two places, or a thing of known length' },
  { tool: 'leaveOut', label: 'Leave out', key: 'X', gloss: 'Keep a radiator, a person or sky out of colours and range' },
];

const EXPORTS = [
  { key: 'tif', label: 'Temperatures as TIFF' },
  { key: 'npy', label: 'Temperatures as NPY' },
  { key: 'png', label: 'Temperatures as 16-bit PNG' },
  { key: 'csv', label: 'Temperatures as CSV' },
  { key: 'json', label: 'Temperatures as JSON' },
  { key: 'picture', label: 'Picture with its scale (PNG)' },
];

export function Toolbar({ view, dispatch, span, hasPhoto, frameId, onFiles, onFolder, onClock }: Props) {
  const units = useUnits();
  const steady = span.fixed
    ? `Steady ${units.bareTemperature(span.fixed.lowC)} … ${units.temperature(span.fixed.highC)}`
    : `Steady ${units.signedDifference(-span.belowK).replace(/ .*/, '')} … ${units.signedDifference(span.aboveK)}`;
  const take = (format: string) => {
    const link = document.createElement('a');
    link.href = `/api/frames/${frameId}/export?format=${format}&colours=${view.colours === 'frame' ? 'frame' : 'steady'}`;
    link.download = '';
    link.click();
  };
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
      <span className={styles.gap} />
      <UndoButtons />
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: 'files', label: 'Add files …' },
            { key: 'folder', label: 'Add a folder …' },
            { key: 'clock', label: 'Clock of the camera …' },
            { type: 'divider' },
            ...EXPORTS,
          ],
          onClick: ({ key }) =>
            key === 'files' ? onFiles() : key === 'folder' ? onFolder() : key === 'clock' ? onClock() : take(key),
        }}
      >
        <Button type="text" icon={<MoreOutlined />} aria-label="Files and more" />
      </Dropdown>
      <span className={styles.turn} />
      <Segmented<View['colours']>
        aria-label="What the colours span"
        value={view.colours}
        onChange={(colours) => dispatch({ kind: 'colours', colours })}
        options={[
          { value: 'steady', label: steady },
          {
            value: 'frame',
            label: (
              <>
                This frame <kbd className={styles.key}>F</kbd>
              </>
            ),
          },
          {
            value: 'against',
            label: (
              <>
                Against <kbd className={styles.key}>A</kbd>
              </>
            ),
          },
        ]}
      />
      <Dropdown
        disabled={!hasPhoto}
        trigger={['click']}
        menu={{
          selectedKeys: [view.matching ? 'match' : view.photo],
          items: [
            { key: 'off', label: 'Without photo' },
            { key: 'beside', label: 'Photo beside' },
            { key: 'over', label: 'Photo over the frame' },
            { type: 'divider' },
            { key: 'match', label: 'Bring both in line …' },
          ],
          onClick: ({ key }) =>
            key === 'match' ? dispatch({ kind: 'match', points: [] }) : dispatch({ kind: 'photo', photo: key as View['photo'] }),
        }}
      >
        <button type="button" className={styles.tool} disabled={!hasPhoto}>
          Photo <DownOutlined />
        </button>
      </Dropdown>
      {view.photo === 'over' && (
        <Slider
          className={styles.mix}
          min={0}
          max={100}
          value={Math.round(100 * view.mix)}
          onChange={(mix) => dispatch({ kind: 'mix', mix: mix / 100 })}
          tooltip={{ formatter: (mix) => `${mix} % photo` }}
          ariaLabelForHandle="How much of the photo shows"
        />
      )}
    </div>
  );
}
