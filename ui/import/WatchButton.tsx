'use client';

import { FolderOpenOutlined } from '@ant-design/icons';
import { Button, Tooltip } from 'antd';
import type { FolderWatch } from './useFolderWatch';

interface Props {
  watch: FolderWatch;
  /** What becomes of files that appear in the folder. */
  hint: string;
  /** What to do in a browser that cannot watch one. */
  instead: string;
}

/** Begins and ends watching a folder. */
export function WatchButton({ watch, hint, instead }: Props) {
  if (watch.folder !== null)
    return (
      <Button icon={<FolderOpenOutlined />} onClick={watch.end}>
        Watching “{watch.folder}” · end
      </Button>
    );
  return (
    <Tooltip title={watch.able ? hint : `This browser cannot watch a folder. ${instead}`}>
      <Button icon={<FolderOpenOutlined />} disabled={!watch.able} onClick={() => void watch.begin()}>
        Watch a folder
      </Button>
    </Tooltip>
  );
}
