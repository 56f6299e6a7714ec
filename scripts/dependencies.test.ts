import { readFileSync } from 'node:fs';

const json = JSON.parse(readFileSync('package.json', 'utf8')) as Record<
  'dependencies' | 'devDependencies',
  Record<string, string>
>;
const rows = readFileSync('docs/dependencies.md', 'utf8').matchAll(/^\| (@?[a-z][\w./@-]*) +\|.*?\| ([\d.]+) +\| \d{4}-/gm);

test('every direct dependency is told, with the release that is used', () => {
  const told = Object.fromEntries([...rows].map(([, name, version]) => [name, version]));
  const all = Object.entries({ ...json.devDependencies, ...json.dependencies });
  // Types share a sentence, and what makes mutants has no day of its release.
  const single = all.filter(([name]) => !/^@(types|stryker-mutator)\//.test(name));
  expect(told).toEqual(Object.fromEntries(single));
});
