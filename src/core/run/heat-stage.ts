import { endsOf } from '../recipe/stage-ends';
import { batterComposition } from '../formula/figures';
import { casingFacts } from '../recipe/casing-facts';
import { CASINGS } from '../recipe/tables/casings';
import type { ChillMedium, ProgramStage, Recipe, StagePlace } from '../recipe/recipe';
import type { HeatProduct } from '../heat/product';
import type { HeatStage } from '../heat/simulate-program';
import { placeOf } from '../route/stage-step';
import { mediumIn } from './run-stage';

/** Usual film coefficients by place, W/(m²·K); a house goes by its fan. @source usual practice of the trade */
const FILM: Record<Exclude<StagePlace, 'house'>, number> = {
  water_bath: 400,
  oven: 18,
  shower: 150,
  ice_bath: 300,
  cooler: 10,
  room: 9,
};
/** Still house and full fan, W/(m²·K); half a fan where a stage does not say. */
const HOUSE_FILM = { still: 10, full: 30, usualFan: 0.5 };

/** Film coefficient of a stage, W/(m²·K). */
export function filmOf(stage: ProgramStage): number {
  const place = placeOf(stage);
  if (place !== 'house') return FILM[place];
  const fan = stage.fan ?? HOUSE_FILM.usualFan;
  return HOUSE_FILM.still + (HOUSE_FILM.full - HOUSE_FILM.still) * fan;
}

/** What ends a stage as the formulator wrote it, in the words of the model. */
function endOf(stage: ProgramStage): Partial<HeatStage> {
  const ends = endsOf(stage);
  const timed = ends.afterS !== undefined && Object.keys(ends).length === 2 && !stage.ends;
  return {
    join: ends.join,
    /* The model knows no pH: where that ends a stage, it takes as long as planned. */
    endS: ends.afterS ?? (ends.ph === undefined ? undefined : stage.plannedS),
    endCoreC: ends.coreC,
    endLogs: ends.logs,
    endLossFraction: ends.lossFraction,
    endDry: ends.dry,
    ...(timed ? {} : { maxS: stage.maxS }),
  };
}

/**
 * A stage of a program as the model takes it: medium by place, film by fan, end conditions as written.
 * @param airLagS how slowly the house follows its set point, s; for the house only
 */
export function heatStage(stage: ProgramStage, airLagS = 0): HeatStage {
  const place = placeOf(stage);
  const ramp =
    stage.rampFromC === undefined
      ? {}
      : { airFromC: stage.rampFromC, rampS: Math.max(60, stage.plannedS) };
  return {
    name: stage.name,
    elsewhere: place !== 'house',
    medium: mediumIn(place),
    airC: stage.airC,
    ...ramp,
    rh: stage.rh,
    wetBulbC: stage.wetBulbC,
    hWm2K: filmOf(stage),
    airLagS: place === 'house' ? airLagS : 0,
    ...endOf(stage),
  };
}

const CHILL: Record<ChillMedium, { name: string; place: StagePlace; airC: number; rh?: number }> = {
  ice_bath: { name: 'Ice bath', place: 'ice_bath', airC: 1 },
  shower: { name: 'Shower', place: 'shower', airC: 12 },
  cooler: { name: 'Cooler', place: 'cooler', airC: 2, rh: 0.85 },
};

/** A way of cooling as a stage of a program; usual temperatures. */
export const chillStage = (medium: ChillMedium, plannedS: number): ProgramStage => ({
  id: medium,
  kind: 'chill',
  smoke: false,
  plannedS,
  ...CHILL[medium],
});

/**
 * A recipe's piece for the model: diameter and length from the casing, composition from the formula
 * (usual where the fat is not estimated), water through the casing by its kind.
 * @param startC temperature throughout when the run begins, °C
 */
export function heatProduct(recipe: Recipe, startC: number): HeatProduct {
  const { casing } = recipe;
  return {
    diameterMm: casing.diameterMm,
    lengthMm: casing.pieceMm,
    startC,
    ...batterComposition(recipe),
    casingPermeability: (casingFacts(casing) ?? CASINGS.hog).permeability,
  };
}
