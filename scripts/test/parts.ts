import os from 'node:os';
import path from 'node:path';
import { bin } from '../lib/paths';
import { browserResult, jestResult, type PartResult } from './results';

/** One part of the whole check: a command, and how its result file is read where it writes one. */
export type Part = {
  command: string;
  args: (patterns: string[]) => string[];
  env?: (resultFile: string) => Record<string, string>;
  /** Reads the runner's JSON report. Without it the exit code is the one result. */
  read?: (json: never) => PartResult;
  needs: { database?: true; build?: true };
};

const CORES = os.availableParallelism();

const jest = (project: string): Part => ({
  command: bin('jest'),
  args: (patterns) => [
    ...['--selectProjects', project, '--silent', `--maxWorkers=${CORES}`],
    ...['--json', `--outputFile=${resultFile(project)}`, ...patterns],
  ],
  read: jestResult,
  needs: project === 'integration' ? { database: true } : {},
});

const check = (command: string, ...args: string[]): Part => ({
  command: bin(command),
  args: () => args,
  needs: {},
});

/** Where a runner writes its JSON report. */
export const resultFile = (name: string): string => path.resolve(`.data/test/${name}.json`);

/** Every part, by the name under which `./kettle test NAME` runs it alone. */
export const PARTS = {
  types: check('tsc', '--noEmit'),
  lint: check('eslint', '.', '--max-warnings=0'),
  imports: check('depcruise', 'src', '--config', '.dependency-cruiser.cjs'),
  openapi: check('tsx', 'scripts/lint-openapi.ts'),
  format: check('prettier', '--check', '--log-level=warn', '.'),
  unit: jest('unit'),
  integration: jest('integration'),
  browser: {
    command: bin('playwright'),
    args: (patterns) => ['test', '--reporter=line,json', ...patterns],
    env: (file) => ({ PLAYWRIGHT_JSON_OUTPUT_NAME: file }),
    read: browserResult,
    needs: { database: true, build: true },
  },
} satisfies Record<string, Part>;

export type PartName = keyof typeof PARTS;

export const isPartName = (word: string): word is PartName => Object.hasOwn(PARTS, word);

/**
 * What runs side by side, one stage after the other. Each stage fills the cores and no more, so that a browser test is
 * never slowed by a linter; types are checked before the build writes its own.
 */
export const STAGES: readonly (readonly (PartName | 'templates' | 'build')[][])[] = [
  [
    ['types', 'imports'],
    ['lint', 'openapi'],
  ],
  [['build'], ['format', 'templates']],
  [['integration', 'unit', 'browser']],
];
