import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** For each rule, a file that breaks it. The rule is called by its name; a file may break several. */
const REFUSED: Record<string, { file: string; text: string }> = {
  'core-method-weather-in-order': { file: 'core/method/weather/sun.ts', text: "import '../../model/document';" },
  'core-ground-in-order': { file: 'core/ground/up.ts', text: "import '../method/weather/sun';" },
  'core-work-proof-in-order': { file: 'core/work/proof/up.ts', text: "import '../../paper/block';" },
  'core-has-rooms': { file: 'core/work/visit/root.ts', text: "import '../../atTheRoot';" },
  'core-is-pure': { file: 'core/model/cache.ts', text: "import 'lru-cache';" },
  'core-stands-alone': { file: 'core/paper/out.ts', text: "import '../../server/thing';" },
  'core-without-its-test-material': { file: 'core/paper/test.ts', text: "import '../testing/material';" },
  'stages-stand-alone': { file: 'app/visits/[visit]/round/a.ts', text: "import '../heat/b';" },
  'ui-on-core': { file: 'ui/thing.ts', text: "import '../server/thing';" },
  'data-on-core': { file: 'data/thing.ts', text: "import '../server/thing';" },
  'server-on-data': { file: 'server/up.ts', text: "import '../ui/thing';" },
  'workers-on-core': { file: 'workers/thing.ts', text: "import '../ui/thing';" },
  'cli-on-server': { file: 'cli/thing.ts', text: "import '../ui/thing';" },
  'e2e-on-server': { file: 'e2e/thing.ts', text: "import '../ui/thing';" },
  'scripts-on-e2e': { file: 'scripts/thing.ts', text: "import '../ui/thing';" },
  'the-database-is-asked-in-few-places': { file: 'app/shown.ts', text: "import '../server/thing';" },
  'the-database-is-opened-in-one-place': { file: 'app/page.ts', text: "import '../data/connection';" },
  'no-circle': { file: 'ui/circle.ts', text: "import './circle2';" },
};
const OTHERS: Record<string, string> = {
  'core/model/document.ts': "import 'zod';",
  'core/paper/block.ts': 'export {};',
  'core/atTheRoot.ts': 'export {};',
  'core/testing/material.ts': 'export {};',
  'server/thing.ts': 'export {};',
  'data/connection.ts': 'export {};',
  'app/visits/[visit]/heat/b.ts': 'export {};',
  'ui/circle2.ts': "import './circle';",
};

interface Violation {
  from: string;
  rule: { name: string };
}

let folder: string;

beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'den-boundaries-'));
  for (const name of ['.dependency-cruiser.cjs', 'tsconfig.json', 'tsconfig.base.json']) cpSync(name, path.join(folder, name));
  symlinkSync(path.resolve('node_modules'), path.join(folder, 'node_modules'));
  const files = [...Object.values(REFUSED).map(({ file, text }) => [file, text] as const), ...Object.entries(OTHERS)];
  for (const [file, text] of files) {
    mkdirSync(path.dirname(path.join(folder, file)), { recursive: true });
    writeFileSync(path.join(folder, file), text);
  }
});

afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('each rule refuses what it is there for', () => {
  const roots = ['core', 'data', 'server', 'ui', 'app', 'cli', 'workers', 'e2e', 'scripts'];
  const { stdout } = spawnSync(
    path.resolve('node_modules/.bin/depcruise'),
    [...roots, '--config', '.dependency-cruiser.cjs', '--output-type', 'json'],
    { cwd: folder, encoding: 'utf8', maxBuffer: 1 << 26 },
  );
  const { violations } = (JSON.parse(stdout) as { summary: { violations: Violation[] } }).summary;
  const broken = (file: string) => violations.filter(({ from }) => from === file).map(({ rule }) => rule.name);
  for (const [rule, { file }] of Object.entries(REFUSED))
    expect([file, broken(file)]).toEqual([file, expect.arrayContaining([rule])]);
  // What is allowed is not refused.
  for (const file of ['core/model/document.ts', 'core/paper/block.ts', 'app/visits/[visit]/heat/b.ts'])
    expect([file, broken(file)]).toEqual([file, []]);
});
