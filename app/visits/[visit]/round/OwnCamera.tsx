'use client';

import { CameraOutlined, VideoCameraOutlined } from '@ant-design/icons';
import { Alert, Button, Select } from 'antd';
import { useEffect, useRef, useState } from 'react';
import type { EarlierStop } from '@core/model/document';
import { localDay } from '@core/ground/localTime';
import { siteOf, visitRow } from '@core/work/visit/theVisit';
import { WatchButton } from '@ui/import/WatchButton';
import { useVisit } from '@ui/visit/VisitProvider';
import { LastTime } from '../viewfinder/LastTime';
import type { FolderWatch } from '@ui/import/useFolderWatch';
import { useLivePicture } from './useLivePicture';
import styles from './OwnCamera.module.css';

interface Props {
  title: string;
  earlier: EarlierStop | null;
  watch: FolderWatch;
  /** Takes a picture of the live view, without data. */
  onKeep(file: File): void;
}

/** With a camera of one's own: last time's frame to aim by, a live picture of it, and its folder watched. */
export function OwnCamera({ title, earlier, watch, onKeep }: Props) {
  const { document } = useVisit();
  const live = useLivePicture();
  const [ghost, setGhost] = useState(true);
  const [grid, setGrid] = useState(true);
  const video = useRef<HTMLVideoElement>(null);
  const last = earlier?.frame ?? null;
  const span = visitRow(document).value.span;
  const { stream } = live;
  useEffect(() => {
    if (video.current) video.current.srcObject = stream;
  }, [stream]);
  const keep = async () => {
    const { current } = video;
    if (!current?.videoWidth) return;
    const canvas = window.document.createElement('canvas');
    [canvas.width, canvas.height] = [current.videoWidth, current.videoHeight];
    canvas.getContext('2d')!.drawImage(current, 0, 0);
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.92));
    if (blob) onKeep(new File([blob], `live ${title.replace(/[^\p{L}\p{N} ,-]/gu, '')} ${Date.now()}.jpg`, { type: blob.type }));
  };
  return (
    <section className={styles.own} aria-label="Own camera">
      {stream ? (
        <div className={styles.stage}>
          <video ref={video} autoPlay muted playsInline aria-label="Live picture" />
          {ghost && last && <LastTime frame={last} span={span} className={styles.ghost} />}
          {grid && <div className={styles.grid} aria-hidden="true" />}
          <span className={styles.mark}>Live, without data</span>
        </div>
      ) : (
        last && (
          <figure className={styles.stage}>
            <LastTime frame={last} span={span} className={styles.last} />
            <figcaption className={styles.mark}>
              Last time, {localDay(earlier!.startedAt, siteOf(document).timeZone)}: aim like this
            </figcaption>
          </figure>
        )
      )}
      <div className={styles.controls}>
        {stream ? (
          <>
            <Button type="primary" icon={<CameraOutlined />} onClick={() => void keep()}>
              Keep this picture
            </Button>
            {live.devices.length > 1 && (
              <Select
                aria-label="Video device"
                value={stream.getVideoTracks()[0]?.getSettings().deviceId ?? null}
                options={live.devices.map(({ id, name }) => ({ value: id, label: name }))}
                onChange={(id) => void live.begin(id ?? undefined)}
              />
            )}
            {last && (
              <Button aria-pressed={ghost} onClick={() => setGhost(!ghost)}>
                {ghost ? 'Hide last time' : 'Show last time'}
              </Button>
            )}
            <Button aria-pressed={grid} onClick={() => setGrid(!grid)}>
              {grid ? 'Hide the grid' : 'Show the grid'}
            </Button>
            <Button onClick={live.end}>End live picture</Button>
          </>
        ) : (
          <Button icon={<VideoCameraOutlined />} onClick={() => void live.begin()}>
            Live picture
          </Button>
        )}
        <WatchButton
          watch={watch}
          hint="Files that appear in it land on the stop in view"
          instead="Drop the files here instead."
        />
      </div>
      {[live.problem, watch.problem].map((problem) => problem && <Alert key={problem} type="warning" showIcon title={problem} />)}
    </section>
  );
}
