'use client';

import { App } from 'antd';
import { usePathname } from 'next/navigation';
import { useCallback, useEffect, useReducer, useRef, useState, type DragEvent } from 'react';
import { v7 as newId } from 'uuid';
import { movedShape, type Shape } from '@core/frame/region';
import { LEAST_SPAN_K, orderedScale, isNarrow, type Scale } from '@core/scale/scale';
import { orderedFrames, visitRow, photosOf } from '@core/visit/derive';
import { useKeys } from '@ui/keys/useKeys';
import { useUnits } from '@ui/units/UnitProvider';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import { EmptyBench } from './EmptyBench';
import { FilmStrip } from './FilmStrip';
import { ImportPanel } from '@ui/import/ImportPanel';
import { Ledger } from './Ledger';
import { PhotoBeside } from './PhotoBeside';
import { PictureStage } from './PictureStage';
import { RecordFinding } from './RecordFinding';
import { ScaleRibbon } from './ScaleRibbon';
import { Toolbar } from './Toolbar';
import { comparisonFor, ownRange, useBenchFrame, type BenchFrame } from './useBenchFrame';
import { useImport, type ImportedFile } from '@ui/import/useImport';
import { FIRST_VIEW, viewReducer } from './view';
import styles from './Bench.module.css';

/** Where frames are read: the picture, its scale, its regions, and the numbers that follow. */
export function Bench() {
  const { document, edit, reload, pixels } = useVisit();
  const { message } = App.useApp();
  const units = useUnits();
  const frames = orderedFrames(document);
  const [view, dispatch] = useReducer(viewReducer, FIRST_VIEW);
  const [recording, setRecording] = useState(false);
  const [dropping, setDropping] = useState(false);
  const fileInput = useRef<HTMLInputElement>(null);

  const base = `/visits/${document.visitId}/bench`;
  const asked = usePathname().slice(base.length + 1);
  const frameId = document.rows.frame[asked]?.value.discarded === false ? asked : (frames[0]?.id ?? null);
  const show = useCallback(
    (id: string) => {
      dispatch({ kind: 'frame' });
      window.history.replaceState(null, '', `${base}/${id}`);
    },
    [base],
  );

  // The frame and wherever its reference lies.
  const pixelsOf = usePixels(frameId);
  const frame = useBenchFrame(document, frameId, pixelsOf);
  useEffect(() => {
    const row = frameId ? document.rows.frame[frameId] : undefined;
    const visit = visitRow(document).value;
    const ofVisit = row?.value.side === 'outside' ? visit.referenceOutsideId : visit.referenceInsideId;
    for (const id of [row?.value.referenceId, ofVisit]) {
      const region = id ? document.rows.region[id] : undefined;
      if (region) pixels.want(region.value.frameId);
    }
  }, [document, frameId, pixels]);

  const span = visitRow(document).value.span;
  const scale = frame && (view.draftScale ?? (view.colours === 'steady' ? frame.steady : frame.own));
  const comparison = frame && comparisonFor(document, frame, view.selectedId);
  const photo = photosOf(document).find((row) => row.value.frameId === frameId);

  const setScale = (next: Scale) => {
    if (!frame) return;
    dispatch({ kind: 'draft', scale: null });
    if (view.colours === 'frame') {
      const ownScale = { low: next.low, high: next.high };
      edit('Colours of this frame', [{ entity: 'frame', rowId: frame.id, value: { ...frame.row.value, ownScale } }]);
      return;
    }
    const visit = visitRow(document);
    // The reference stays among the colours: a span ends at least a little below and above it.
    const belowK = Math.max(LEAST_SPAN_K / 2, frame.anchor.celsius - next.low);
    const aboveK = Math.max(LEAST_SPAN_K / 2, next.high - frame.anchor.celsius);
    edit('Steady colours of the visit', [
      { entity: 'visit', rowId: visit.id, value: { ...visit.value, span: { ...span, belowK, aboveK } } },
    ]);
  };

  const fit = () => {
    if (!frame) return;
    const chosen = frame.regions.find(({ row }) => row.id === view.selectedId)?.reading?.statistics;
    const { low, high } = chosen ? { low: chosen.min, high: chosen.max } : ownRange(frame.values, frame.line);
    setScale(orderedScale(low, high, span.colourMap));
  };

  const draw = (shape: Shape) => {
    if (!frame) return;
    const same = frame.regions.filter(({ row }) => row.value.shape.kind === shape.kind).length;
    const id = newId();
    const ordinal = Math.max(-1, ...frame.regions.map(({ row }) => row.value.ordinal)) + 1;
    edit(shape.kind === 'spot' ? 'Spot set' : 'Box drawn', [
      { entity: 'region', rowId: id, value: { frameId: frame.id, name: `${shape.kind} ${same + 1}`, shape, ordinal } },
    ]);
    dispatch({ kind: 'tool', tool: 'select' });
    dispatch({ kind: 'select', regionId: id });
  };

  const changeRegion = (regionId: string, change: { name?: string; shape?: Shape }, label: string) => {
    const row = document.rows.region[regionId];
    if (row) edit(label, [{ entity: 'region', rowId: regionId, value: { ...row.value, ...change } }]);
  };

  const removeRegion = (regionId: string) => {
    const stated = Object.values(document.rows.finding).find(
      ({ value }) => value.thisRegionId === regionId || value.thatRegionId === regionId,
    );
    if (stated) {
      void message.warning(
        `This region belongs to the finding “${stated.value.title}”. Remove the finding first, or move the region instead.`,
        6,
      );
      return;
    }
    edit('Region removed', [{ entity: 'region', rowId: regionId, value: null }]);
    dispatch({ kind: 'select', regionId: null });
  };

  const markReference = (regionId: string) => {
    if (!frame) return;
    const visit = visitRow(document);
    const key = frame.row.value.side === 'inside' ? 'referenceInsideId' : 'referenceOutsideId';
    const known = visit.value[key];
    edit('Reference marked', [
      { entity: 'frame', rowId: frame.id, value: { ...frame.row.value, referenceId: regionId } },
      // The first reference on a side stands for the visit, until another is chosen for it.
      ...(known !== null && document.rows.region[known]
        ? []
        : [{ entity: 'visit' as const, rowId: visit.id, value: { ...visit.value, [key]: regionId } }]),
    ]);
  };

  const step = (by: 1 | -1) => {
    const place = frames.findIndex((row) => row.id === frameId) + by;
    const next = frames[place];
    if (next) show(next.id);
  };

  const nudge = (dx: number, dy: number, resize: boolean) => {
    if (!frame || !scale) return;
    const row = document.rows.region[view.selectedId ?? ''];
    const shape = row?.value.shape;
    if (row && (shape?.kind === 'spot' || shape?.kind === 'box')) {
      const grown =
        resize && shape.kind === 'box'
          ? { ...shape, width: Math.max(2, shape.width + dx), height: Math.max(2, shape.height + dy) }
          : null;
      const next = grown ?? movedShape(shape, dx, dy, frame.facts.width, frame.facts.height);
      changeRegion(row.id, { shape: next }, resize ? 'Region resized' : 'Region moved');
    } else if (dy !== 0) {
      const shift = -dy * 0.1;
      setScale({ ...scale, low: scale.low + shift, high: scale.high + shift });
    }
  };
  const arrows = Object.fromEntries(
    (
      [
        ['ArrowLeft', -1, 0],
        ['ArrowRight', 1, 0],
        ['ArrowUp', 0, -1],
        ['ArrowDown', 0, 1],
      ] as const
    ).flatMap(([key, dx, dy]) => [
      [key, () => nudge(dx, dy, false)],
      [`Shift ${key}`, () => nudge(10 * dx, 10 * dy, false)],
      [`Alt ${key}`, () => nudge(dx, dy, true)],
      [`Alt Shift ${key}`, () => nudge(10 * dx, 10 * dy, true)],
    ]),
  );

  const widen = (by: number) => {
    if (!scale) return;
    const more = ((scale.high - scale.low) / 2) * by;
    setScale(orderedScale(scale.low - more, scale.high + more, scale.map));
  };

  useKeys({
    s: () => dispatch({ kind: 'tool', tool: 'spot' }),
    b: () => dispatch({ kind: 'tool', tool: 'box' }),
    r: () => view.selectedId && markReference(view.selectedId),
    f: () => dispatch({ kind: 'colours', colours: view.colours === 'steady' ? 'frame' : 'steady' }),
    '[': () => widen(-0.1),
    ']': () => widen(0.1),
    n: () => step(1),
    'Shift n': () => step(-1),
    '0': () => dispatch({ kind: 'placement', placement: null }),
    Delete: () => view.selectedId && removeRegion(view.selectedId),
    Backspace: () => view.selectedId && removeRegion(view.selectedId),
    Enter: () => {
      if (comparison) setRecording(true);
      else void message.info('Choose a region and mark a reference first: a finding states a difference.', 4);
    },
    Escape: () => {
      if (view.tool !== 'select') dispatch({ kind: 'tool', tool: 'select' });
      else dispatch({ kind: 'select', regionId: null });
    },
    ...arrows,
  });

  const onStored = useCallback(
    async (files: ImportedFile[]) => {
      await reload();
      const first = files.find((file) => file.outcome === 'frame') ?? files.find((file) => file.outcome === 'duplicate');
      if (first?.id) show(first.id);
    },
    [reload, show],
  );
  const files = useImport(document.visitId, onStored);
  const place = frame
    ? { roomId: frame.row.value.roomId, side: frame.row.value.side }
    : { roomId: null, side: 'inside' as const };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setDropping(false);
    void files.start([...event.dataTransfer.files], place);
  };

  return (
    <div
      className={styles.bench}
      data-dropping={dropping}
      onDragOver={(event) => {
        event.preventDefault();
        setDropping(true);
      }}
      onDragLeave={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget as Node | null)) setDropping(false);
      }}
      onDrop={onDrop}
    >
      <h1 className={styles.hidden}>Bench</h1>
      <input
        ref={fileInput}
        type="file"
        multiple
        hidden
        aria-label="Files to add"
        onChange={(event) => {
          const chosen = [...(event.target.files ?? [])];
          event.target.value = '';
          void files.start(chosen, place);
        }}
      />
      {frameId === null ? (
        <EmptyBench onFiles={() => fileInput.current?.click()} />
      ) : (
        <>
          <Toolbar
            view={view}
            dispatch={dispatch}
            span={span}
            hasPhoto={photo !== undefined}
            onColourMap={(colourMap) => {
              const visit = visitRow(document);
              edit('Colours', [{ entity: 'visit', rowId: visit.id, value: { ...visit.value, span: { ...span, colourMap } } }]);
            }}
            onFiles={() => fileInput.current?.click()}
          />
          {frame && scale ? (
            <>
              <div className={styles.ribbon}>
                <ScaleRibbon
                  frame={frame}
                  scale={scale}
                  mode={view.colours}
                  onDraft={(next) => dispatch({ kind: 'draft', scale: next })}
                  onCommit={setScale}
                  onFit={fit}
                />
              </div>
              <div className={styles.picture} data-photo={view.photoShown && photo !== undefined}>
                <PictureStage
                  key={frame.id}
                  frame={frame}
                  scale={scale}
                  view={view}
                  dispatch={dispatch}
                  onDraw={draw}
                  onMove={(id, shape, label) => changeRegion(id, { shape }, label)}
                  label={pictureWords(frame, units.temperature)}
                />
                {view.photoShown && photo && <PhotoBeside photoId={photo.id} name={photo.value.name} />}
                {view.colours === 'frame' ? <StretchedMark scale={scale} /> : <AnchorMark frame={frame} />}
              </div>
              <Ledger
                document={document}
                frame={frame}
                selectedId={view.selectedId}
                comparison={comparison}
                onSelect={(regionId) => dispatch({ kind: 'select', regionId })}
                onRename={(id, name) => changeRegion(id, { name }, 'Region renamed')}
                onRemove={removeRegion}
                onReference={markReference}
                onRecord={() => setRecording(true)}
              />
            </>
          ) : (
            <p className={styles.waiting} role="status">
              {pixels.problem(frameId) ?? 'The frame is on its way …'}
            </p>
          )}
          <FilmStrip currentId={frameId} onChoose={show} />
        </>
      )}
      <ImportPanel state={files.state} onCancel={files.cancel} onDismiss={files.dismiss} />
      {dropping && <div className={styles.drop}>Drop frames and photos here</div>}
      {recording && frame?.referenceId && view.selectedId && comparison && (
        <RecordFinding
          frameId={frame.id}
          thisRegionId={view.selectedId}
          thatRegionId={frame.referenceId}
          summary={`${document.rows.region[view.selectedId]!.value.name} against ${document.rows.region[frame.referenceId]!.value.name}: ${units.signedDifference(comparison.difference.value)} ${units.plusMinus(comparison.difference.uncertainty.total)}`}
          onAddPhoto={async (file) => (await files.start([file], place)).find((one) => one.outcome !== 'refused')?.id ?? null}
          onRecord={(value) => {
            edit('Finding recorded', [{ entity: 'finding', rowId: newId(), value }]);
            setRecording(false);
            void message.success('Recorded. It is under Findings.', 3);
          }}
          onClose={() => setRecording(false)}
        />
      )}
    </div>
  );
}

/** The picture in words, for those who do not see it. */
function pictureWords(frame: BenchFrame, temperature: (celsius: number) => string): string {
  const regions = frame.regions.map(
    ({ row, reading }) => `${row.value.name} ${reading ? temperature(reading.statistics.mean) : 'no reading'}`,
  );
  return `${frame.row.value.name}: ${frame.facts.width} by ${frame.facts.height} pixels. ${regions.join(', ') || 'No regions yet'}.`;
}

function StretchedMark({ scale }: { scale: Scale }) {
  const units = useUnits();
  return (
    <p className={styles.caption} data-stretched="true">
      Stretched over this frame only: all colours within {units.difference(scale.high - scale.low)}.
      {isNarrow(scale) && ' Stretch to find, steady to state.'}
    </p>
  );
}

function AnchorMark({ frame }: { frame: BenchFrame }) {
  const units = useUnits();
  const { anchor } = frame;
  const words =
    anchor.source === 'frame'
      ? `Colours around the reference, ${anchor.name} ${units.temperature(anchor.celsius)}`
      : anchor.source === 'visit'
        ? `Colours around the visit's reference, ${anchor.name} ${units.temperature(anchor.celsius)}`
        : `Colours around this frame's mean: no reference yet`;
  return <p className={styles.caption}>{words}</p>;
}
