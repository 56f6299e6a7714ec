'use client';

import { BgColorsOutlined } from '@ant-design/icons';
import { Button, InputNumber, Popover, Segmented, Select, Switch } from 'antd';
import { useState } from 'react';
import type { Shape } from '@core/method/frame/region';
import { COLOUR_MAP_NAMES, COLOUR_MAPS, type ColourMapName } from '@core/method/scale/colourMaps';
import { MARKS, steadySpanSchema, type ShadeRule, type SteadySpan } from '@core/method/scale/scale';
import { visitRow } from '@core/work/visit/theVisit';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';
import type { FrameView } from '@core/work/visit/frameView';
import styles from './ColoursMenu.module.css';

const MARK_WORDS: Record<Exclude<(typeof MARKS)[number], 'zero'>, string> = {
  reference: 'the reference',
  'dew point': 'the dew point',
  '80 % humid': '80 % at the surface now',
  air: 'the air',
};

const USUAL_SHADE: ShadeRule = { side: 'colder', from: '80 % humid', offsetK: 0 };

/** Which colours, what they are tied to, what is shaded, and everything beyond a mark as a region. */
export function ColoursMenu({ frame, onDraw }: { frame: FrameView; onDraw(shape: Shape): void }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      placement="rightBottom"
      open={open}
      onOpenChange={setOpen}
      title="Colours"
      content={
        <Content
          frame={frame}
          onDraw={(shape) => {
            setOpen(false);
            onDraw(shape);
          }}
        />
      }
    >
      <Button size="small" className={styles.button} icon={<BgColorsOutlined />}>
        Colours
      </Button>
    </Popover>
  );
}

function Content({ frame, onDraw }: { frame: FrameView; onDraw(shape: Shape): void }) {
  const { document, edit } = useVisit();
  const units = useUnits();
  const visit = visitRow(document);
  const { span } = visit.value;
  const put = (change: Partial<SteadySpan>, label: string) => {
    const next = { ...span, ...change };
    if (steadySpanSchema.safeParse(next).success) {
      edit(label, [{ entity: 'visit', rowId: visit.id, value: { ...visit.value, span: next } }]);
    }
  };
  const [side, setSide] = useState<'colder' | 'warmer'>('colder');
  const [mark, setMark] = useState<number | null>(() => Math.round(units.toField(frame.anchor.celsius - 2) * 10) / 10);
  return (
    <div className={styles.menu}>
      <label htmlFor="colour-map">Run of colours</label>
      <Select<ColourMapName>
        id="colour-map"
        value={span.colourMap}
        onChange={(colourMap) => put({ colourMap }, 'Colours')}
        popupMatchSelectWidth={false}
        options={COLOUR_MAP_NAMES.map((name) => ({ value: name, label: COLOUR_MAPS[name].label }))}
      />
      <span>
        Steady colours <small>(span)</small>
      </span>
      <Segmented<'reference' | 'fixed'>
        aria-label="What steady colours are tied to"
        value={span.fixed ? 'fixed' : 'reference'}
        onChange={(tied) =>
          tied === 'reference'
            ? put({ fixed: null }, 'Steady colours around the reference')
            : put(
                {
                  fixed: {
                    lowC: Math.round(frame.steady.low * 2) / 2,
                    highC: Math.round(frame.steady.high * 2) / 2,
                  },
                },
                'Steady colours between fixed temperatures',
              )
        }
        options={[
          { value: 'reference', label: 'around the reference' },
          { value: 'fixed', label: 'fixed ends' },
        ]}
      />
      {span.fixed && (
        <div className={styles.pair}>
          <InputNumber
            aria-label="Cold end of the steady colours"
            suffix={`°${units.unit}`}
            value={units.toField(span.fixed.lowC)}
            onChange={(value) =>
              value !== null && put({ fixed: { ...span.fixed!, lowC: units.fromField(value) } }, 'Cold end of the steady colours')
            }
          />
          <InputNumber
            aria-label="Warm end of the steady colours"
            suffix={`°${units.unit}`}
            value={units.toField(span.fixed.highC)}
            onChange={(value) =>
              value !== null &&
              put({ fixed: { ...span.fixed!, highC: units.fromField(value) } }, 'Warm end of the steady colours')
            }
          />
        </div>
      )}
      <label htmlFor="shade">
        Shade everything beyond a mark <small>(isotherm)</small>
      </label>
      <div className={styles.pair}>
        <Switch
          id="shade"
          checked={span.shade !== null}
          onChange={(on) => put({ shade: on ? USUAL_SHADE : null }, on ? 'Shade' : 'Shade taken away')}
        />
        {span.shade && (
          <>
            <Segmented<'colder' | 'warmer'>
              aria-label="Side that is shaded"
              size="small"
              value={span.shade.side}
              onChange={(next) => put({ shade: { ...span.shade!, side: next } }, 'Shade')}
              options={['colder', 'warmer']}
            />
            than
          </>
        )}
      </div>
      {span.shade && (
        <div className={styles.pair}>
          <Select
            aria-label="What the shade is reckoned from"
            value={span.shade.from}
            onChange={(from) => put({ shade: { ...span.shade!, from } }, 'Shade')}
            options={MARKS.map((name) => ({ value: name, label: name === 'zero' ? units.temperature(0) : MARK_WORDS[name] }))}
            popupMatchSelectWidth={false}
          />
          <InputNumber
            aria-label="Kelvin above or below it"
            value={span.shade.offsetK}
            step={0.5}
            suffix="K"
            onChange={(offsetK) => offsetK !== null && put({ shade: { ...span.shade!, offsetK } }, 'Shade')}
          />
        </div>
      )}
      <label htmlFor="beyond-mark">All of the frame that is</label>
      <div className={styles.pair}>
        <Segmented<'colder' | 'warmer'>
          aria-label="Side of the mark"
          size="small"
          value={side}
          onChange={setSide}
          options={['colder', 'warmer']}
        />
        <InputNumber id="beyond-mark" aria-label="Mark" value={mark} step={0.5} suffix={`°${units.unit}`} onChange={setMark} />
        <Button
          size="small"
          disabled={mark === null}
          onClick={() => mark !== null && onDraw({ kind: 'beyond', side, markC: units.fromField(mark) })}
        >
          Make a region
        </Button>
      </div>
    </div>
  );
}
