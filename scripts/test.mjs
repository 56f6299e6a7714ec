// Runs everything that must hold, and counts. The last line is for people and machines.
import { spawn } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import path from 'node:path';

const root = process.env.DEN_ROOT;
const data = process.env.DEN_DATA;
let passed = 0;
let failed = 0;

/** Runs a command. What it prints is shown at once, or, `beside` another one, in one piece when it is done. */
function run(command, args, { env = {}, beside = false } = {}) {
  const started = Date.now();
  const title = `\n── ${[command, ...args].join(' ')}`;
  const said = [title];
  if (!beside) console.log(title);
  const child = spawn(command, args, {
    cwd: root,
    stdio: beside ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    env: { ...process.env, ...env },
  });
  for (const stream of beside ? [child.stdout, child.stderr] : []) stream.on('data', (part) => said.push(String(part).trimEnd()));
  return new Promise((resolve) => {
    const end = (held) => {
      if (beside) console.log(said.join('\n'));
      console.log(`── ${held ? 'holds' : 'FAILS'} after ${((Date.now() - started) / 1000).toFixed(0)} s`);
      resolve(held);
    };
    child.on('error', () => end(false));
    child.on('close', (status) => end(status === 0));
  });
}

async function check(options, command, ...args) {
  if (await run(command, args, options)) passed += 1;
  else failed += 1;
}

/** Runs a test runner that writes its counts as JSON; a runner that dies without them counts as one failure. */
async function suite(file, count, command, args, env) {
  rmSync(file, { force: true });
  const held = await run(command, args, { env });
  try {
    const counts = count(JSON.parse(readFileSync(file, 'utf8')));
    passed += counts.passed;
    failed += counts.failed;
    if (!held && counts.failed === 0) failed += 1;
    if (counts.passed + counts.failed === 0) failed += 1;
  } catch {
    failed += 1;
  }
}

const jestCounts = (r) => ({ passed: r.numPassedTests, failed: r.numFailedTests + r.numRuntimeErrorTestSuites });

/** What only reads the sources; one thread does it while the database suite mostly waits for disks and processes. */
async function reading() {
  for (const name of ['format', 'lint', 'boundaries', 'types', 'unused'])
    await check({ beside: true }, 'npm', 'run', '--silent', name);
}

const withDatabase = path.join(data, 'database.json');
const database = ['jest', '--config', 'jest.database.config.mjs', '--json', `--outputFile=${withDatabase}`];
await Promise.all([reading(), suite(withDatabase, jestCounts, 'npx', database)]);
const unit = path.join(data, 'unit.json');
await suite(unit, jestCounts, 'npx', ['jest', '--json', `--outputFile=${unit}`]);
await check({}, './den', 'build');
const browser = path.join(data, 'browser.json');
await suite(
  browser,
  (r) => ({ passed: r.stats.expected, failed: r.stats.unexpected + r.stats.flaky + r.errors.length }),
  'npx',
  ['playwright', 'test'],
  { PLAYWRIGHT_JSON_OUTPUT_NAME: browser },
);

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
