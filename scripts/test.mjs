// Runs everything that must hold, one check after the other, and counts. The last line is for people and machines.
import { spawn, spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import path from 'node:path';

const root = process.env.DEN_ROOT;
const data = process.env.DEN_DATA;
let passed = 0;
let failed = 0;

function run(command, args, env = {}) {
  const started = Date.now();
  console.log(`\n── ${[command, ...args].join(' ')}`);
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  console.log(`── ${status === 0 ? 'holds' : 'FAILS'} after ${((Date.now() - started) / 1000).toFixed(0)} s`);
  return status === 0;
}

function count(held) {
  if (held) passed += 1;
  else failed += 1;
}

/** Runs beside what comes next, and says what it said when it has ended. */
function beside(command, ...args) {
  const started = Date.now();
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  const said = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
  return new Promise((resolve) => {
    child.on('close', (status) => {
      console.log(`\n── ${[command, ...args].join(' ')} (beside the rest)`);
      process.stdout.write(Buffer.concat(said));
      console.log(`── ${status === 0 ? 'holds' : 'FAILS'} after ${((Date.now() - started) / 1000).toFixed(0)} s`);
      resolve(status === 0);
    });
    child.on('error', () => resolve(false));
  });
}

/** Without holding this process up, so that what runs beside is heard. */
function alone(command, ...args) {
  console.log(`\n── ${[command, ...args].join(' ')}`);
  const child = spawn(command, args, { cwd: root, stdio: 'inherit' });
  return new Promise((resolve) => {
    child.on('close', (status) => {
      console.log(`── ${status === 0 ? 'holds' : 'FAILS'}`);
      resolve(status === 0);
    });
    child.on('error', () => resolve(false));
  });
}

/** Runs a test runner that writes its counts as JSON; a runner that dies without them counts as one failure. */
function suite(file, countsOf, command, args, env) {
  rmSync(file, { force: true });
  const held = run(command, args, env);
  try {
    const counts = countsOf(JSON.parse(readFileSync(file, 'utf8')));
    passed += counts.passed;
    failed += counts.failed;
    if (!held && counts.failed === 0) failed += 1;
    if (counts.passed + counts.failed === 0) failed += 1;
  } catch {
    failed += 1;
  }
}

const lint = beside('npm', 'run', '--silent', 'lint');
for (const name of ['format', 'boundaries', 'types', 'unused']) count(await alone('npm', 'run', '--silent', name));
count(await lint);
const unit = path.join(data, 'unit.json');
const jestCounts = (r) => ({ passed: r.numPassedTests, failed: r.numFailedTests + r.numRuntimeErrorTestSuites });
suite(unit, jestCounts, 'npx', ['jest', '--json', `--outputFile=${unit}`]);
const withDatabase = path.join(data, 'database.json');
suite(withDatabase, jestCounts, 'npx', [
  'jest',
  '--config',
  'jest.database.config.mjs',
  '--json',
  `--outputFile=${withDatabase}`,
]);
count(run('./den', ['build']));
const browser = path.join(data, 'browser.json');
suite(
  browser,
  (r) => ({ passed: r.stats.expected, failed: r.stats.unexpected + r.stats.flaky + r.errors.length }),
  'npx',
  ['playwright', 'test'],
  { PLAYWRIGHT_JSON_OUTPUT_NAME: browser },
);

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
