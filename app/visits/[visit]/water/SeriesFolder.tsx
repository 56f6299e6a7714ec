'use client';

import { FolderOpenOutlined } from '@ant-design/icons';
import { Alert, Button, Tooltip } from 'antd';
import { useSeriesFolder } from './useSeriesFolder';
import styles from './Water.module.css';

/** A camera's folder, watched while it takes a frame every minute or two. */
export function SeriesFolder({ lastFrameId }: { lastFrameId: string }) {
  const { watch, importing, dismiss } = useSeriesFolder(lastFrameId);
  const refused = importing.running ? [] : importing.files.filter(({ outcome }) => outcome === 'refused');
  return (
    <>
      {watch.folder !== null ? (
        <Button icon={<FolderOpenOutlined />} onClick={watch.end}>
          Watching “{watch.folder}” · end
        </Button>
      ) : (
        <Tooltip
          title={
            watch.able
              ? 'Frames that appear in it go into this series while you wait'
              : 'This browser cannot watch a folder. Take files in on the Round instead.'
          }
        >
          <Button icon={<FolderOpenOutlined />} disabled={!watch.able} onClick={() => void watch.begin()}>
            Watch a folder
          </Button>
        </Tooltip>
      )}
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
