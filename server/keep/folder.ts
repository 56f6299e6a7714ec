import { mkdirSync } from 'node:fs';
import path from 'node:path';

/** Where everything of one installation lies that is not in git. */
export interface DataFolder {
  root: string;
  /** MariaDB's own files. */
  database: string;
  /** Passwords of the database, for its owner only. */
  secrets: string;
  /** Which database is the live one. */
  live: string;
  /** What a running `start` says of itself, for other commands. */
  running: string;
  /** Held by whoever owns the database's process. */
  lock: string;
  /** Held by what works on a database that another command owns. */
  taskLock: string;
  /** What a command makes on its way; emptied by the next one. */
  work: string;
  /** Bodies of requests on their way to the database. */
  uploads: string;
  /** Backups that were taken before an upgrade. */
  backups: string;
  applicationLog: string;
  databaseLog: string;
}

export function folderAt(root: string): DataFolder {
  const at = (name: string) => path.join(root, name);
  mkdirSync(root, { recursive: true });
  return {
    root,
    database: at('db'),
    secrets: at('database.env'),
    live: at('live.json'),
    running: at('running.json'),
    lock: at('lock'),
    taskLock: at('task.lock'),
    work: at('work'),
    uploads: at('uploads'),
    backups: at('backups'),
    applicationLog: at('app.log'),
    databaseLog: at('database.log'),
  };
}
