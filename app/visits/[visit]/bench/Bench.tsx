'use client';

import { onDemand } from '@ui/lazy/onDemand';
import { App, Button } from 'antd';
import { usePathname } from 'next/navigation';
import { useCallback, useDeferredValue, useEffect, useMemo, useReducer, useRef, useState, type DragEvent } from 'react';
import { v7 as newId } from 'uuid';
import { orderedFrames } from '@core/work/visit/frames';
import { probeReading } from '@core/work/visit/probes';
import { visitRow } from '@core/work/visit/theVisit';
import { filesIn } from '@ui/import/filesIn';
import { ImportPanel } from '@ui/import/ImportPanel';
import { useImport, type ImportedFile, type ImportPlace } from '@ui/import/useImport';
import { useUnits } from '@ui/units/UnitProvider';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';
import { AfterImport } from './strip/AfterImport';
import { BenchPicture } from './picture/BenchPicture';
import { ChosenBar } from './strip/ChosenBar';
import { EmptyBench } from './EmptyBench';
import { EvidenceView } from './photo/EvidenceView';
import { FilmStrip } from './strip/FilmStrip';
import { Ledger } from './ledger/Ledger';
import { photoOf } from '@core/work/visit/photoOver';
import { probesOf } from './ledger/probes';
import { stepsOf, stripItems, type StripItem } from './strip/strip';
import { Toolbar } from './Toolbar';
import { argueFrame } from '@core/work/findings/argue';
import { CandidateMarks } from './candidates/CandidateMarks';
import { CandidatePanel } from './candidates/CandidatePanel';
import { SideHead } from './candidates/SideHead';
import { useCandidateActions } from './candidates/useCandidateActions';
import { useRelated } from '../looks/useRelated';
import { lookedFrame } from '../looks/lookedFrame';
import { useFrameLook } from '../looks/useFrameLook';
import { WorkProblem } from '../../../work/WorkProblem';
import { useLeast } from '@ui/finding/useLeast';
import { comparisonFor } from '@core/work/visit/frameView';
import { BY_WORDS } from '@core/work/visit/byWords';
import { useBenchFrame } from './useBenchFrame';
import { useBenchKeys } from './useBenchKeys';
import { useRegions } from './useRegions';
import { useScale } from './useScale';
import { FIRST_VIEW, viewReducer } from './view';
import styles from './Bench.module.css';

const RecordFinding = onDemand(() => import('@ui/finding/RecordFinding').then((m) => m.RecordFinding));
const CameraClock = onDemand(() => import('./strip/CameraClock').then((m) => m.CameraClock));

const NOBODY: ReadonlySet<string> = new Set();
const NO_ITEMS: readonly StripItem[] = [];

/** Where frames are read: the picture, its scale, its regions, and the numbers that follow. */
export function Bench() {
  const { document, edit, refresh, pixels } = useVisit();
  const { message } = App.useApp();
  const units = useUnits();
  const [view, dispatch] = useReducer(viewReducer, FIRST_VIEW);
  const [recording, setRecording] = useState(false);
  const [dropping, setDropping] = useState(false);
  const [clock, setClock] = useState(false);
  const [chosen, setChosen] = useState(NOBODY);
  const fileInput = useRef<HTMLInputElement>(null);
  const folderInput = useRef<HTMLInputElement>(null);

  const items = stripItems(document);
  const steps = useMemo(() => stepsOf(items), [items]);
  const base = `/visits/${document.visitId}/bench`;
  const [asked = '', askedRegion] = usePathname()
    .slice(base.length + 1)
    .split('/');
  const isThere = (id: string) =>
    document.rows.frame[id]?.value.discarded === false || document.rows.photo[id]?.value.evidence === true;
  const shownId = isThere(asked) ? asked : (steps[0] ?? null);
  const evidence = document.rows.photo[shownId ?? ''] ?? null;
  const frameId = evidence || shownId === null || !document.rows.frame[shownId] ? null : shownId;
  const show = useCallback(
    (id: string) => {
      dispatch({ kind: 'frame', regionId: null });
      window.history.replaceState(null, '', `${base}/${id}`);
    },
    [base],
  );
  // A link to a region chooses it, one to a candidate opens it.
  useEffect(() => {
    const candidate = /^look-(\d+)$/.exec(askedRegion ?? '');
    if (candidate) {
      dispatch({ kind: 'look', looking: true });
      dispatch({ kind: 'candidate', index: Number(candidate[1]) });
    } else if (askedRegion) dispatch({ kind: 'select', regionId: askedRegion });
  }, [askedRegion]);

  // The frame, and wherever its reference and what it is compared with lie.
  const pixelsOf = usePixels(frameId);
  const frame = useBenchFrame(document, frameId, pixelsOf);
  useEffect(() => {
    const row = frameId ? document.rows.frame[frameId] : undefined;
    const visit = visitRow(document).value;
    const ofVisit = row?.value.side === 'outside' ? visit.referenceOutsideId : visit.referenceInsideId;
    for (const id of [row?.value.referenceId, ofVisit, view.againstId]) {
      const region = id ? document.rows.region[id] : undefined;
      if (region) pixels.want(region.value.frameId);
    }
  }, [document, frameId, pixels, view.againstId]);

  const { scale, setScale, fit, fixed } = useScale(frame, view, dispatch);
  const comparison = frame && comparisonFor(document, frame, view.selectedId, view.againstId, pixelsOf, view.by);
  const regions = useRegions(frame, view, dispatch);
  // The ledger first comes a moment after the picture: both at once would hold up the hand. What it shows is never old.
  const ledgerDue = useDeferredValue(frame !== null, false);
  const strip = useDeferredValue(items, NO_ITEMS);
  const photo = frameId ? photoOf(document, frameId) : null;
  const at = steps.indexOf(shownId ?? '');
  const nextFrame = document.rows.frame[steps[at + 1] ?? ''] ?? null;

  const [least, setLeast] = useLeast();
  const looked = useMemo(
    () => (frame && view.looking ? lookedFrame(document, frame.id, frame.values, least) : null),
    [document, frame, view.looking, least],
  );
  const looking = useFrameLook(looked);
  const look = looking.state === 'done' ? looking.result : null;
  const related = useRelated(look && frameId, least, pixelsOf);
  const candidates = useMemo(
    () => (frame && look ? argueFrame(document, frame.id, look, related) : []),
    [document, frame, look, related],
  );
  const candidateActions = useCandidateActions();
  const head = <SideHead looking={view.looking} onLook={(looking) => dispatch({ kind: 'look', looking })} />;

  const selectedRow = document.rows.region[view.selectedId ?? ''];
  const record = () => frame && setRecording(true);
  const pair =
    comparison && selectedRow && frame
      ? {
          thisRegionId: selectedRow.id,
          thatRegionId: document.rows.region[view.againstId ?? '']?.id ?? frame.referenceId!,
          by: view.by,
        }
      : {};
  useBenchKeys({
    view,
    dispatch,
    scale,
    setScale,
    regions,
    hasPhoto: photo !== null,
    onRecord: record,
    onStep: (by) => {
      const next = steps[at + by];
      if (next) show(next);
    },
    onCopy: () => selectedRow && nextFrame && regions.copyTo(selectedRow.id, nextFrame),
  });

  const onStored = useCallback(
    async (files: ImportedFile[], done: boolean) => {
      await refresh();
      const inOrder = [...files].sort((a, b) => a.fileName.localeCompare(b.fileName, undefined, { numeric: true }));
      const first = inOrder.find((file) => file.outcome === 'frame') ?? inOrder.find((file) => file.outcome === 'duplicate');
      if (done && first?.id) show(first.id);
    },
    [refresh, show],
  );
  const files = useImport(document.visitId, onStored);
  const place: ImportPlace = {
    // Not the room of the frame that happens to be open: nobody said that.
    roomId: null,
    side: 'inside',
    cameraId: visitRow(document).value.cameraId,
  };
  // Kept for "add them all the same": what was refused for pixels without a value.
  const offered = useRef<File[]>([]);
  const take = (list: File[], more: Partial<ImportPlace> = {}) => {
    offered.current = list;
    void files.start(list, { ...place, ...more });
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setDropping(false);
    void filesIn(event.dataTransfer).then((list) => take(list));
  };
  const probes = frameId
    ? probesOf(document, frameId).map(({ id, value }) => ({
        id,
        x: value.x,
        y: value.y,
        text: `${value.name} ${units.bareTemperature(probeReading(document, value).celsius)}`,
      }))
    : [];
  const fileField = (folder: boolean) => (
    <input
      ref={folder ? folderInput : fileInput}
      type="file"
      multiple
      hidden
      {...(folder ? { webkitdirectory: '' } : {})}
      aria-label={folder ? 'Folder to add' : 'Files to add'}
      onChange={(event) => {
        const list = [...(event.target.files ?? [])]
          .filter(({ name }) => !name.startsWith('.'))
          .sort((a, b) => a.webkitRelativePath.localeCompare(b.webkitRelativePath, undefined, { numeric: true }));
        event.target.value = '';
        take(list);
      }}
    />
  );

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
      {fileField(false)}
      {fileField(true)}
      {shownId === null ? (
        <EmptyBench onFiles={() => fileInput.current?.click()} />
      ) : (
        <>
          {evidence ? (
            <EvidenceView key={evidence.id} photo={evidence} />
          ) : (
            <Toolbar
              view={view}
              dispatch={dispatch}
              span={visitRow(document).value.span}
              hasPhoto={photo !== null}
              frameId={frameId!}
              onFiles={() => fileInput.current?.click()}
              onFolder={() => folderInput.current?.click()}
              onClock={() => setClock(true)}
            />
          )}
          {!evidence &&
            (frame && scale ? (
              <>
                <BenchPicture
                  frame={frame}
                  scale={scale}
                  view={view}
                  dispatch={dispatch}
                  photo={photo}
                  regions={regions}
                  probes={probes}
                  fixed={fixed}
                  onScale={setScale}
                  onFit={fit}
                  onShow={show}
                  candidates={
                    view.looking
                      ? (placement) => (
                          <CandidateMarks
                            candidates={candidates}
                            chosen={view.candidate}
                            placement={placement}
                            onChoose={(index) => dispatch({ kind: 'candidate', index })}
                          />
                        )
                      : undefined
                  }
                />
                <WorkProblem work={looking} what="What deserves a look" />
                {view.looking && (
                  <CandidatePanel
                    frame={frame}
                    look={look}
                    candidates={candidates}
                    chosen={view.candidate}
                    least={least}
                    actions={candidateActions}
                    onChoose={(index) => dispatch({ kind: 'candidate', index })}
                    onLeast={setLeast}
                    head={head}
                  />
                )}
                {ledgerDue && !view.looking && (
                  <Ledger
                    frame={frame}
                    view={view}
                    dispatch={dispatch}
                    comparison={comparison}
                    regions={regions}
                    next={nextFrame}
                    onRecord={() => setRecording(true)}
                    head={head}
                  />
                )}
              </>
            ) : (
              <p className={styles.waiting} role="status">
                {pixels.problem(frameId!) ?? 'The frame is on its way …'}
              </p>
            ))}
          <FilmStrip items={strip} currentId={shownId} chosen={chosen} onShow={show} onChoose={setChosen} />
          {frameId && <ChosenBar frameId={frameId} chosen={chosen} onClear={() => setChosen(NOBODY)} />}
        </>
      )}
      <ImportPanel state={files.state} onCancel={files.cancel} onDismiss={files.dismiss}>
        <AfterImport
          files={files.state.files}
          onChoose={(ids) => {
            setChosen(ids);
            files.dismiss();
          }}
          onAllSame={(names) =>
            take(
              offered.current.filter(({ name }) => names.has(name)),
              { allowMissing: true },
            )
          }
        />
      </ImportPanel>
      {dropping && <div className={styles.drop}>Drop frames, photos, folders and ZIPs here</div>}
      {clock && frameId && <CameraClock frameId={frameId} onClose={() => setClock(false)} />}
      {recording && frame && (
        <RecordFinding
          start={{ frameId: frame.id, stopKey: frame.row.value.stopKey, ...pair }}
          bases={[...(comparison && selectedRow ? (['pair'] as const) : []), 'shape', 'typed', 'unsolved']}
          summary={
            comparison && selectedRow
              ? `${BY_WORDS[view.by]}${selectedRow.value.name} against ${document.rows.region[view.againstId ?? frame.referenceId!]?.value.name ?? 'the reference'}: ${units.signedDifference(comparison.difference.value)} ${units.spread(comparison.difference.value, comparison.difference.uncertainty)}`
              : 'Without a region and a reference no difference is stated: it rests on what is seen.'
          }
          onAddPhoto={async (file) => (await files.start([file], place)).find((one) => one.outcome !== 'refused')?.id ?? null}
          onRecord={(value) => {
            edit('Finding recorded', [{ entity: 'finding', rowId: newId(), value }]);
            setRecording(false);
            void message.success('Recorded. It is under Findings.', 3);
          }}
          onClose={() => setRecording(false)}
        />
      )}
      {orderedFrames(document).length === 0 && evidence && (
        <Button className={styles.more!} onClick={() => fileInput.current?.click()}>
          Add files
        </Button>
      )}
    </div>
  );
}
