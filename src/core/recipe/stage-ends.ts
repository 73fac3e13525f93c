import type { ProgramStage, StageEnds } from './recipe';

/**
 * What ends a stage: the one way in which the core knows it. Stages that were written before `ends` say it by
 * `endCoreC` or by their planned length; nothing but this adapter reads those.
 * @param stage of a program; times s, temperatures °C
 */
export function endsOf(stage: ProgramStage): StageEnds {
  if (stage.ends) return stage.ends;
  return stage.endCoreC === undefined
    ? { join: 'any', afterS: stage.plannedS }
    : { join: 'any', coreC: stage.endCoreC };
}

/**
 * The core at which a stage ends, °C; undefined when something else ends it.
 * @param stage of a program
 */
export const coreTargetOf = (stage: ProgramStage): number | undefined => endsOf(stage).coreC;

/**
 * The stage with another core to end it, or none: the planned length then, unless something else is asked.
 * @param coreC °C; undefined takes the core away
 */
export function withCoreTarget(stage: ProgramStage, coreC: number | undefined): ProgramStage {
  const { endCoreC: _old, ends, ...rest } = stage;
  if (!ends) return coreC === undefined ? rest : { ...rest, endCoreC: coreC };
  const { coreC: _was, ...others } = ends;
  const asked = coreC === undefined ? others : { ...others, coreC };
  const { join: _join, ...conditions } = asked;
  const any = Object.values(conditions).some((v) => v !== undefined && v !== false);
  return any ? { ...rest, ends: asked } : rest;
}
