import fs from 'node:fs';
import path from 'node:path';
import { buildSync } from 'esbuild';
import { sha256 } from '../../src/platform/hash';
import { bin, ROOT } from './paths';
import { run } from './shell';

const STAMP = path.join(ROOT, '.next/jolly-stamp');
const WATCHED = [
  'src',
  'package-lock.json',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
];

function* filesIn(place: string): Generator<string> {
  if (!fs.statSync(place).isDirectory()) return void (yield place);
  for (const name of fs.readdirSync(place).sort()) yield* filesIn(path.join(place, name));
}

function fingerprint(): string {
  const parts: string[] = [];
  for (const w of WATCHED)
    for (const f of filesIn(path.join(ROOT, w)))
      if (!f.endsWith('.test.ts')) parts.push(f.slice(ROOT.length), sha256(fs.readFileSync(f)));
  return sha256(parts.join('\n'));
}

/** Scripts, styles and fonts of the pages, by their addresses. */
function builtFiles(): string[] {
  const from = path.join(ROOT, '.next/static');
  return [...filesIn(from)].map((f) => `/_next/static/${path.relative(from, f)}`);
}

/** Programs of the server's threads and of the device's service worker, each one file that needs nothing beside it. */
function buildThreads(): void {
  for (const name of ['forecast', 'judge', 'files', 'ripening'])
    buildSync({
      entryPoints: [path.join(ROOT, `src/workers/${name}/${name}.worker.ts`)],
      outfile: path.join(ROOT, `.next/jolly/${name}.worker.mjs`),
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      logLevel: 'warning',
    });
  buildSync({
    entryPoints: [path.join(ROOT, 'src/workers/offline/offline.worker.ts')],
    outfile: path.join(ROOT, '.next/jolly/offline.worker.js'),
    bundle: true,
    minify: true,
    platform: 'browser',
    format: 'iife',
    target: 'es2022',
    define: {
      'process.env.NODE_ENV': '"production"',
      JOLLY_BUILT: JSON.stringify(builtFiles()),
    },
    logLevel: 'warning',
  });
}

/** Builds for production unless the last build is of these very sources. */
export function buildIfNeeded(): void {
  const now = fingerprint();
  if (fs.existsSync(STAMP) && fs.readFileSync(STAMP, 'utf8') === now) return;
  console.error('Building …');
  run(bin('next'), ['build']);
  buildThreads();
  fs.writeFileSync(STAMP, now);
}
