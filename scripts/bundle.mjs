// Bundles what runs on plain Node, outside of the web application: the command line, the server's workers, the database
// keeper. Packages with native or asset files stay outside and are found in node_modules; the rest is bundled, because
// one file starts three times faster than hundreds.
import { build } from 'esbuild';
import { coreVersion } from './coreVersion.mjs';

const entries = {
  cli: 'cli/main.ts',
  decode: 'server/workers/decode.ts',
  report: 'server/workers/report.tsx',
  weather: 'server/workers/weather.ts',
  handout: 'server/workers/handout.tsx',
  capture: 'server/workers/capture.ts',
  viewfinder: 'server/workers/viewfinder.ts',
  document: 'server/workers/document.ts',
  detect: 'server/workers/detect.ts',
  den: 'server/keep/main.ts',
  attack: 'scripts/attack/main.ts',
  large: 'scripts/large/main.ts',
  trials: 'scripts/trials/main.ts',
};

await build({
  entryPoints: Object.entries(entries).map(([out, source]) => ({ in: source, out })),
  outdir: '.den/bundle',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  external: ['sharp', 'fontkit', '@react-pdf/*', 'react', 'mysql2', 'drizzle-orm', 'yauzl', 'yazl', '@playwright/test'],
  define: { 'process.env.CORE_VERSION': JSON.stringify(coreVersion()) },
  jsx: 'automatic',
  sourcemap: 'linked',
  logLevel: 'warning',
});
