import { coreTargetOf } from '../recipe/stage-ends';
import { degreeHourLimit } from '../fermentation/degree-hours';
import { requiredHoldS } from '../schedule/recipe-blocks';
import { doseLimits, type Rule, type RuleSet } from '../rules/rule';
import { basisOf } from '../formula/compose';
import type { RecipeFigures } from '../formula/figures';
import { partRecipes } from '../route/parts';
import { holdOf, outcomeOf, programOf, stepOf } from '../route/read';
import { UNCURED_SMOKE_FROM_C, hasPoultry, type Recipe } from '../recipe/recipe';
import { blendsOfUnknownSalt } from '../making/stand-in';
import { casingFacts } from '../recipe/casing-facts';

/** fine: within the rule; advisory: said, nothing more; blocking: the recipe can't be approved so. */
export type FindingLevel = 'fine' | 'advisory' | 'blocking';
export type FindingCode =
  | 'dose'
  | 'salt_conflict'
  | 'salt'
  | 'accelerator'
  | 'binder'
  | 'phosphate'
  | 'fat'
  | 'fat_water'
  | 'nitrate_short'
  | 'hold_needed'
  | 'uncured_slow'
  | 'no_cook'
  | 'low_end_point'
  | 'ph'
  | 'degree_hours'
  | 'casing_range'
  | 'casing_smoke'
  | 'blend_salt'
  | 'label_unread'
  | 'no_serving';

export type Finding = {
  code: FindingCode;
  level: FindingLevel;
  /** The figure and the limits it is held against, SI. */
  value: number;
  min?: number;
  max?: number;
  /** The rule it rests on; null for the trade's own practice. */
  rule: Pick<Rule, 'title' | 'source' | 'version'> | null;
};

type Input = { recipe: Recipe; figures: RecipeFigures; rules: RuleSet };
type Ask = (input: Input) => Finding[];

/** Nitrate needs weeks; a program shorter than this cannot use it, s. */
const NITRATE_NEEDS_S = 21 * 24 * 3600;
const HOUR = 3600;

const cite = ({ title, source, version }: Rule) => ({ title, source, version });
const level = (ok: boolean, otherwise: FindingLevel): FindingLevel => (ok ? 'fine' : otherwise);

const dose: Ask = ({ recipe, figures, rules }) => {
  if (!recipe.cure) return [];
  const { minPpm, maxPpm } = doseLimits(rules.dose.body);
  const c = figures.composed;
  const value = (c.ppm * c.basisG) / basisOf(c, rules.dose.body.basis);
  const ok = value >= minPpm - 1e-6 && value <= maxPpm + 1e-6;
  const found: Finding[] = [
    {
      code: 'dose',
      level: level(ok, 'blocking'),
      value,
      min: minPpm,
      max: maxPpm,
      rule: cite(rules.dose),
    },
  ];
  if (c.conflict)
    found.push({
      code: 'salt_conflict',
      level: recipe.cure.acceptsItsSalt ? 'advisory' : 'blocking',
      value: c.saltFraction,
      max: recipe.totalSaltFraction,
      rule: null,
    });
  return found;
};

/** A bought mix whose label nobody read must not count as salt-free: 0 settles it as well as a figure. */
const blends: Ask = ({ recipe }) => {
  const unread = blendsOfUnknownSalt(recipe);
  return unread.length === 0
    ? []
    : [{ code: 'blend_salt', level: 'blocking', value: unread.length, rule: null }];
};

const limits: Ask = ({ recipe, figures: f, rules }) => {
  const { body } = rules.formula;
  const rule = cite(rules.formula);
  const atMost = (
    code: FindingCode,
    value: number,
    max: number,
    otherwise: FindingLevel = 'advisory',
  ): Finding => ({ code, level: level(value <= max + 1e-9, otherwise), value, max, rule });
  const found: Finding[] = [
    {
      code: 'salt',
      level: level(
        f.saltOfMeat >= body.minSaltFraction - 1e-9 && f.saltOfMeat <= body.maxSaltFraction + 1e-9,
        'advisory',
      ),
      value: f.saltOfMeat,
      min: body.minSaltFraction,
      max: body.maxSaltFraction,
      rule,
    },
  ];
  const uses = (kind: string) => recipe.additions.some((a) => a.kind === kind);
  if (uses('accelerator'))
    found.push(atMost('accelerator', f.acceleratorPpm, body.maxAcceleratorPpm, 'blocking'));
  if (uses('binder')) found.push(atMost('binder', f.binderFraction, body.maxBinderFraction));
  if (uses('phosphate'))
    found.push(atMost('phosphate', f.phosphateFraction, body.maxPhosphateFraction, 'blocking'));
  if (f.productFatFraction !== null && f.addedWaterFraction !== null) {
    found.push(atMost('fat', f.productFatFraction, body.maxFatFraction));
    const both = f.productFatFraction + f.addedWaterFraction;
    found.push(atMost('fat_water', both, body.maxFatWaterFraction));
  }
  return found;
};

const curing: Ask = ({ recipe, rules }) => {
  const found: Finding[] = [];
  const rule = cite(rules.cure_hold);
  const needed = requiredHoldS(recipe, rules.cure_hold.body);
  if (holdOf(recipe).minS < needed)
    found.push({
      code: 'hold_needed',
      level: 'advisory',
      value: holdOf(recipe).minS,
      min: needed,
      rule,
    });
  const heldS = holdOf(recipe).minS + programOf(recipe).reduce((s, x) => s + x.plannedS, 0);
  if (recipe.cure && recipe.cure.nitrateFraction > 0 && heldS < NITRATE_NEEDS_S)
    found.push({
      code: 'nitrate_short',
      level: 'advisory',
      value: heldS,
      min: NITRATE_NEEDS_S,
      rule: null,
    });
  return found;
};

const cooking: Ask = ({ recipe, rules }) => {
  const { lethality, uncured_smoke: uncured } = rules;
  const kind = hasPoultry(recipe) ? 'poultry' : 'meat';
  const slow = programOf(recipe).find((s) => s.smoke && s.airC < UNCURED_SMOKE_FROM_C);
  if (!recipe.cure && slow)
    return [
      {
        code: 'uncured_slow',
        level: 'blocking',
        value: slow.airC,
        min: UNCURED_SMOKE_FROM_C,
        rule: cite(uncured),
      },
    ];
  /* What is not ready to eat by its heat is asked for no core. */
  if (!['cooked', 'eaten_hot'].includes(outcomeOf(recipe))) return [];
  const cores = programOf(recipe).flatMap((s) => coreTargetOf(s) ?? []);
  if (cores.length === 0)
    return [{ code: 'no_cook', level: 'advisory', value: 0, rule: cite(lethality) }];
  const value = Math.max(...cores);
  const { way, endPointC, model } = lethality.body;
  const min = way === 'end_point' ? endPointC[kind] : (model.creditFromC ?? 0);
  return [
    {
      code: 'low_end_point',
      level: level(value >= min, 'blocking'),
      value,
      min,
      rule: cite(lethality),
    },
  ];
};

const fermenting: Ask = ({ recipe, figures, rules }) => {
  if (!recipe.fermentation || figures.finalPh === null) return [];
  const { body } = rules.fermentation;
  const rule = cite(rules.fermentation);
  const stages = programOf(recipe).filter((s) => s.kind === 'ferment');
  const planned = stages.reduce(
    (sum, s) => sum + (Math.max(0, s.airC - body.floorC) * s.plannedS) / HOUR,
    0,
  );
  const warmest = Math.max(...stages.map((s) => s.airC), body.floorC);
  const max = degreeHourLimit(body, warmest);
  const target = Math.min(recipe.fermentation.targetPh, body.targetPh);
  return [
    {
      code: 'ph',
      level: level(figures.finalPh <= target + 1e-9, 'blocking'),
      value: figures.finalPh,
      max: target,
      rule,
    },
    { code: 'degree_hours', level: level(planned <= max, 'blocking'), value: planned, max, rule },
  ];
};

const casing: Ask = ({ recipe }) => {
  const { diameterMm } = recipe.casing;
  const facts = casingFacts(recipe.casing);
  if (!facts) return [];
  const found: Finding[] = [];
  if (diameterMm < facts.fromMm || diameterMm > facts.toMm)
    found.push({
      code: 'casing_range',
      level: 'advisory',
      value: diameterMm,
      min: facts.fromMm,
      max: facts.toMm,
      rule: null,
    });
  if (!facts.smokePasses && programOf(recipe).some((s) => s.smoke))
    found.push({ code: 'casing_smoke', level: 'advisory', value: diameterMm, rule: null });
  return found;
};

/** What nobody has read may hold anything. */
const labels: Ask = ({ figures: { unread } }) =>
  unread.length > 0
    ? [{ code: 'label_unread', level: 'blocking', value: unread.length, rule: null }]
    : [];

/** What is eaten hot ends with its serving: on a way without it nothing could ever be signed. */
const serving: Ask = ({ recipe, rules }) =>
  outcomeOf(recipe) === 'eaten_hot' && !stepOf(recipe, 'serve')
    ? [{ code: 'no_serving', level: 'blocking', value: 0, rule: cite(rules.serving) }]
    : [];

/**
 * Each figure of a formula against the site's rules: fine, advisory or blocking, with the rule. What
 * blocks keeps a version from approval; a draft may be saved as it is.
 * @param input the recipe, the rules of the site, and what its figures come to
 */
export function judgeFormula(input: Input): Finding[] {
  const whole = [dose, blends, limits, labels].flatMap((ask) => ask(input));
  const ways = partRecipes(input.recipe).flatMap((recipe) =>
    [curing, cooking, serving, fermenting, casing].flatMap((ask) => ask({ ...input, recipe })),
  );
  return [...whole, ...gravest(ways)];
}

const GRAVITY: Record<FindingLevel, number> = { fine: 0, advisory: 1, blocking: 2 };

/** Of findings of one kind about several parts the gravest. */
function gravest(found: readonly Finding[]): Finding[] {
  const by = new Map<FindingCode, Finding>();
  for (const f of found) {
    const known = by.get(f.code);
    if (!known || GRAVITY[f.level] > GRAVITY[known.level]) by.set(f.code, f);
  }
  return [...by.values()];
}
