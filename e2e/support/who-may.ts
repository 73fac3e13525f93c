import fs from 'node:fs';
import path from 'node:path';

const APP = path.resolve(import.meta.dirname, '../../src/app');

export type Identity = 'nobody' | 'reader' | 'operator' | 'formulator' | 'lead' | 'device';
const PEOPLE = ['reader', 'operator', 'formulator', 'lead'] as const;
const EVERYBODY: readonly Identity[] = ['nobody', ...PEOPLE, 'device'];
const WORKERS: readonly Identity[] = ['operator', 'formulator', 'lead'];
const WRITERS: readonly Identity[] = ['formulator', 'lead'];

/** Who may open each page and call each route. A new file without an answer here fails the matrix. */
export const WHO_MAY: Record<string, readonly Identity[]> = {
  'page /': PEOPLE,
  'page /account': PEOPLE,
  'page /batches/[id]': PEOPLE,
  'page /batches/[id]/after': PEOPLE,
  'page /batches/[id]/house': PEOPLE,
  'page /batches/[id]/log': PEOPLE,
  'page /batches/[id]/ripening': PEOPLE,
  'page /batches/[id]/stuffing': PEOPLE,
  'page /batches/[id]/verdict': PEOPLE,
  'page /batches/new': WORKERS,
  'page /bench': PEOPLE,
  'page /bench/practice': PEOPLE,
  'page /bench/programs': PEOPLE,
  'page /bench/programs/[id]': PEOPLE,
  'page /bench/programs/new': WRITERS,
  'page /dose-check': EVERYBODY,
  'page /cleaning': PEOPLE,
  'page /house': PEOPLE,
  'page /house/[id]': PEOPLE,
  'page /house/[id]/map': PEOPLE,
  'page /house/[id]/probes': PEOPLE,
  'page /not-allowed': EVERYBODY,
  'page /plan': PEOPLE,
  'page /plan/lists': PEOPLE,
  'page /plan/wishes': PEOPLE,
  'page /recipes': PEOPLE,
  'page /recipes/[id]': PEOPLE,
  'page /recipes/[id]/edit': WRITERS,
  'page /recipes/[id]/sheet': PEOPLE,
  'page /recipes/import': WRITERS,
  'page /recipes/new': WRITERS,
  'page /records': PEOPLE,
  'page /settings': PEOPLE,
  'page /settings/equipment': PEOPLE,
  'page /settings/hours': PEOPLE,
  'page /settings/people': PEOPLE,
  'page /settings/site': PEOPLE,
  'page /sign-in': EVERYBODY,
  'page /stores': PEOPLE,
  'page /stores/[id]': PEOPLE,
  'page /stores/casings': PEOPLE,
  'page /stores/cultures': PEOPLE,
  'page /house/meters': PEOPLE,
  'page /welcome': EVERYBODY,
  'POST /api/auth/[...all]': EVERYBODY,
  'GET /api/health': EVERYBODY,
  'POST /api/v1/batches/[id]/entries': WORKERS,
  'GET /api/v1/batches/[id]/record': PEOPLE,
  'GET /api/v1/batches/[id]/run': PEOPLE,
  'GET /api/v1/batches/[id]/schedule': PEOPLE,
  'POST /api/v1/entries': WORKERS,
  'GET /api/v1/events': PEOPLE,
  'GET /api/v1/keep': PEOPLE,
  'GET /api/v1/push': PEOPLE,
  'POST /api/v1/push': PEOPLE,
  'DELETE /api/v1/push': PEOPLE,
  'GET /api/v1/house': ['device'],
  'GET /api/v1/shown': PEOPLE,
  /* By the token of a scale or a meter alone. */
  'POST /api/v1/shown': [],
  'GET /api/v1/plan/calendar/[token]': EVERYBODY,
  'GET /api/v1/openapi.json': EVERYBODY,
  'POST /api/v1/readings': ['device'],
  'GET /api/v1/recipe.schema.json': EVERYBODY,
  'GET /api/v1/record.schema.json': EVERYBODY,
  'GET /api/v1/recipes/[id]': PEOPLE,
  'GET /api/v1/recipes/[id]/sheet': PEOPLE,
  'GET /sw.js': EVERYBODY,
};

function* files(folder: string): Generator<string> {
  for (const entry of fs.readdirSync(folder, { withFileTypes: true })) {
    const at = path.join(folder, entry.name);
    if (entry.isDirectory()) yield* files(at);
    else yield at;
  }
}

/** Every page and every method of every route that the file tree holds, as keys of {@link WHO_MAY}. */
export function everyDoor(): string[] {
  return [...files(APP)]
    .flatMap((file) => {
      const route = `/${path.relative(APP, path.dirname(file))}`.replace(/\/\([^)]*\)/g, '') || '/';
      if (path.basename(file) === 'page.tsx') return [`page ${route}`];
      if (path.basename(file) !== 'route.ts') return [];
      const text = fs.readFileSync(file, 'utf8');
      const methods = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'].filter((m) =>
        new RegExp(`export (async )?(function|const) ${m}\\b`).test(text),
      );
      return methods.map((m) => `${m} ${route}`);
    })
    .sort();
}
