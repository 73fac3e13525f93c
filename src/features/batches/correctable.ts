import type { EntryBody, Quantity } from '@/core';
import type { PostedBody } from '@/features/logbook/contract';

export type Corrected = Extract<PostedBody, { kind: 'corrected' }>['replacement'];
/** Days have no other unit. */
export type Measured = Quantity | 'days';
/** One figure of an entry that can be wrong. */
export type Figure = { label: string; quantity: Measured; base: number };
/** The figures of an entry that can be wrong, and how to write them back, in their order. */
export type Figures = { of: Figure[]; put: (bases: number[]) => Corrected };

/** An entry whose figure somebody types anew: no instrument showed that. */
function typed<T extends { shownBy?: string }>({ shownBy: _, ...body }: T): Omit<T, 'shownBy'> {
  return body;
}

const DAY_S = 24 * 3600;
const ONE = 'It should say';
const one = (quantity: Measured, base: number, put: (base: number) => Corrected): Figures => ({
  of: [{ label: ONE, quantity, base }],
  put: ([value]) => put(value!),
});

/** A step with a weight, a temperature, or both. */
function stepFigures(body: Extract<EntryBody, { kind: 'step_done' }>): Figures | null {
  const { weightG, tempC } = body;
  if (weightG && tempC !== undefined)
    return {
      of: [
        { label: 'Weight', quantity: 'mass', base: weightG },
        { label: 'Temperature', quantity: 'temperature', base: tempC },
      ],
      put: ([g, c]) => ({ ...body, weightG: g!, tempC: c! }),
    };
  if (weightG) return one('mass', weightG, (g) => ({ ...body, weightG: g }));
  return tempC === undefined ? null : one('temperature', tempC, (c) => ({ ...body, tempC: c }));
}

/** How pork was frozen: how cold, for how long, how thick. */
function frozenFigures(body: Extract<EntryBody, { kind: 'parasites_controlled' }>): Figures | null {
  const { control } = body;
  if (control.way !== 'frozen') return null;
  const { atC, forS, thicknessMm } = control;
  return {
    of: [
      { label: 'Frozen at', quantity: 'temperature', base: atC },
      { label: 'For', quantity: 'days', base: forS / DAY_S },
      ...(thicknessMm === null
        ? []
        : [{ label: 'Thickest piece', quantity: 'diameter' as const, base: thicknessMm }]),
    ],
    put: ([c, days, mm]) => ({
      ...body,
      control: { ...control, atC: c!, forS: days! * DAY_S, thicknessMm: mm ?? null },
    }),
  };
}

/** What of an entry can be put right by figures; null when only its time can be, or it is struck out. */
export function figuresOf(body: EntryBody): Figures | null {
  switch (body.kind) {
    case 'weighed':
      return one(body.amountG >= 1000 ? 'mass' : 'dose', body.amountG, (amountG) => ({
        ...typed(body),
        amountG,
      }));
    case 'reading_logged':
    case 'batter_measured':
      return one('temperature', body.tempC, (tempC) => ({ ...body, tempC }));
    case 'cure_hold_started':
    case 'cure_hold_ended':
      return one('temperature', body.coolerC ?? 0, (coolerC) => ({ ...body, coolerC }));
    case 'piece_weighed':
      return one('dose', body.weightG, (weightG) => ({ ...typed(body), weightG }));
    case 'step_ticked':
      return body.tempC === undefined
        ? null
        : one('temperature', body.tempC, (tempC) => ({ ...body, tempC }));
    case 'bowl_weighed':
      return one('mass', body.grossG, (grossG) => ({ ...body, grossG }));
    case 'step_done':
      return stepFigures(body);
    case 'parasites_controlled':
      return frozenFigures(body);
    default:
      return null;
  }
}
