import { execFileSync, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { bin, ROOT } from '../lib/paths';
import { edited } from './edited';
import { PLANTS, filesOf, type Edit, type Plant } from './plants';

/**
 * `tsx scripts/how-to/try.ts [heading]`: adds every thing of docs/how-to-add.md to a copy of the project and checks its types, once with
 * its first file alone, which says what the compiler asks for, and once with all of them. Takes minutes.
 */
const copy = fs.mkdtempSync(path.join(os.tmpdir(), 'kettle-how-to-'));

function makeCopy(): void {
  const kept = execFileSync('git', ['ls-files', '-z'], { cwd: ROOT, encoding: 'utf8' });
  for (const file of kept.split('\0').filter((f) => /\.(tsx?|json|mjs|css)$/.test(f))) {
    fs.mkdirSync(path.join(copy, path.dirname(file)), { recursive: true });
    fs.copyFileSync(path.join(ROOT, file), path.join(copy, file));
  }
  fs.symlinkSync(path.join(ROOT, 'node_modules'), path.join(copy, 'node_modules'));
}

/** The files in which something does not compile with these edits. The copy is as before afterwards. */
function wrongWith(edits: readonly Edit[]): string[] {
  const files = edited(edits);
  for (const [file, text] of files) {
    fs.mkdirSync(path.join(copy, path.dirname(file)), { recursive: true });
    fs.writeFileSync(path.join(copy, file), text);
  }
  const { stdout } = spawnSync(bin('tsc'), ['--noEmit', '--pretty', 'false'], {
    cwd: copy,
    encoding: 'utf8',
  });
  for (const file of files.keys()) {
    const was = path.join(ROOT, file);
    if (fs.existsSync(was)) fs.copyFileSync(was, path.join(copy, file));
    else fs.rmSync(path.join(copy, file));
  }
  return [
    ...new Set([...stdout.matchAll(/^([^\s(][^(]*)\(\d+,\d+\): error/gm)].map((m) => m[1]!)),
  ].sort();
}

function tryOne(plant: Plant): boolean {
  const [first] = plant.edits;
  /* A test that does not compile any more is a test that asks. */
  const asked = wrongWith(plant.edits.filter((e) => e.file === first.file)).filter(
    (f) => !f.endsWith('.test.ts'),
  );
  const told = filesOf(plant).filter((f) => f !== first.file && !(f in plant.elsewhere));
  const left = wrongWith(plant.edits);
  const right = JSON.stringify(asked) === JSON.stringify(told.sort()) && left.length === 0;
  console.log(`${right ? 'as told' : 'NOT as told'}: ${plant.heading}`);
  if (!right)
    console.log(
      `  asked: ${asked.join(', ')}\n  told: ${told.join(', ')}\n  left: ${left.join(', ')}`,
    );
  return right;
}

makeCopy();
try {
  const [only] = process.argv.slice(2);
  const wanted = PLANTS.filter((p) => only === undefined || p.heading === only);
  process.exitCode = wanted.map(tryOne).every((right) => right) ? 0 : 1;
} finally {
  fs.rmSync(copy, { recursive: true, force: true });
}
