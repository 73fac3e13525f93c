import {
  meatAtC,
  meatHeatJPerG,
  type LearnedMachine,
  type Machine,
  type MachineKind,
} from '@/core';
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

/** What a machine was seen to do: how much a pass warms thawed meat, and how long it takes. */
export function learnedWords(l: LearnedMachine, s: Show): string {
  const warms = meatAtC(meatHeatJPerG(2) + l.jPerG) - 2;
  const pace = l.timed > 0 ? `, ${s.number(l.minPerKg, 2)} min/kg from ${l.timed} timed` : '';
  return l.passes > 0
    ? `a pass warms by about ${s.tempStep(warms)}, from ${l.passes} passes${pace}`
    : 'nothing learned yet';
}
