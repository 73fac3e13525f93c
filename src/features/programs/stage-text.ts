import {
  endsOf,
  fromBase,
  parseNumber,
  toBase,
  type ProgramStage,
  type StageEnds,
  type StageKind,
  type StagePlace,
  type UnitSystem,
} from '@/core';
import { stageSchema } from './contract';

/** A stage as it is being written: every figure a text in the writer's units, minutes and per cent. */
export type StageText = {
  id: string;
  name: string;
  kind: StageKind;
  place: StagePlace;
  air: string;
  rampFrom: string;
  humidity: string;
  humidityAs: 'rh' | 'wet_bulb';
  damper: string;
  fan: string;
  smoke: boolean;
  wood: string;
  minutes: string;
  /** The minutes are an end of the stage, not only its planned length. */
  byTime: boolean;
  core: string;
  logs: string;
  loss: string;
  ph: string;
  dry: boolean;
  join: 'any' | 'all';
  most: string;
};

export type StageProblem = { field: string; message: string };

const tidy = (value: number, digits: number) =>
  String(Math.round(value * 10 ** digits) / 10 ** digits);

/** A stage as texts in a system's units. */
export function stageText(s: ProgramStage, system: UnitSystem): StageText {
  const temp = (c: number | undefined) =>
    c === undefined ? '' : tidy(fromBase('temperature', c, system), 1);
  const percent = (f: number | undefined) => (f === undefined ? '' : tidy(f * 100, 1));
  const minutes = (t: number | undefined) => (t === undefined ? '' : tidy(t / 60, 1));
  const ends = endsOf(s);
  return {
    id: s.id,
    name: s.name,
    kind: s.kind,
    place: s.place ?? (s.kind === 'bath' ? 'water_bath' : 'house'),
    air: temp(s.airC),
    rampFrom: temp(s.rampFromC),
    humidity: s.wetBulbC === undefined ? percent(s.rh) : temp(s.wetBulbC),
    humidityAs: s.wetBulbC === undefined ? 'rh' : 'wet_bulb',
    damper: percent(s.damper),
    fan: percent(s.fan),
    smoke: s.smoke,
    wood: s.wood ?? '',
    minutes: minutes(ends.afterS ?? s.plannedS),
    byTime: ends.afterS !== undefined,
    core: temp(ends.coreC),
    logs: ends.logs === undefined ? '' : tidy(ends.logs, 2),
    loss: percent(ends.lossFraction),
    ph: ends.ph === undefined ? '' : tidy(ends.ph, 2),
    dry: ends.dry ?? false,
    join: ends.join,
    most: minutes(s.maxS),
  };
}

const WATER: readonly StagePlace[] = ['water_bath', 'shower', 'ice_bath'];

const NO_NUMBER = 'this is not a number';

class FigureReader {
  readonly problems: StageProblem[] = [];

  constructor(private readonly system: UnitSystem) {}

  /** The figure times `scale`, undefined where nothing is written; a bad one is noted. */
  number(field: string, text: string, scale = 1): number | undefined {
    const read = parseNumber(text);
    if (read.kind === 'empty') return undefined;
    if (read.kind === 'ok') return read.value * scale;
    this.problems.push({ field, message: NO_NUMBER });
    return undefined;
  }

  temp(field: string, text: string): number | undefined {
    const value = this.number(field, text);
    return value === undefined ? undefined : toBase('temperature', value, this.system);
  }
}

/** Fields of a stage as the schema names them, by the field of the text. */
const FIELD_OF: Record<string, string> = {
  airC: 'air',
  rh: 'humidity',
  wetBulbC: 'humidity',
  rampFromC: 'rampFrom',
  plannedS: 'minutes',
  endCoreC: 'core',
  maxS: 'most',
  'ends.afterS': 'minutes',
  'ends.coreC': 'core',
  'ends.logs': 'logs',
  'ends.lossFraction': 'loss',
  'ends.ph': 'ph',
};

/** Only what is there: a missing figure is left out, not written as nothing. */
const given = <T extends object>(o: T): Partial<T> =>
  Object.fromEntries(Object.entries(o).filter(([, v]) => v !== undefined)) as Partial<T>;

/**
 * Reads a stage back. A stage with nothing but minutes ends by time, one with only a core target by that;
 * anything more is written out as its ends.
 */
export function readStage(
  t: StageText,
  system: UnitSystem,
): { stage: ProgramStage | null; problems: StageProblem[] } {
  const r = new FigureReader(system);
  const plannedS = r.number('minutes', t.minutes, 60);
  const coreC = r.temp('core', t.core);
  const ends: StageEnds = {
    join: t.join,
    ...given({
      afterS: t.byTime ? plannedS : undefined,
      coreC,
      logs: r.number('logs', t.logs),
      lossFraction: r.number('loss', t.loss, 0.01),
      ph: r.number('ph', t.ph),
      dry: t.dry || undefined,
    }),
  };
  const named = Object.keys(ends).filter((k) => k !== 'join');
  const simple = named.length === 0 || (named.length === 1 && (coreC !== undefined || t.byTime));
  const wet = t.humidityAs === 'wet_bulb';
  /* What the form does not ask for in water is not there, whatever stood in it before. */
  const inWater = WATER.includes(t.place);
  const candidate = {
    id: t.id,
    name: t.name,
    kind: t.kind,
    airC: r.temp('air', t.air) ?? Number.NaN,
    smoke: t.smoke && !inWater,
    plannedS: plannedS ?? Number.NaN,
    ...given({
      place: t.place === 'house' && t.kind !== 'bath' ? undefined : t.place,
      rampFromC: r.temp('rampFrom', t.rampFrom),
      rh: wet || inWater ? undefined : r.number('humidity', t.humidity, 0.01),
      wetBulbC: wet && !inWater ? r.temp('humidity', t.humidity) : undefined,
      damper: r.number('damper', t.damper, 0.01),
      fan: r.number('fan', t.fan, 0.01),
      wood: t.smoke && t.wood.trim() !== '' ? t.wood.trim() : undefined,
      maxS: r.number('most', t.most, 60),
      endCoreC: simple ? coreC : undefined,
      ends: simple ? undefined : ends,
    }),
  };
  const parsed = stageSchema.safeParse(candidate);
  const issues = parsed.success
    ? []
    : parsed.error.issues.map((i) => {
        const path = i.path.join('.');
        return { field: FIELD_OF[path] ?? String(i.path[0] ?? 'name'), message: i.message };
      });
  /* A text that is no number is said once, not as a missing figure too. */
  const said = new Set(r.problems.map((p) => p.field));
  const problems = [...r.problems, ...issues.filter((p) => !said.has(p.field))];
  return {
    stage: problems.length === 0 && parsed.success ? parsed.data : null,
    problems,
  };
}

/** A new stage after another one. */
export const newStageText = (id: string, system: UnitSystem): StageText =>
  stageText(
    { id, name: 'Smoke', kind: 'smoke', airC: 65, rh: 0.45, smoke: true, plannedS: 3600 },
    system,
  );
