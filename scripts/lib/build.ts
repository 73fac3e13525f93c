import fs from 'node:fs';
import path from 'node:path';
import { buildSync, context, type BuildOptions } from 'esbuild';
import { sha256 } from '../../src/platform/hash';
import { APP_PROGRAM } from './app';
import { bin, ROOT } from './paths';
import { run } from './shell';

const STAMP = path.join(ROOT, '.next/jolly-stamp');
const WATCHED = [
  'src',
  'scripts/app.ts',
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

/** Programs of the server's threads, each one file that needs nothing beside it. */
const THREADS = ['forecast', 'judge', 'files', 'ripening'].map((name): BuildOptions => ({
  entryPoints: [path.join(ROOT, `src/workers/${name}/${name}.worker.ts`)],
  outfile: path.join(ROOT, `.next/jolly/${name}.worker.mjs`),
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
}));

/** The application's processes, with the packages they need beside them. */
const APP: BuildOptions = {
  entryPoints: [path.join(ROOT, 'scripts/app.ts')],
  outfile: APP_PROGRAM,
  bundle: true,
  packages: 'external',
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
};

/** The device's service worker, which keeps the files of a build. */
const offlineWorker = (): BuildOptions => ({
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

/** Builds for production unless the last build is of these very sources. */
export function buildIfNeeded(): void {
  const now = fingerprint();
  if (fs.existsSync(STAMP) && fs.readFileSync(STAMP, 'utf8') === now) return;
  console.error('Building …');
  run(bin('next'), ['build']);
  for (const program of [APP, ...THREADS, offlineWorker()]) buildSync(program);
  fs.writeFileSync(STAMP, now);
}

/** Builds the programs of the server's threads, and anew whenever their sources change. @returns how to end that */
export async function watchThreads(): Promise<() => Promise<void>> {
  /* They are of no build now: the next start that needs one makes it. */
  fs.rmSync(STAMP, { force: true });
  const watched = await Promise.all(THREADS.map((t) => context(t)));
  for (const w of watched) {
    await w.rebuild();
    await w.watch();
  }
  return async () => void (await Promise.all(watched.map((w) => w.dispose())));
}
