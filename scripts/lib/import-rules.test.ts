import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { bin, ROOT } from './paths';

/** Files of a project that breaks one rule each, and the rule. */
const PLANTED: [rule: string, files: Record<string, string>][] = [
  [
    'core-units-knows-none-above-it',
    {
      'src/core/units/grams.ts':
        "import type { Verdict } from '../verdict/judge';\nexport type G = Verdict;\n",
      'src/core/verdict/judge.ts': 'export type Verdict = string;\n',
    },
  ],
  [
    'core-rooms-have-a-place',
    {
      'src/core/attic/box.ts': "import { g } from '../guard';\nexport const box = g;\n",
      'src/core/guard.ts': 'export const g = 1;\n',
    },
  ],
  [
    'core-no-circles',
    {
      'src/core/units/grams.ts':
        "import type { Ounces } from './ounces';\nexport type Grams = Ounces;\n",
      'src/core/units/ounces.ts':
        "import type { Grams } from './grams';\nexport type Ounces = Grams;\n",
    },
  ],
  [
    'core-is-pure',
    {
      'src/core/units/grams.ts': "import { say } from '../../words/show';\nexport const g = say;\n",
      'src/words/show.ts': 'export const say = 1;\n',
    },
  ],
];

/** What the project's rules say of a small project. */
function broken(files: Record<string, string>): string {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'kettle-rules-'));
  try {
    fs.writeFileSync(path.join(folder, 'tsconfig.json'), '{}');
    for (const [file, text] of Object.entries(files)) {
      fs.mkdirSync(path.join(folder, path.dirname(file)), { recursive: true });
      fs.writeFileSync(path.join(folder, file), text);
    }
    const config = path.join(ROOT, '.dependency-cruiser.cjs');
    return spawnSync(bin('depcruise'), ['src', '--config', config], {
      cwd: folder,
      encoding: 'utf8',
    }).stdout;
  } finally {
    fs.rmSync(folder, { recursive: true });
  }
}

test.each(PLANTED)('%s finds what breaks it', (rule, files) =>
  expect(broken(files)).toContain(`error ${rule}:`),
);

test('a project that breaks no rule passes', () =>
  expect(broken({ 'src/core/units/grams.ts': 'export const g = 1;\n' })).toContain(
    'no dependency violations found',
  ));
