import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { passwordsIn, withConnection, type DatabaseAccess } from './access';
import type { DataFolder } from './folder';
import { OwnProcess } from './ownProcess';
import { freePort } from './ports';
import { endProcess, processesWith } from './processes';
import { refusal, say } from './say';

/** Debian puts the server where only root looks. */
const PATH = `${process.env.PATH ?? ''}:/usr/sbin`;
/** A database that mends itself after a power cut takes its time. */
const READY_WITHIN_MS = 600_000;
const END_WITHIN_MS = 60_000;

const ROOT_FLAG = process.getuid?.() === 0 ? ['--user=root'] : [];
/**
 * Files of the database are its owner's alone. Temporary tables too: a server that starts clears away what it finds of them,
 * and in a folder that several share that is what another one is using.
 */
function environmentOn(files: string): NodeJS.ProcessEnv {
  const own = `${files}.tmp`;
  mkdirSync(own, { recursive: true, mode: 0o700 });
  return { ...process.env, PATH, UMASK: '0600', UMASK_DIR: '0700', TMPDIR: own };
}

/** MariaDB on the files of a data folder, as a process of ours. */
export class DatabaseServer {
  private constructor(
    private readonly folder: DataFolder,
    readonly access: DatabaseAccess,
    private process: OwnProcess,
  ) {}

  /** Starts it and waits until it answers; makes its files first where there are none. The data folder's lock is held. */
  static async start(folder: DataFolder): Promise<DatabaseServer> {
    await endLeftOver(folder);
    const passwords = passwordsIn(folder);
    if (!existsSync(path.join(folder.database, 'mysql'))) createFiles(folder, passwords);
    const access = { port: await freePort(), passwords };
    const server = new DatabaseServer(folder, access, launch(folder, access.port));
    await server.ready();
    return server;
  }

  /** The process; another one after it was brought back. */
  get pid(): number {
    return this.process.pid;
  }

  ended(): Promise<string> {
    return this.process.ended();
  }

  /** Starts the process anew on the same port, after the old one is gone. */
  async bringBack(): Promise<void> {
    await endLeftOver(this.folder);
    this.process = launch(this.folder, this.access.port);
    await this.ready();
  }

  /** Ends one that does not answer any more; it mends itself at its next start. */
  kill(): void {
    this.process.kill();
  }

  stop(): Promise<void> {
    return this.process.stop(END_WITHIN_MS);
  }

  private async ready(): Promise<void> {
    const until = Date.now() + READY_WITHIN_MS;
    let repaired = false;
    while (Date.now() < until) {
      if (this.process.hasEnded) break;
      const problem = await withConnection(this.access, 'root', undefined, (connection) => connection.query('SELECT 1')).then(
        () => null,
        (error: { code?: string }) => error,
      );
      if (problem === null) return;
      if (problem.code === 'ER_ACCESS_DENIED_ERROR' && !repaired) {
        // The file with the passwords was lost or put back; whoever owns the files may set them anew.
        repaired = true;
        await this.stop();
        setPasswords(this.folder, this.folder.database, this.access.passwords);
        this.process = launch(this.folder, this.access.port);
      }
      await pause(100);
    }
    throw refusal('The database does not start.', `See ${this.folder.databaseLog}.`);
  }
}

/** Ends a database on these files that an ended ./den left behind. */
export async function endLeftOver(folder: DataFolder): Promise<void> {
  for (const name of processesWith('cmdline', `--datadir=${folder.database}`)) await endProcess(name, END_WITHIN_MS);
}

function launch(folder: DataFolder, port: number): OwnProcess {
  // The socket's path is relative to the files: a long one would not fit into a socket's address.
  const words = [
    '--no-defaults',
    `--datadir=${folder.database}`,
    '--socket=den.sock',
    '--pid-file=den.pid',
    ...ROOT_FLAG,
    '--bind-address=127.0.0.1',
    `--port=${port}`,
    '--max-allowed-packet=64M',
    '--default-time-zone=+00:00',
    '--skip-name-resolve',
    '--local-infile=0',
    '--skip-symbolic-links',
    '--innodb-lock-wait-timeout=10',
    '--lock-wait-timeout=60',
  ];
  return OwnProcess.start('mariadbd', words, { env: environmentOn(folder.database), log: folder.databaseLog });
}

/** Makes a database's files where nothing may be. @returns null when they are there, else what the installer said last */
function installInto(fresh: string): string | null {
  rmSync(fresh, { recursive: true, force: true });
  const { status, stderr } = spawnSync(
    'mariadb-install-db',
    ['--no-defaults', `--datadir=${fresh}`, '--auth-root-authentication-method=normal', '--skip-test-db', ...ROOT_FLAG],
    { encoding: 'utf8', env: environmentOn(fresh), maxBuffer: 64 * 1024 * 1024 },
  );
  if (status === 0) return null;
  const said = stderr.trim().split('\n').slice(-3).join('\n') || `It ended with ${status}.`;
  say(said);
  return said;
}

function createFiles(folder: DataFolder, passwords: DatabaseAccess['passwords']): void {
  say('Creating the database …');
  const fresh = `${folder.database}.new`;
  rmSync(folder.database, { recursive: true, force: true });
  // On a busy machine the installer's own server may not come up: it is asked once more before anything is refused.
  const problem = installInto(fresh) && installInto(fresh);
  if (problem) throw refusal('The database could not be created.', problem);
  setPasswords(folder, fresh, passwords);
  renameSync(fresh, folder.database);
  rmSync(`${fresh}.tmp`, { recursive: true, force: true });
}

/** Sets root's password and takes other accounts away, on files that nothing listens on. */
function setPasswords(folder: DataFolder, files: string, { root }: DatabaseAccess['passwords']): void {
  const statements = [
    'FLUSH PRIVILEGES',
    `CREATE USER IF NOT EXISTS root@localhost`,
    `CREATE USER IF NOT EXISTS root@127.0.0.1`,
    `ALTER USER root@localhost IDENTIFIED BY '${root}'`,
    `ALTER USER root@127.0.0.1 IDENTIFIED BY '${root}'`,
    'GRANT ALL ON *.* TO root@localhost WITH GRANT OPTION',
    'GRANT ALL ON *.* TO root@127.0.0.1 WITH GRANT OPTION',
    "DELETE FROM mysql.global_priv WHERE User NOT IN ('root', 'den', 'loader', 'mariadb.sys') OR (User = 'root' AND Host NOT IN ('localhost', '127.0.0.1'))",
    'FLUSH PRIVILEGES',
  ];
  const { status, stderr } = spawnSync('mariadbd', ['--no-defaults', `--datadir=${files}`, ...ROOT_FLAG, '--bootstrap'], {
    input: statements.map((statement) => `${statement};\n`).join(''),
    encoding: 'utf8',
    env: environmentOn(files),
    maxBuffer: 64 * 1024 * 1024,
  });
  if (status !== 0) throw refusal('The database could not be secured.', stderr.trim().split('\n').slice(-3).join('\n'));
}
