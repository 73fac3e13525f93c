import type { SchoolQuestion } from '@/core';

type SchoolText = { question: string; options: Record<string, [name: string, means: string]> };

export const SCHOOL_WORDS: Record<SchoolQuestion, SchoolText> = {
  rest: {
    question: 'Rest',
    options: {
      overnight: ['Overnight hold', '12 to 36 h cold, so that the nitrite reacts.'],
      same_day: ['Same day', 'No hold: needs enough accelerator, else the rule keeps the hold.'],
      long: ['Long hold', '36 to 72 h cold, for flavour and colour.'],
    },
  },
  seasoning: {
    question: 'Seasoning',
    options: {
      before_grinding: ['Before grinding', 'Spices go through the plate with the meat.'],
      between_passes: ['Between passes', 'Mixed in before the second plate.'],
      after_grinding: ['After grinding', 'Into the mixer; keeps cracked spice whole.'],
      salt_first: ['Salt only, overnight', 'Salted lean rests; spices in the second chop.'],
    },
  },
  grinding: {
    question: 'Grinding',
    options: {
      apart: ['Lean and fat apart', 'Each at its own plate; a clean, clear cut.'],
      together: ['Together', 'One plate for all; quicker.'],
    },
  },
  emulsifying: {
    question: 'Emulsifying',
    options: {
      none: ['None', 'Coarse: mixed until it binds.'],
      cutter: ['Cutter with ice', 'Water and ice first, spices second, binder last.'],
      fine_plate: ['Fine plate three times', 'No cutter; re-chill before each pass.'],
    },
  },
  surface_drying: {
    question: 'Surface drying',
    options: {
      cooler: ['In the cooler overnight', '10 h uncovered before the house.'],
      room: ['Room with a fan', '1 h; watch the clock in the warm.'],
      house: ['First house stage', 'A dry stage without smoke.'],
    },
  },
  program: {
    question: 'Program',
    options: {
      steady: ['Steady', 'Dry, smoke, cook at one set point each.'],
      stepped: ['Stepped', 'Warmer step by step; gentle on the fat.'],
      smoke_bath: ['Smoke, then bath', 'Smoked low, finished in water.'],
      smoke_oven: ['Smoke, then oven', 'Smoked low, finished in dry heat.'],
      cold_smoke: ['Cold smoke', 'Colour and flavour only: nothing is cooked.'],
      hot_fast: ['Hot and fast', 'Straight through; the only shape without cure.'],
    },
  },
  end_point: {
    question: 'End point',
    options: {
      high_pull: ['High pull', 'Core about 70 °C (158 °F); poultry 74 °C (165 °F).'],
      low_pull: ['Low pull, time counted', 'Core about 62 °C (144 °F); safe only with its time.'],
    },
  },
  bath_time: {
    question: 'Bath time',
    options: {
      per_mm: ['Minutes per millimetre', 'A rule of thumb: serves thin links, fails thick ones.'],
      probe: ['Probe in the core', 'Until the core says so.'],
    },
  },
  chill: {
    question: 'Chill',
    options: {
      ice_bath: ['Ice bath', 'Fastest; 2 to 30 min by diameter, then the cooler.'],
      shower: ['Cold shower', 'Gentler on the casing, then the cooler.'],
      cold_air: ['Cold air', 'Slow: watch the cooling rule with thick pieces.'],
    },
  },
  bloom: {
    question: 'Bloom',
    options: {
      room: ['Room, 1 to 2 h', 'Colour deepens, casing dries.'],
      cooler: ['Cooler overnight', 'Same, cold.'],
      none: ['None', 'Packed as soon as it is cold and dry.'],
    },
  },
  fermentation: {
    question: 'Fermentation',
    options: {
      none: ['None', 'Not soured.'],
      hot_fast: ['Hot and fast', '36 °C (97 °F), 18 h, tangy: pH 4.8.'],
      cool_slow: ['Cool and slow', '22 °C (72 °F), 60 h, mild: pH 5.1.'],
    },
  },
  order: {
    question: 'Order',
    options: {
      ferment_smoke_dry: ['Ferment, smoke, dry', 'Not cooked.'],
      ferment_dry_smoke_cook: ['Ferment, dry, smoke, cook', 'Dried before the cook.'],
      ferment_smoke_cook_dry: ['Ferment, smoke, cook, dry', 'Dried after the cook.'],
    },
  },
};
