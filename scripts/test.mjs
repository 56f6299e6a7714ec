// Runs everything that must hold, one check after the other, and counts. The last line is for people and machines.
import { spawnSync } from 'node:child_process';
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

function check(command, ...args) {
  if (run(command, args)) passed += 1;
  else failed += 1;
}

/** Runs a test runner that writes its counts as JSON; a runner that dies without them counts as one failure. */
function suite(file, count, command, args, env) {
  rmSync(file, { force: true });
  const held = run(command, args, env);
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

for (const name of ['format', 'lint', 'boundaries', 'types', 'unused']) check('npm', 'run', '--silent', name);
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
check('./den', 'build');
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
