import { dryingOf, fermentOf, type Drying, type Ferment, type PieceWeighing } from '@/core';
import type { Dossier } from '@/features/logbook/service';
import { attendedSpans, loadSite } from '@/features/settings/service';
import type { Handle } from '@/platform/db/client';
import type { Asker } from '@/workers/pool';
import { askRipening } from '@/workers/ripening/client';
import type {
  DryingAnswer,
  FermentAnswer,
  RipeningAnswer,
  RipeningJob,
} from '@/workers/ripening/protocol';
import { cultureOf, isRemembered, remember, type KnownCulture } from './cultures';

/** A ferment with what is forecast of it, and the culture that it is known by. */
export type FermentAhead = Ferment & FermentAnswer & { culture: KnownCulture | null };
/** Marked pieces with what is forecast of each. */
export type DryingAhead = Omit<Drying, 'pieces'> &
  DryingAnswer & { weighings: Record<string, readonly PieceWeighing[]> };

/** Made anew when the record changes, and so often as the chamber goes on, s. */
const EVERY_S = { ferment: 600, drying: 6 * 3600 };
const MOST_KEPT = 200;
/** Somebody is looked for over so long, s. */
const AHEAD_S = 8 * 86_400;
/** A ferment that was read less often tells nothing of its culture. */
const LEAST_READ = 3;

type FermentJob = Extract<RipeningJob, { kind: 'ferment' }>;

type Kept = { key: string; made: Promise<unknown> };
const shared = globalThis as { jollyRipening?: Map<string, Kept> };
const kept = (shared.jollyRipening ??= new Map());

/** What was worked out of a batch last, while nothing has changed that bears on it; else made anew. */
function whileItHolds<T>(
  d: Dossier,
  kind: RipeningJob['kind'],
  make: () => Promise<T>,
): Promise<T> {
  const seq = d.entries.at(-1)?.seq ?? 0;
  const key = `${seq}:${Math.floor(d.case.nowS / EVERY_S[kind])}`;
  const name = `${d.head.id}:${kind}`;
  const known = kept.get(name);
  if (known?.key === key) return known.made as Promise<T>;
  const made = make();
  kept.set(name, { key, made });
  /* What failed is tried again at the next look. */
  made.catch(() => {
    if (kept.get(name)?.made === made) kept.delete(name);
  });
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return made;
}

function refused(d: Dossier, answer: RipeningAnswer): void {
  if (!answer.ok) console.warn(`ripening of batch ${d.head.code}: ${answer.message}`);
}

const meanC = (log: readonly { tempC: number }[]) =>
  log.reduce((sum, r) => sum + r.tempC, 0) / Math.max(1, log.length);

/** What a ferment that is over told of its culture, as from the culture's usual course: kept once for the next one. */
async function learnFrom(
  db: Handle,
  d: Dossier,
  { job, culture, tookS }: { job: FermentJob; culture: KnownCulture; tookS: number },
): Promise<void> {
  const { usual, ingredientId } = culture;
  const about = { usual, ingredientId, batchId: d.head.batchId };
  if (d.case.state.practice || (await isRemembered(db, about))) return;
  const { floorPh } = job.input.culture;
  const input = { ...job.input, culture: { ...usual, floorPh } };
  const answer = await askRipening({ ...job, input, attended: [] }, 'watch');
  const forecast = answer.ok ? answer.ferment?.forecast : undefined;
  if (!forecast?.fitted || forecast.basis.unexplained) return;
  await remember(
    {
      ...about,
      fit: forecast.fitted,
      fromS: job.input.startS,
      toPh: job.targetPh,
      tookS,
      airC: meanC(job.chamber),
    },
    db,
  );
}

async function workFerment(db: Handle, d: Dossier, asker: Asker): Promise<FermentAhead | null> {
  const culture = await cultureOf(db, d.case.recipe, d.head.batchId);
  const ferment = fermentOf(d.case, culture?.course);
  if (!ferment) return null;
  const { nowS } = d.case;
  const job: FermentJob = {
    kind: 'ferment',
    input: ferment.input,
    targetPh: ferment.targetPh,
    over: ferment.overS !== null,
    ruleReachedS: ferment.ruleReachedS,
    rule: d.case.rules.fermentation.body,
    chamber: ferment.chamber,
    attended: attendedSpans(await loadSite(db), nowS, nowS + AHEAD_S),
  };
  const answer = await askRipening(job, asker);
  refused(d, answer);
  if (!answer.ok || !answer.ferment) return null;
  const { startS, readings } = ferment.input;
  if (culture && ferment.reachedS !== null && !db.isTransaction && readings.length >= LEAST_READ)
    await learnFrom(db, d, { job, culture, tookS: ferment.reachedS - startS });
  return { ...ferment, ...answer.ferment, culture };
}

async function workDrying(d: Dossier): Promise<DryingAhead | null> {
  const drying = dryingOf(d.case);
  if (!drying) return null;
  const answer = await askRipening({ kind: 'drying', pieces: drying.pieces }, 'page');
  refused(d, answer);
  if (!answer.ok || !answer.drying) return null;
  const weighings = Object.fromEntries(drying.pieces.map((p) => [p.piece, p.input.weighings]));
  return { ...drying, ...answer.drying, weighings };
}

/** The ferment of a batch and what lies ahead of it; null where none has begun, or the model refuses its figures. */
export const fermentAhead = (
  db: Handle,
  d: Dossier,
  asker: Asker = 'page',
): Promise<FermentAhead | null> => whileItHolds(d, 'ferment', () => workFerment(db, d, asker));

/** The marked pieces of a batch and the day of each; null where no loss is asked for, or none was weighed. */
export const dryingAhead = (d: Dossier): Promise<DryingAhead | null> =>
  whileItHolds(d, 'drying', () => workDrying(d));

export { chamberWeek } from './chamber-week';
export {
  cultureOf,
  knownCulture,
  listCultures,
  paceOf,
  seenOf,
  type KnownCulture,
  type Seen,
} from './cultures';
