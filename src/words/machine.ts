import type { Machine, MachineKind } from '@/core';
import type { Show } from './show';

/** Machines of the bench by what they are. */
export const MACHINE_WORDS: Record<MachineKind, string> = {
  grinder: 'grinder',
  mixer: 'mixer',
  cutter: 'cutter or processor',
  stuffer: 'stuffer',
};

const holes = (mm: readonly number[], s: Show) =>
  mm.map((x) => s.quantity('diameter', x, 1)).join(', ');

/** A machine in a line: what it is, what it holds, its plates or horns, what people say of it. */
export function machineWords(m: Machine, s: Show): string {
  return [
    MACHINE_WORDS[m.kind],
    m.capacityG === null ? '' : `holds ${s.mass(m.capacityG)}`,
    m.deadG === null ? '' : `${s.mass(m.deadG)} stays in it`,
    m.platesMm.length > 0 ? `plates ${holes(m.platesMm, s)}` : '',
    m.hornsMm.length > 0 ? `horns ${holes(m.hornsMm, s)}` : '',
    m.note,
  ]
    .filter((x) => x !== '')
    .join('; ');
}
