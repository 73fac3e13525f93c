import type { EntryBody, EntryKind, Quantity } from '@/core';
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

type ByKind = { [K in EntryKind]: (body: Extract<EntryBody, { kind: K }>) => Figures | null };

const temperature = <B extends Extract<PostedBody, { tempC: number }>>(body: B) =>
  one('temperature', body.tempC, (tempC) => ({ ...body, tempC }) as Corrected);
const cooler = (body: Extract<EntryBody, { kind: 'cure_hold_started' | 'cure_hold_ended' }>) =>
  one('temperature', body.coolerC ?? 0, (coolerC) => ({ ...body, coolerC }));
/** Its time can be put right, or it is struck out and told anew. */
const none = () => null;

/** What of each kind of entry can be put right by figures; a kind that says nothing of it does not compile. */
const FIGURES: ByKind = {
  weighed: (body) =>
    one(body.amountG >= 1000 ? 'mass' : 'dose', body.amountG, (amountG) => ({
      ...typed(body),
      amountG,
    })),
  reading_logged: temperature,
  batter_measured: temperature,
  cure_hold_started: cooler,
  cure_hold_ended: cooler,
  piece_weighed: (body) => one('dose', body.weightG, (weightG) => ({ ...typed(body), weightG })),
  step_ticked: (body) =>
    body.tempC === undefined
      ? null
      : one('temperature', body.tempC, (tempC) => ({ ...body, tempC })),
  bowl_weighed: (body) => one('mass', body.grossG, (grossG) => ({ ...body, grossG })),
  step_done: stepFigures,
  parasites_controlled: frozenFigures,
  ph_logged: none,
  ph_doubted: none,
  alarm_raised: none,
  alarm_cleared: none,
  alarm_told: none,
  alarm_acknowledged: none,
  loads_set: none,
  addition_ticked: none,
  trial_cooked: none,
  culture_started: none,
  fresh_part_made: none,
  reminder_answered: none,
  drying_started: none,
  piece_ended: none,
  aw_logged: none,
  plan_named: none,
  labelled: none,
  served: none,
  casing_soaked: none,
  links_checked: none,
  stuffing_weighed: none,
  faults_counted: none,
  sound_piece_kept: none,
  hung: none,
  stick_weighed: none,
  surface_touched: none,
  smoke_seen: none,
  damper_set: none,
  bath_seen: none,
  weather_noted: none,
  held: none,
  disposed: none,
  rework_done: none,
  hold_lifted: none,
  probe_placed: none,
  probe_removed: none,
  readings_imported: none,
  batch_started: none,
  noted: none,
  corrected: none,
  run_started: none,
  stage_started: none,
  stage_extended: none,
  run_paused: none,
  run_resumed: none,
  moved: none,
  event_logged: none,
  pulled: none,
  put_back: none,
  chill_started: none,
  signed: none,
  lot_allowed: none,
  cure_checked: none,
};

/** What of an entry can be put right by figures; null when only its time can be, or it is struck out. */
export const figuresOf = (body: EntryBody): Figures | null =>
  (FIGURES[body.kind] as (body: EntryBody) => Figures | null)(body);
