'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { Fragment, type ReactNode } from 'react';
import type { Block, Picture } from '@core/paper/block';
import type { Fact } from '@core/paper/fact';
import { FigureView } from '@ui/finding/FigureView';
import { BarsView, TableView } from './HeatingBlocks';
import styles from './Blocks.module.css';

const LinesView = onDemand(() => import('./LinesView').then((m) => m.LinesView));

interface Props {
  blocks: readonly Block[];
  values(frameId: string): Float32Array | undefined;
  /** Draws words that can be changed where they stand. */
  editable?: (block: Extract<Block, { kind: 'editable' }>) => ReactNode;
}

/** Blocks of a report as they stand on a page; the PDF draws the same. */
export function Blocks({ blocks, values, editable }: Props) {
  return blocks.map((block, i) => (
    <Fragment key={i}>{block.kind === 'editable' ? editable?.(block) : <BlockView block={block} values={values} />}</Fragment>
  ));
}

function BlockView({ block, values }: { block: Exclude<Block, { kind: 'editable' }>; values: Props['values'] }) {
  switch (block.kind) {
    case 'sheet':
      return (
        <header>
          {block.above !== '' && <p className={styles.quiet}>{block.above}</p>}
          <h2 className={styles.title}>{block.title}</h2>
        </header>
      );
    case 'heading':
      return <h3>{block.text}</h3>;
    case 'text':
      return <p className={block.quiet ? styles.quiet : styles.note}>{block.text}</p>;
    case 'facts':
      return <Facts facts={block.facts} />;
    case 'list':
      return (
        <ol className={styles.summary}>
          {block.entries.map(({ id, title, place, short }) => (
            <li key={id}>
              <span>
                <b>{title}</b>
                <small>{place}</small>
              </span>
              <b>{short}</b>
            </li>
          ))}
        </ol>
      );
    case 'pictures':
      return (
        <div className={styles.pair}>
          {block.pictures.map((picture, i) => (
            <PictureView key={i} picture={picture} values={values} />
          ))}
        </div>
      );
    case 'difference':
      return (
        <div className={styles.stated} data-sign={block.stated.difference.sign}>
          <span className={styles.quiet}>{block.stated.heading}</span>
          <b>
            {block.stated.difference.value} {block.stated.difference.plusMinus}
          </b>
          <span>{block.stated.difference.words}</span>
          {block.stated.across && <span className={styles.quiet}>{block.stated.across}</span>}
          {block.stated.hour && <span className={styles.quiet}>{block.stated.hour}</span>}
        </div>
      );
    case 'regions':
      return (
        <Facts
          facts={[block.stated.this, block.stated.that].map((region, i) => ({
            label: `${i === 1 ? '◆ ' : ''}${region.name}`,
            value: `${region.mean} ${region.plusMinus} · ${region.range} · ${region.pixels} pixels`,
          }))}
        />
      );
    case 'callout':
      return <p className={styles.callout}>{block.text}</p>;
    case 'table':
      return <TableView block={block} />;
    case 'bars':
      return <BarsView block={block} />;
    case 'lines':
      return <LinesView block={block} />;
  }
}

function PictureView({ picture: { figure, photoId, caption }, values }: { picture: Picture; values: Props['values'] }) {
  const pixels = figure && values(figure.frameId);
  return (
    <div>
      {figure && pixels && (
        <FigureView
          figure={figure}
          values={pixels}
          label={caption || figure.marks.map(({ text }) => text).join(', ') || 'Thermal frame'}
        />
      )}
      {photoId !== null && <img src={`/api/photos/${photoId}/file`} alt={caption || 'Photo'} />}
      {!figure && photoId === null && <p className={styles.quiet}>The picture is on its way, or gone.</p>}
      {caption !== '' && <p className={styles.quiet}>{caption}</p>}
    </div>
  );
}

function Facts({ facts }: { facts: readonly Fact[] }) {
  return (
    <dl className={styles.facts}>
      {facts.map(({ label, value }, i) => (
        <div key={i}>
          <dt>{label}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  );
}
