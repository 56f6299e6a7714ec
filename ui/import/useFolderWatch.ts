'use client';

import { useCallback, useEffect, useRef, useState } from 'react';

/** How often the folder is looked through, ms; a file is taken when it stayed the same from one look to the next. */
const EVERY_MS = 500;

/** The part of a directory handle that is used here; browsers that have none cannot watch. */
interface Folder {
  name: string;
  values(): AsyncIterable<{ kind: 'file' | 'directory'; name: string; getFile?(): Promise<File> }>;
}

type Picker = { showDirectoryPicker?: (options: { mode: 'read' }) => Promise<Folder> };

const picker = () => (window as unknown as Picker).showDirectoryPicker;

export interface FolderWatch {
  /** Whether this browser can do it; known after the first drawing. */
  able: boolean;
  /** Name of the folder; null while none is watched. */
  folder: string | null;
  /** Why it ended by itself. */
  problem: string | null;
  /** Files that came while no stop was in view. */
  waiting: number;
  begin(): Promise<void>;
  end(): void;
  /** Says who takes files now; null for nobody. */
  give(take: ((files: File[]) => void) | null): void;
}

/** Watches a folder that somebody chose: what appears in it lands on the stop in view. What was there before stays there. */
export function useFolderWatch(): FolderWatch {
  const [folder, setFolder] = useState<Folder | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [waiting, setWaiting] = useState<File[]>([]);
  const [able, setAble] = useState(false);
  const taker = useRef<((files: File[]) => void) | null>(null);
  // eslint-disable-next-line react-hooks/set-state-in-effect -- only the browser knows
  useEffect(() => setAble(picker() !== undefined), []);

  const hand = useCallback((files: File[]) => {
    if (files.length === 0) return;
    if (taker.current) taker.current(files);
    else setWaiting((before) => [...before, ...files]);
  }, []);

  useEffect(() => {
    if (!folder) return;
    let going = true;
    /** Size by name, as it was at the last look; null for what was taken or was there from the beginning. */
    let known: Map<string, string | null> | null = null;
    const look = async () => {
      const seen = new Map<string, string | null>();
      const ready: File[] = [];
      for await (const entry of folder.values()) {
        if (entry.kind !== 'file' || entry.name.startsWith('.') || !entry.getFile) continue;
        const before = known?.get(entry.name);
        if (!known || before === null) {
          seen.set(entry.name, null);
          continue;
        }
        const file = await entry.getFile();
        const state = `${file.size} ${file.lastModified}`;
        const whole = file.size > 0 && before === state;
        if (whole) ready.push(file);
        seen.set(entry.name, whole ? null : state);
      }
      known = seen;
      if (going) hand(ready);
    };
    const run = async () => {
      while (going) {
        try {
          await look();
        } catch {
          if (!going) return;
          setFolder(null);
          setProblem(`The folder “${folder.name}” cannot be read any more. What came before is kept. Choose it again.`);
          return;
        }
        await new Promise((resolve) => setTimeout(resolve, EVERY_MS));
      }
    };
    void run();
    return () => {
      going = false;
    };
  }, [folder, hand]);

  const begin = useCallback(async () => {
    // Closing the dialog is no problem.
    const chosen = await picker()?.({ mode: 'read' }).catch(() => null);
    if (!chosen) return;
    setProblem(null);
    setFolder(chosen);
  }, []);
  const end = useCallback(() => {
    setFolder(null);
    setProblem(null);
  }, []);
  const give = useCallback(
    (take: ((files: File[]) => void) | null) => {
      taker.current = take;
      if (take && waiting.length > 0) {
        setWaiting([]);
        take(waiting);
      }
    },
    [waiting],
  );
  return { able, folder: folder?.name ?? null, problem, waiting: waiting.length, begin, end, give };
}
