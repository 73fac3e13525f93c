import type { RuleBody } from '../definition';

/** A starter rule: published figures and their source text. The site confirms, picks or replaces each. */
export type RulePreset = { code: string; title: string; source: string; body: RuleBody };
