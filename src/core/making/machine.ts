import type { StepKind } from '../recipe/step';

/** Machines of the bench. */
export const MACHINE_KINDS = ['grinder', 'mixer', 'cutter', 'stuffer'] as const;
export type MachineKind = (typeof MACHINE_KINDS)[number];

export type Machine = {
  id: string;
  name: string;
  kind: MachineKind;
  /** What its bowl, pan or cylinder takes, g; null where nobody has said. */
  capacityG: number | null;
  /** What stays in it and comes out by hand, g. */
  deadG: number | null;
  /** Holes of its plates, and outside diameters of its horns, mm. */
  platesMm: number[];
  hornsMm: number[];
  note: string;
};

const USED_AT: Partial<Record<StepKind, MachineKind>> = {
  grind: 'grinder',
  mix: 'mixer',
  chop: 'cutter',
  stuff: 'stuffer',
};

/** The kind of machine that a step is done on; null for work by hand. */
export const machineKindFor = (kind: StepKind): MachineKind | null => USED_AT[kind] ?? null;

/** The bowl that a batch is split for: the largest of its kind, since that makes the fewest loads; null where no size is known. */
export const bowlOf = (machines: readonly Machine[], kind: MachineKind): Machine | null =>
  machines
    .filter((m) => m.kind === kind && m.capacityG !== null)
    .sort((a, b) => b.capacityG! - a.capacityG!)[0] ?? null;
