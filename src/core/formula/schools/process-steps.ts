import { PLACES_IN_PROCESS, type PlaceInProcess, type Recipe } from '../recipe';

export type ProcessStepCode =
  | 'chill_meat'
  | 'salt_lean'
  | 'grind_apart'
  | 'grind_together'
  | 'chop'
  | 'fine_plate'
  | 'mix'
  | 'trial_cook'
  | 'cure_hold'
  | 'stuff'
  | 'ph_piece'
  | 'surface_dry'
  | 'stage'
  | 'pull'
  | 'chill'
  | 'bloom'
  | 'pack';

export type ProcessStep = {
  code: ProcessStepCode;
  /** How long it takes, s; 0 when the recipe gives no time. */
  plannedS: number;
  /** Additions that go in here, in order, with the place that the recipe gives them. */
  adds: { name: string; place: PlaceInProcess | null }[];
  /** Stage or chill medium that the step stands for. */
  detail?: string;
};

const WHERE: Record<PlaceInProcess, ProcessStepCode[]> = {
  before_grinding: ['grind_apart', 'grind_together'],
  between_passes: ['fine_plate', 'grind_apart', 'grind_together'],
  in_mix: ['mix', 'chop', 'fine_plate'],
  first_chop: ['chop', 'fine_plate', 'mix'],
  second_chop: ['chop', 'fine_plate', 'mix'],
  last: ['chop', 'mix', 'fine_plate'],
};

function making(recipe: Recipe): ProcessStepCode[] {
  const { seasoning, grinding = 'together', emulsifying = 'none' } = recipe.schools ?? {};
  const codes: ProcessStepCode[] = ['chill_meat'];
  if (seasoning === 'salt_first') codes.push('salt_lean');
  codes.push(grinding === 'apart' ? 'grind_apart' : 'grind_together');
  if (emulsifying === 'cutter') codes.push('chop');
  else if (emulsifying === 'fine_plate') codes.push('fine_plate', 'mix');
  else codes.push('mix');
  return [...codes, 'trial_cook'];
}

/**
 * The work in order, as the recipe and its schools ask for it, with what is added where. An addition
 * without a place goes in where the batter is mixed or chopped.
 */
export function processSteps(recipe: Recipe): ProcessStep[] {
  const p = recipe.process;
  const codes = making(recipe);
  const steps: ProcessStep[] = codes.map((code) => ({ code, plannedS: 0, adds: [] }));
  const byPlace = [...recipe.additions].sort(
    (a, b) =>
      PLACES_IN_PROCESS.indexOf(a.place ?? 'in_mix') -
      PLACES_IN_PROCESS.indexOf(b.place ?? 'in_mix'),
  );
  for (const a of byPlace) {
    const code = WHERE[a.place ?? 'in_mix'].find((c) => codes.includes(c))!;
    steps.find((s) => s.code === code)!.adds.push({ name: a.name, place: a.place ?? null });
  }
  const push = (code: ProcessStepCode, plannedS: number, detail?: string) =>
    steps.push({ code, plannedS, adds: [], ...(detail === undefined ? {} : { detail }) });
  if (recipe.cure && p.cureHoldMinS > 0) push('cure_hold', p.cureHoldMinS);
  push('stuff', p.stuffS);
  if (recipe.fermentation) push('ph_piece', 0);
  if (p.surfaceDryS > 0) push('surface_dry', p.surfaceDryS);
  for (const s of recipe.program) push('stage', s.plannedS, s.name);
  push('pull', p.pullS);
  for (const c of p.chill) push('chill', c.plannedS, c.medium);
  if (p.bloomS > 0) push('bloom', p.bloomS);
  push('pack', p.packS);
  return steps;
}
