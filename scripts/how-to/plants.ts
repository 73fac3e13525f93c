/** Text that goes into a file: before the first occurrence of an anchor, or as a new file. */
export type Edit = { file: string; before?: string; text: string };

/** Something that is added to the application for a try, as `docs/how-to-add.md` tells it: every file, in its order. */
export type Plant = {
  /** Its heading there. */
  heading: string;
  /** The first says that it exists. */
  edits: [Edit, ...Edit[]];
  /** Files that the compiler does not ask for, and what does. */
  elsewhere: Record<string, 'a test' | 'nobody'>;
};

const BODIES = 'src/core/logbook/kinds/bench.ts';
const KINDS = 'src/core/logbook/chapters/bench.ts';

export const PLANTS: readonly Plant[] = [
  {
    heading: 'A kind of entry',
    edits: [
      {
        file: BODIES,
        before: "  | { kind: 'loads_set'; loads: number",
        text: "  | { kind: 'bell_rung'; times: number }\n",
      },
      {
        file: KINDS,
        before: '    loads_set: {\n',
        text: "    bell_rung: { apply: () => undefined, correctable: true, bearsOn: [], posted: 'work' },\n",
      },
      {
        file: 'src/features/logbook/bench-contract.ts',
        before: "  z.object({\n    kind: z.literal('addition_ticked'),",
        text: "  z.object({ kind: z.literal('bell_rung'), times: z.number().int().min(1).max(9) }),\n",
      },
      { file: 'src/words/kinds.ts', before: '  noted:', text: "  bell_rung: 'the bell',\n" },
      {
        file: 'src/words/entry.ts',
        before: "    case 'weighed':\n",
        text: "    case 'bell_rung':\n      return `The bell rang ${b.times} times`;\n",
      },
      {
        file: 'src/features/batches/correctable.ts',
        before: '  reading_logged: temperature,\n',
        text: '  bell_rung: none,\n',
      },
      {
        file: 'src/features/logbook/ui/last-press.ts',
        before: "  'noted',\n",
        text: "  'bell_rung',\n",
      },
    ],
    elsewhere: {
      'src/features/logbook/bench-contract.ts': 'a test',
      'src/features/logbook/ui/last-press.ts': 'a test',
    },
  },
  {
    heading: 'A check',
    edits: [
      { file: 'src/core/logbook/check-code.ts', before: "  'rework',\n", text: "  'smell',\n" },
      {
        file: 'src/core/verdict/reasons.ts',
        before: "  rework: ['not_recorded'],\n",
        text: "  smell: ['clean', 'not_smelled'],\n",
      },
      {
        file: 'src/words/verdict.ts',
        before: '  rework: {',
        text: "  smell: { clean: plain('It smells clean.'), not_smelled: plain('Nobody has smelled it.') },\n",
      },
      { file: 'src/words/batch.ts', before: "  rework: 'Rework',\n", text: "  smell: 'Smell',\n" },
      {
        file: 'src/core/verdict/smell-check.ts',
        text: `import { check, type Case, type Check } from './check';

export const checkSmell = (c: Case): Check =>
  check('smell', c.rules.making, c.state.bowls.length > 0 ? 'pass' : 'missing', c.state.bowls.length > 0 ? 'clean' : 'not_smelled');
`,
      },
      {
        file: 'src/core/verdict/asked.ts',
        before: 'const MADE: readonly Judge[] = [',
        text: "import { checkSmell } from './smell-check';\nexport const ASKED_TOO: readonly Judge[] = [checkSmell];\n",
      },
    ],
    elsewhere: {
      'src/core/verdict/smell-check.ts': 'nobody',
      'src/core/verdict/asked.ts': 'nobody',
    },
  },
  {
    heading: 'A kind of step',
    edits: [
      { file: 'src/core/recipe/step.ts', before: "  'rest',\n  'other',\n", text: "  'glaze',\n" },
      { file: 'src/core/route/facts.ts', before: '  rest: alone(', text: '  glaze: bench(),\n' },
      { file: 'src/words/route.ts', before: "  rest: 'Rest',\n", text: "  glaze: 'Glaze',\n" },
    ],
    elsewhere: {},
  },
  {
    heading: 'A kind of place',
    edits: [
      {
        file: 'src/core/recipe/step.ts',
        before:
          "  'house',\n  'water_bath',\n  'oven',\n  'chamber',\n  'drying_room',\n  'room',\n",
        text: "  'tent',\n",
      },
      {
        file: 'src/core/recipe/step.ts',
        before:
          "  'house',\n  'water_bath',\n  'oven',\n  'chamber',\n  'drying_room',\n  'cooler',\n",
        text: "  'tent',\n",
      },
      {
        file: 'src/core/route/stage-step.ts',
        before: "  bench: 'room',\n",
        text: "  tent: 'house',\n",
      },
      {
        file: 'src/core/schedule/task/of-place.ts',
        before: '  house: {',
        text: '  tent: { stays: false, oneRun: true },\n',
      },
      { file: 'src/words/route.ts', before: "  bench: 'bench',\n", text: "  tent: 'tent',\n" },
      { file: 'src/words/house.ts', before: "  house: 'smokehouse',\n", text: "  tent: 'tent',\n" },
      {
        file: 'src/platform/db/migrations/9999-tents.ts',
        text: `import { sql, type Kysely } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql\`alter table house drop constraint house_kind_check\`.execute(db);
}
`,
      },
      {
        file: 'src/platform/db/migrate.ts',
        before: "import * as instruments from './migrations/0016-instruments';\n",
        text: "import * as tents from './migrations/9999-tents';\nexport const TENTS = tents;\n",
      },
    ],
    elsewhere: {
      'src/platform/db/migrations/9999-tents.ts': 'a test',
      'src/platform/db/migrate.ts': 'a test',
    },
  },
  {
    heading: 'A page',
    edits: [
      {
        file: 'src/app/(site)/bench/notes/page.tsx',
        text: `import { requirePage } from '@/features/accounts/identify';

export default async function NotesPage() {
  const person = await requirePage();
  return <h1>Notes of {person.name}</h1>;
}
`,
      },
      {
        file: 'e2e/support/who-may.ts',
        before: "  'page /bench/practice': PEOPLE,\n",
        text: "  'page /bench/notes': PEOPLE,\n",
      },
      {
        file: 'e2e/support/screens.ts',
        before: "  '/bench/practice',\n",
        text: "  '/bench/notes',\n",
      },
    ],
    elsewhere: {
      'src/app/(site)/bench/notes/page.tsx': 'nobody',
      'e2e/support/who-may.ts': 'a test',
      'e2e/support/screens.ts': 'a test',
    },
  },
];

/** The files of a plant, in their order. */
export const filesOf = (p: Plant): string[] => [...new Set(p.edits.map((e) => e.file))];
