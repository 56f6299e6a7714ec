'use client';

import {
  AudioOutlined,
  CameraOutlined,
  EditOutlined,
  LeftOutlined,
  PlusOutlined,
  RightOutlined,
  SwapOutlined,
  WarningOutlined,
} from '@ant-design/icons';
import { Button } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import { lookForWords } from '@core/work/round/lookFor';
import { placeAt } from '@core/work/round/lookForStop';
import { cameraOf, type Round } from '@core/work/round/round';
import { standFor, standWords } from '@core/work/round/stand';
import { stopCaution } from '@core/work/round/stopCaution';
import type { Stop } from '@core/work/round/stops';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import type { Pose } from '@core/method/simulate/surface';
import type { Row } from '@core/model/entities';
import { onlyRow, visitRow } from '@core/work/visit/theVisit';
import { ImportPanel } from '@ui/import/ImportPanel';
import { useKeys } from '@ui/keys/useKeys';
import { UndoButtons } from '@ui/shell/UndoButtons';
import { useVisit } from '@ui/visit/VisitProvider';
import { afterFix } from './afterFix';
import { NotReached } from './NotReached';
import { NotePad } from './NotePad';
import { SpeakButton } from './SpeakButton';
import { StopFindings } from './StopFindings';
import { StopHint } from './StopHint';
import { StopRecord } from './StopRecord';
import { StrikeOff } from './StrikeOff';
import { OwnCamera } from './OwnCamera';
import type { FolderWatch } from '@ui/import/useFolderWatch';
import { useStopActions } from './useStopActions';
import { useStopFiles } from './useStopFiles';
import type { Shot } from '../viewfinder/useViewfinder';
import { Viewfinder } from '../viewfinder/Viewfinder';
import styles from './StopDesk.module.css';

/** One stop: what to look for, how to stand, what the camera sees, and the answer. */
export function StopDesk({
  round,
  stop,
  watch,
  onGo,
}: {
  round: Round;
  stop: Stop;
  watch: FolderWatch;
  onGo(stop: Stop | null): void;
}) {
  const { document } = useVisit();
  const { row, answer, capture, capturing, put, seen } = useStopActions(stop);
  const [asking, setAsking] = useState<'reason' | 'note' | null>(null);
  const camera = cameraOf(document);
  const standIn = camera?.id === STAND_IN_CAMERA.id ? camera.value : null;
  const surfaceRow = stop.surfaceId === null ? undefined : document.rows.surface[stop.surfaceId];
  const surface = surfaceRow?.value ?? null;
  const room = document.rows.room[surface?.roomId ?? '']?.value ?? null;
  const stand = camera && standFor(stop, camera.value, surface, room);
  const home: Pose = { aim: stop.aim, distance: stand?.distanceM ?? 0, aside: stand?.asideM ?? 0 };
  const [pose, setPose] = useState<Pose>(home);
  const inView = useRef<Shot | null>(null);
  const [ready, setReady] = useState(false);
  const keep = useCallback((shot: Shot | null) => {
    inView.current = shot;
    setReady(shot !== null);
  }, []);
  const picker = useRef<HTMLInputElement>(null);
  /** The finding that the next files are a second look at. */
  const again = useRef<Row<'finding'> | null>(null);
  const cameraId = standIn ? null : (camera?.id ?? null);
  const { importing, add, cancel, dismiss } = useStopFiles(stop, surface, cameraId, seen);

  const place = round.stops.indexOf(stop);
  const [before, after] = [round.stops[place - 1] ?? null, round.stops[place + 1] ?? null];
  const group = round.groups.find(({ id }) => id === stop.groupId)!;
  const within = group.stops.indexOf(stop) + 1;
  const onward = () => onGo(round.stops.slice(place + 1).find(({ key }) => round.outcomes.get(key) === null) ?? after);
  const outcome = round.outcomes.get(stop.key) ?? null;
  const stopPlace = placeAt(document, stop);
  const caution = stopCaution(stop.part, stopPlace, onlyRow(document, 'intake').value.kind, room?.kind ?? null);
  const earlier = document.earlier[stop.key] ?? null;
  const otherSide = round.stops.find(({ surfaceId }) => surfaceId !== null && surfaceId === surface?.otherSideId);

  const take = () => void capture(inView.current, `${group.name}, ${stop.title.toLowerCase()}`);
  const lookAgain = (finding: Row<'finding'>) =>
    void capture(inView.current, `${group.name}, ${stop.title.toLowerCase()}, again`, (fresh, frameId) =>
      afterFix(fresh, finding, frameId),
    );
  const askAgain = (finding: Row<'finding'>) => {
    again.current = finding;
    picker.current?.click();
  };
  const nothing = () => {
    answer('nothing');
    onward();
  };
  const { give } = watch;
  useEffect(() => {
    give((files) => void add(files));
    return () => give(null);
  }, [give, add]);
  useKeys({
    c: () => standIn && take(),
    e: nothing,
    n: () => after && onGo(after),
    'Shift n': () => before && onGo(before),
  });

  return (
    <div
      className={styles.desk}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void add([...event.dataTransfer.files]);
      }}
    >
      <header className={styles.head}>
        <div>
          <p className={styles.quiet}>
            {group.name} · stop {within} of {group.stops.length}
            {outcome && <span className={styles.outcome}> · answered</span>}
          </p>
          <h1>{stop.title}</h1>
        </div>
        <UndoButtons />
        <Button icon={<LeftOutlined />} disabled={!before} onClick={() => before && onGo(before)} aria-label="Previous stop" />
        <Button icon={<RightOutlined />} iconPlacement="end" onClick={() => onGo(after)}>
          {after ? 'Next' : 'End'}
        </Button>
      </header>

      <div className={styles.columns}>
        {standIn ? (
          <div className={styles.seen}>
            <Viewfinder
              key={stop.key}
              visitId={document.visitId}
              surfaceId={stop.surfaceId}
              camera={standIn}
              pose={pose}
              home={home}
              onPose={setPose}
              span={visitRow(document).value.span}
              earlier={earlier}
              onShot={keep}
            />
          </div>
        ) : (
          <OwnCamera title={stop.title} earlier={earlier} watch={watch} onKeep={(file) => void add([file], { evidence: true })} />
        )}
        <div className={styles.work}>
          <div className={styles.cards}>
            <section className={styles.card}>
              <h2>Look for</h2>
              <p>{lookForWords(stop.part, stopPlace)}</p>
            </section>
            <section className={styles.card}>
              <h2>Stand</h2>
              <p>
                {stand
                  ? standWords(stand, stop.part).join(' ')
                  : 'How far back follows from the field of view: say in Kit which camera you use.'}
              </p>
            </section>
          </div>
          {caution && (
            <p className={styles.caution} role="note">
              <WarningOutlined /> {caution}
            </p>
          )}
          {asking === 'reason' ? (
            <NotReached
              onChoose={(reason) => {
                answer('unreached', reason);
                setAsking(null);
                onward();
              }}
              onBack={() => setAsking(null)}
            />
          ) : (
            <div className={styles.answers}>
              {standIn ? (
                <Button
                  type="primary"
                  className={styles.capture}
                  icon={<CameraOutlined />}
                  loading={capturing}
                  disabled={!ready}
                  onClick={take}
                >
                  Capture
                </Button>
              ) : (
                <Button type="primary" className={styles.capture} icon={<PlusOutlined />} onClick={() => picker.current?.click()}>
                  Add frames
                </Button>
              )}
              <Button onClick={nothing}>Nothing to see</Button>
              <Button onClick={() => setAsking('reason')}>Could not reach</Button>
            </div>
          )}
          <StopFindings stop={stop} place={stopPlace} onLookAgain={standIn ? (ready ? lookAgain : null) : askAgain} />
          <div className={styles.more}>
            <Button
              icon={<EditOutlined />}
              onClick={() => setAsking(asking === 'note' ? null : 'note')}
              aria-expanded={asking === 'note'}
            >
              Note
            </Button>
            <SpeakButton stopKey={stop.key} icon={<AudioOutlined />} />
            <Button
              aria-pressed={row.value.answer === 'unsolved'}
              onClick={() => answer(row.value.answer === 'unsolved' ? null : 'unsolved')}
            >
              {row.value.answer === 'unsolved' ? 'Unsolved ✓' : 'Unsolved'}
            </Button>
            {standIn && (
              <Button icon={<PlusOutlined />} onClick={() => picker.current?.click()}>
                Add files
              </Button>
            )}
            <StrikeOff stop={stop} onStruck={() => onGo(after ?? before)} />
            <input
              ref={picker}
              type="file"
              multiple
              hidden
              aria-label="Files for this stop"
              onChange={(event) => {
                void add([...(event.target.files ?? [])], { look: again.current });
                again.current = null;
                event.target.value = '';
              }}
            />
          </div>
          {asking === 'note' && <NotePad value={row.value} onPut={put} />}
          <ImportPanel state={importing} onCancel={cancel} onDismiss={dismiss} />
          {otherSide && (
            <Button icon={<SwapOutlined />} onClick={() => onGo(otherSide)}>
              From the other side: {round.groups.find(({ id }) => id === otherSide.groupId)!.name}
            </Button>
          )}
          <StopHint stop={stop} />
          <StopRecord stop={stop} value={row.value} outcome={outcome} earlier={earlier} />
        </div>
      </div>
    </div>
  );
}
