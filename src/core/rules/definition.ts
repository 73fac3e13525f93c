import { COOLING_STEPS } from '../cooling/steps';

/** What a figure of a rule is: how it is shown, converted and bounded follows from this. */
export type FigureKind =
  | 'temp'
  | 'temp_step'
  | 'temp_rate'
  | 'seconds'
  | 'days'
  | 'minutes'
  | 'ppm'
  | 'share'
  | 'logs'
  | 'degree_hours'
  | 'ph'
  | 'aw'
  | 'mm'
  | 'count';

/** `former`: no judgement reads it any more; shown in a rule that carries it, and asked for in no other. */
type Base = { label: string; optional?: true; former?: true };
export type FigureField = Base & { as: FigureKind; min?: number; max?: number };
export type FlagField = Base & { as: 'flag' };
export type ChoiceField = Base & { as: 'choice'; of: Readonly<Record<string, string>> };
export type GroupField = Base & { as: 'group'; fields: Fields };
export type ListField = Base & { as: 'list'; of: Fields; least: number; most: number };
export type RuleField = FigureField | FlagField | ChoiceField | GroupField | ListField;
export type Fields = { readonly [name: string]: RuleField };

const temp = (label: string) => ({ as: 'temp', label }) as const;
const seconds = (label: string) => ({ as: 'seconds', label }) as const;
const ppm = (label: string) => ({ as: 'ppm', label }) as const;
const frozen = (label: string) =>
  ({
    as: 'list',
    label,
    of: { atC: temp('at'), forS: { as: 'days', label: 'for', min: 1800 } },
    least: 1,
    most: 10,
  }) as const;
const keeps = (label: string) => ({ as: 'days', label, optional: true, min: 86_400 }) as const;
const share = (label: string) => ({ as: 'share', label }) as const;
const bySpecies = (label: string, as: 'temp' | 'logs') =>
  ({
    as: 'group',
    label,
    fields: {
      meat: { as, label: 'meat', min: 0.1 },
      poultry: { as, label: 'with poultry', min: 0.1 },
    },
  }) as const;

/**
 * Every rule, once: type, validation, form and words of a rule follow from its fields here. A field that is
 * missing here cannot be in a rule, and one that is here cannot be lost on the way through a form.
 */
export const RULE_DEFINITIONS = {
  dose: {
    basis: {
      as: 'choice',
      label: 'ppm of the',
      of: { meat_block: 'meat block', whole_batch: 'whole batch', finished: 'finished weight' },
    },
    /** What the limits are expressed as; sodium nitrite when left out. */
    as: {
      as: 'choice',
      label: 'limits expressed as',
      of: { sodium_nitrite: 'sodium nitrite', nitrite_ion: 'nitrite ion' },
      optional: true,
    },
    minPpm: ppm('at least'),
    maxPpm: ppm('at most'),
  },
  cure_hold: {
    minS: seconds('at least'),
    /** Longest that raw cured meat may be held, s; the recipe's own limit where left out. */
    maxS: { as: 'seconds', label: 'at most', optional: true },
    maxCoolerC: temp('cooler at most'),
    acceleratorFromPpm: ppm('same day from accelerator'),
  },
  uncured_smoke: {
    fromC: temp('from'),
    toC: temp('to'),
    maxS: seconds('within'),
    coldSmokeBelowC: temp('cold smoke below'),
  },
  come_up: { fromC: temp('from'), toC: temp('to'), maxS: seconds('within') },
  lethality: {
    way: {
      as: 'choice',
      label: 'passes by',
      of: { integrated: 'integrated logs', table: 'the published table', end_point: 'end point' },
    },
    endPointC: bySpecies('end point', 'temp'),
    model: {
      as: 'group',
      label: 'model',
      fields: {
        tRefC: temp('reference'),
        dRefMin: { as: 'minutes', label: 'D', min: 1e-6, max: 1000 },
        zC: { as: 'temp_step', label: 'z', min: 1e-6, max: 50 },
        creditFromC: { as: 'temp', label: 'credit from', optional: true },
      },
    },
    targetLogs: bySpecies('logs', 'logs'),
    /** Back in the heat within this long after the pull, the cook counts as one stay. */
    putBackS: { as: 'seconds', label: 'put back within', optional: true },
  },
  cooling: {
    steps: {
      as: 'list',
      label: 'step',
      of: { fromC: temp('from'), toC: temp('to'), maxS: seconds('within') },
      least: 1,
      most: COOLING_STEPS.length,
    },
    /** In-going amounts a batch must have for this rule to be allowed at all. */
    needs: {
      as: 'group',
      label: 'needs',
      fields: { nitritePpm: ppm('nitrite'), acceleratorPpm: ppm('accelerator') },
      optional: true,
    },
  },
  probe_evidence: {
    /** Longest silence that still counts as one log, s: logger and hand readings in the house, and in the chill. */
    maxGapS: seconds('logger silent at most'),
    handMaxGapS: seconds('by hand at most apart'),
    chillMaxGapS: seconds('in the chill at most apart'),
    /** A probe that shows the very same value for longer than this, where a core could not, is stuck, s. */
    flatLineS: seconds('stuck after'),
    /** Steepest believable change of a core in air, °C per minute. */
    maxCPerMin: { as: 'temp_rate', label: 'steepest change', min: 0.01, max: 100 },
    /*
     * Before judgement 2 a site switched these on. Now what no core can do is never believed, and of two probes
     * the one that helps less decides.
     */
    slidOut: {
      as: 'flag',
      label: 'no longer read: a probe that shows the air',
      optional: true,
      former: true,
    },
    neighbourC: {
      as: 'temp_step',
      label: 'no longer read: drifted from its neighbour by',
      optional: true,
      former: true,
      min: 0.1,
      max: 50,
    },
    neighbourS: {
      as: 'seconds',
      label: 'no longer read: drifted for longer than',
      optional: true,
      former: true,
    },
    /** A house probe earns credit only this long after its last check in ice or boiling water, s. */
    calibrationMaxAgeS: {
      as: 'days',
      label: 'checked at most ago',
      optional: true,
      max: 366 * 86_400,
    },
  },
  fermentation: {
    /** pH to be reached, and the temperature above which degree-hours count, °C. */
    targetPh: { as: 'ph', label: 'pH to reach', min: 4, max: 6 },
    floorC: temp('counts above'),
    /** Limit by the warmest chamber temperature, rising; the last one holds for all above. */
    bands: {
      as: 'list',
      label: 'band',
      of: {
        belowC: temp('below'),
        degreeHours: { as: 'degree_hours', label: 'takes', min: 0.1, max: 10_000 },
        /** The edge itself belongs to this band. */
        inclusive: { as: 'flag', label: 'edge included', optional: true },
      },
      least: 1,
      most: 6,
    },
    /** pH counts once two readings this far apart show it, s; 15 min where left out. */
    phApartS: { as: 'seconds', label: 'two readings apart by', optional: true },
    /** Longest above floorC after the pH was reached and before the cook, s. */
    warmAfterMaxS: { as: 'seconds', label: 'warm after the pH at most', optional: true },
  },
  /* Freezing that controls parasites in pork that is not cooked: by the thickness of its pieces, or by a measured middle. */
  parasites: {
    thinMm: { as: 'mm', label: 'thin pieces up to' },
    thin: frozen('thin, frozen'),
    thickMm: { as: 'mm', label: 'thick pieces up to' },
    thick: frozen('thick, frozen'),
    core: frozen('measured in the middle'),
  },
  drying: {
    minPieces: { as: 'count', label: 'marked pieces at least', min: 1, max: 50 },
    /** A piece that is heavier than before by more than this share was mixed up with another. */
    gainShare: share('heavier than before by at most'),
    /** A reading of water activity counts for so long after its meter was checked, s. */
    meterMaxAgeS: seconds('a_w meter checked at most ago'),
  },
  /* When a product keeps without a cooler: any of these ways, every figure of it measured. */
  shelf: {
    ways: {
      as: 'list',
      label: 'shelf-stable with',
      of: {
        maxAw: { as: 'aw', label: 'a_w at most', optional: true },
        maxPh: { as: 'ph', label: 'pH at most', min: 4, max: 6, optional: true },
      },
      least: 1,
      most: 6,
    },
    keepC: temp('else kept at most at'),
    /** Use-by from the day it is packed; the usual one where left out, and none for what keeps without a cooler. */
    cookedKeepsS: keeps('cooked and not dried it keeps for'),
    ripenedKeepsS: keeps('fermented or dried, cooled, it keeps for'),
    stableKeepsS: keeps('without a cooler it keeps for'),
  },
  serving: {
    withinS: seconds('eaten within'),
    hotC: temp('or kept at'),
    /** Longest between two looks at what is kept hot, s. */
    lookS: seconds('looked at every'),
  },
  cold_chain: {
    maxC: temp('raw product at most'),
    rawMaxS: seconds('raw at most'),
    frozenC: temp('frozen at'),
    /** A temperature of the product this long before it is packed still speaks for it, s. */
    lookS: seconds('measured at most before packing'),
  },
  /* What warmth and time may do to raw meat while it is made, by class of product. */
  making: {
    coarse: {
      as: 'group',
      label: 'coarse',
      fields: {
        startC: temp('before the first pass at most'),
        outC: temp('out of a pass at most'),
        stopC: temp('not on without a chill above'),
      },
    },
    fineDry: {
      as: 'group',
      label: 'fine, dried or fermented',
      fields: {
        startC: temp('before the first pass at most'),
        outC: temp('out of a pass at most'),
        stopC: temp('not on without a chill above'),
      },
    },
    emulsion: {
      as: 'group',
      label: 'chopped fine',
      fields: {
        leanC: temp('lean, salt and first ice at most'),
        binderFromC: temp('binder in from'),
        endC: temp('end of the chop at most'),
        poultryEndC: temp('with poultry at most'),
        stopC: temp('not on without a decision above'),
        poultryStopC: temp('with poultry above'),
      },
    },
    tooHardC: temp('too hard below'),
    /** Raw meat out of the cold, from when it was last known to be cold, s. */
    rawCuredS: { as: 'seconds', label: 'cured, out of the cold at most' },
    rawUncuredS: { as: 'seconds', label: 'not cured, out of the cold at most' },
    /** What clings to bowls and tools: a batter that is lighter than its parts by more lacks something. */
    clingShare: share('lighter than its parts by at most'),
    /** What a trial spoonful may lose in fat and water. */
    trialLossShare: share('trial cook loses at most'),
  },
  /* What is usual between the casing and the cooler: it advises and reminds, and judges no batch. */
  floor: {
    hornMost: share('horn at most of the flat casing'),
    hornLeast: share('horn at least of the flat casing'),
    linkShare: share('links off their weight by at most'),
    stuffLossShare: share('lost in stuffing at most'),
    smokeLookS: seconds('smoke looked at every'),
    spreadC: { as: 'temp_step', label: 'corners apart by at most', min: 1, max: 60 },
    /** Until the core is warmer, the air of a chamber stays below what melts the fat out. */
    fatCoreC: temp('until the core is at'),
    coarseAirC: temp('chamber at most, coarse'),
    emulsionAirC: temp('chamber at most, chopped fine'),
  },
  /* Limits on a formula that are not a batch's verdict: they advise, or block a recipe's approval. */
  formula: {
    minSaltFraction: share('salt at least'),
    maxSaltFraction: share('salt at most'),
    maxAcceleratorPpm: { as: 'ppm', label: 'accelerator at most', max: 10_000 },
    maxBinderFraction: share('binder at most'),
    maxPhosphateFraction: share('phosphate at most'),
    maxFatFraction: share('fat at most'),
    maxFatWaterFraction: share('fat and added water at most'),
  },
} as const satisfies Record<string, Fields>;

export type RuleKind = keyof typeof RULE_DEFINITIONS;
export const RULE_KINDS = Object.keys(RULE_DEFINITIONS) as RuleKind[];

type ValueOf<F> = F extends { as: 'flag' }
  ? boolean
  : F extends { as: 'choice'; of: infer O }
    ? keyof O
    : F extends { as: 'group'; fields: infer G }
      ? BodyOf<G>
      : F extends { as: 'list'; of: infer L }
        ? BodyOf<L>[]
        : number;
type OptionalNames<D> = { [N in keyof D]: D[N] extends { optional: true } ? N : never }[keyof D];
type BodyOf<D> = { -readonly [N in Exclude<keyof D, OptionalNames<D>>]: ValueOf<D[N]> } & {
  -readonly [N in OptionalNames<D>]?: ValueOf<D[N]>;
};

/** The body of a rule, as its definition says. */
export type RuleBodyOf<K extends RuleKind> = { kind: K } & BodyOf<(typeof RULE_DEFINITIONS)[K]>;
/** The body of some rule. */
export type RuleBody = { [K in RuleKind]: RuleBodyOf<K> }[RuleKind];
