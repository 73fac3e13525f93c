/** Every check of a verdict. */
export const CHECK_CODES = [
  'dose',
  'cure_hold',
  'uncured_smoke',
  'fermentation',
  'come_up',
  'lethality',
  'cooling',
  'probe_evidence',
  'ingredients',
  'parasites',
  'drying',
  'validated_plan',
  'serving',
  'cold_chain',
  'label',
  'making',
  'rework',
] as const;
export type CheckCode = (typeof CHECK_CODES)[number];
