/** The questions on which practitioners differ, and the schools that the application supports. */
export const SCHOOLS = {
  rest: ['overnight', 'same_day', 'long'],
  seasoning: ['before_grinding', 'between_passes', 'after_grinding', 'salt_first'],
  grinding: ['apart', 'together'],
  emulsifying: ['none', 'cutter', 'fine_plate'],
  surface_drying: ['cooler', 'room', 'house'],
  program: ['steady', 'stepped', 'smoke_bath', 'smoke_oven', 'cold_smoke', 'hot_fast'],
  end_point: ['high_pull', 'low_pull'],
  bath_time: ['per_mm', 'probe'],
  chill: ['ice_bath', 'shower', 'cold_air'],
  bloom: ['room', 'cooler', 'none'],
  fermentation: ['none', 'hot_fast', 'cool_slow'],
  order: ['ferment_smoke_dry', 'ferment_dry_smoke_cook', 'ferment_smoke_cook_dry'],
} as const;

export type SchoolQuestion = keyof typeof SCHOOLS;
export type School<Q extends SchoolQuestion = SchoolQuestion> = (typeof SCHOOLS)[Q][number];
export type SchoolChoices = { [Q in SchoolQuestion]?: School<Q> };

export const SCHOOL_QUESTIONS = Object.keys(SCHOOLS) as SchoolQuestion[];
