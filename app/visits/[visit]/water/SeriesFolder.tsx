'use client';

import { Alert } from 'antd';
import { WatchButton } from '@ui/import/WatchButton';
import { useSeriesFolder } from './useSeriesFolder';
import styles from './Water.module.css';

/** A camera's folder, watched while it takes a frame every minute or two. */
export function SeriesFolder({ lastFrameId }: { lastFrameId: string }) {
  const { watch, importing, dismiss } = useSeriesFolder(lastFrameId);
  const refused = importing.running ? [] : importing.files.filter(({ outcome }) => outcome === 'refused');
  return (
    <>
      <WatchButton
        watch={watch}
        hint="Frames that appear in it go into this series while you wait"
        instead="Take files in on the Round instead."
      />
      {importing.running && <span className={styles.quiet}>Taking in {importing.total} …</span>}
      {watch.problem && <Alert type="warning" showIcon title={watch.problem} />}
      {refused.length > 0 && (
        <Alert
          type="warning"
          showIcon
          closable={{ onClose: dismiss }}
          title={refused.map(({ fileName, words }) => `${fileName}: ${words}`).join(' · ')}
          description="Left out of the series. The folder goes on being watched."
        />
      )}
    </>
  );
}
