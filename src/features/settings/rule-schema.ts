import { z } from 'zod';
import {
  RULE_DEFINITIONS,
  RULE_KINDS,
  type FigureKind,
  type Fields,
  type RuleBody,
  type RuleField,
  type RuleKind,
} from '@/core';

const WEEK_S = 7 * 24 * 3600;
/** What a figure of each kind can be where its definition says no more. */
const SPAN: Record<FigureKind, { min: number; max: number }> = {
  temp: { min: -40, max: 200 },
  temp_step: { min: 0, max: 100 },
  temp_rate: { min: 0, max: 100 },
  seconds: { min: 1e-6, max: WEEK_S },
  days: { min: 1800, max: 400 * 24 * 3600 },
  minutes: { min: 0, max: 1000 },
  ppm: { min: 0, max: 1000 },
  share: { min: 0, max: 1 },
  logs: { min: 0, max: 20 },
  degree_hours: { min: 0, max: 10_000 },
  ph: { min: 3, max: 9 },
  aw: { min: 0.5, max: 1 },
  mm: { min: 1, max: 1000 },
  count: { min: 1, max: 1000 },
};

function fieldSchema(f: RuleField): z.ZodType {
  switch (f.as) {
    case 'flag':
      return z.boolean();
    case 'choice':
      return z.enum(Object.keys(f.of) as [string, ...string[]]);
    case 'group':
      return objectSchema(f.fields);
    case 'list':
      return z.array(objectSchema(f.of)).min(f.least).max(f.most);
    default:
      return z
        .number(`${f.label}: give a number`)
        .min(f.min ?? SPAN[f.as].min, `${f.label}: too small`)
        .max(f.max ?? SPAN[f.as].max, `${f.label}: too large`);
  }
}

/** An object of exactly these fields: what the definition does not know is refused, never dropped. */
const objectSchema = (fields: Fields, more: Record<string, z.ZodType> = {}) =>
  z.strictObject({
    ...more,
    ...Object.fromEntries(
      Object.entries(fields).map(([name, f]) => [
        name,
        f.optional ? fieldSchema(f).optional() : fieldSchema(f),
      ]),
    ),
  });

type Wrong = string | null;
type Agree = { [K in RuleKind]?: (r: Extract<RuleBody, { kind: K }>) => Wrong };

/** Figures of one rule that must agree with each other. */
const AGREE: Agree = {
  dose: (r) => (r.minPpm < r.maxPpm ? null : 'the lower limit must be below the upper'),
  come_up: (r) => (r.fromC < r.toC ? null : 'must end warmer than it starts'),
  uncured_smoke: (r) => (r.fromC < r.toC ? null : 'must end warmer than it starts'),
  cure_hold: (r) =>
    r.maxS === undefined || r.maxS > r.minS ? null : 'the longest hold must be above the least',
  cooling: (r) => (r.steps.every((s) => s.toC < s.fromC) ? null : 'must end colder than it starts'),
  formula: (r) =>
    r.minSaltFraction < r.maxSaltFraction ? null : 'the least salt must be below the most',
  fermentation: (r) =>
    r.bands.every((b, i) => i === 0 || b.belowC > r.bands[i - 1]!.belowC)
      ? null
      : 'the temperatures must rise',
  shelf: (r) =>
    r.ways.every((w) => w.maxAw !== undefined || w.maxPh !== undefined)
      ? null
      : 'each way needs a water activity or a pH',
  parasites: (r) => (r.thinMm < r.thickMm ? null : 'the thin pieces must be the thinner'),
  probe_evidence: (r) =>
    (r.neighbourC === undefined) === (r.neighbourS === undefined)
      ? null
      : 'drift needs both how far and for how long',
};

const agrees = (r: RuleBody): Wrong =>
  (AGREE[r.kind] as ((r: RuleBody) => Wrong) | undefined)?.(r) ?? null;

/** A rule's body as its definition says, with the figures that must agree. */
export const ruleBodySchema = z
  .discriminatedUnion(
    'kind',
    RULE_KINDS.map((kind) =>
      objectSchema(RULE_DEFINITIONS[kind], { kind: z.literal(kind) }),
    ) as unknown as [z.ZodObject<{ kind: z.ZodLiteral<RuleKind> }>],
  )
  .superRefine((body, ctx) => {
    const wrong = agrees(body as unknown as RuleBody);
    if (wrong) ctx.addIssue({ code: 'custom', message: wrong });
  }) as unknown as z.ZodType<RuleBody>;
