import { migrate } from 'drizzle-orm/mysql2/migrator';
import { closeDatabase, database } from '@data/connection';
import { inRoot } from './root';
import { seedDemo } from './demo/seedDemo';

/** What ./den does with the database: bring its tables up to date, fill in the demo. */
const TASKS: Record<string, () => Promise<void>> = {
  async migrate() {
    await migrate(database(), { migrationsFolder: inRoot('data', 'migrations') });
  },
  async demo() {
    process.stdout.write('Making the demo visit …\n');
    await seedDemo(database());
  },
};

const task = TASKS[process.argv[2] ?? ''];
if (!task) throw new Error(`manage knows ${Object.keys(TASKS).join(', ')}`);
try {
  await task();
} finally {
  await closeDatabase();
}
