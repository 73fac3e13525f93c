import { USUAL_MACHINE, routeOf, type EntryBody, type Machine, type ReminderCode } from '@/core';
import { testRecipe } from '@/core/testing/recipe';
import { BIND_WORDS, REMINDER_WORDS, reminderWords } from './bench';
import { entryWords } from './entry';
import { learnedWords, machineWords } from './machine';
import { partName, rowTask } from './making';
import { Show } from './show';

const metric = new Show({ system: 'metric', locale: 'en-GB', timeZone: 'UTC' });
const us = new Show({ system: 'us', locale: 'en-US', timeZone: 'UTC' });
const recipe = testRecipe();
const grind = routeOf(recipe).find((s) => s.kind === 'grind')!;

test.each<[EntryBody, string]>([
  [{ kind: 'loads_set', loads: 1 }, 'Made in one load'],
  [{ kind: 'loads_set', loads: 3, machine: 'Paddle tub' }, 'Made in 3 equal loads, Paddle tub'],
  [
    { kind: 'addition_ticked', lineId: 'water', portion: 2, load: 1, batterC: 3 },
    'Ice water in, portion 2, load 1, batter 3 °C',
  ],
  [
    { kind: 'addition_ticked', lineId: 'cure', how: 'dissolved' },
    'Cure #1 in, dissolved in the recipe’s water',
  ],
  [{ kind: 'batter_measured', stepId: grind.id, pass: 1, tempC: 4.5 }, 'Grind: 4.5 °C, pass 2'],
  [
    { kind: 'bowl_weighed', load: 2, grossG: 12_000, tareG: 2_000, scaleResolutionG: 10 },
    'Bowl weighed, load 2: 10 kg of batter (12 kg less 2 kg)',
  ],
  [
    {
      kind: 'trial_cooked',
      beforeG: 25,
      afterG: 23,
      salt: 2,
      heat: 4,
      bind: 'crumbly',
      text: 'pale',
    },
    'Trial cook: 25.0 g to 23.0 g, crumbly; salt too little, heat too much. pale',
  ],
  [{ kind: 'culture_started', lineId: 'pepper', waterC: 22 }, 'Black pepper into its water, 22 °C'],
  [
    { kind: 'fresh_part_made', lineId: 'pepper', way: 'roasted', cookC: 80, cooledC: 3 },
    'Black pepper roasted to 80 °C, cooled to 3 °C',
  ],
  [{ kind: 'reminder_answered', key: 'turn:5', text: 'done' }, 'Turn the mass once: done'],
  [
    { kind: 'reminder_answered', key: 'bowl:1:5', text: 'spilled' },
    'The bowl is not what went into it: spilled',
  ],
  [
    {
      kind: 'step_ticked',
      stepId: grind.id,
      pass: 1,
      load: 2,
      beforeC: 1,
      tempC: 3,
      machine: 'Old grinder',
      forS: 240,
      roomC: 18,
    },
    'Grind, pass 2, load 2 done, from 1 °C to 3 °C, Old grinder, 4 min, room 18 °C',
  ],
  [
    { kind: 'step_ticked', stepId: grind.id, skipped: 'bought ground' },
    'Grind skipped. Reason: bought ground',
  ],
])('%j', (body, words) => expect(entryWords(body, recipe, metric)).toBe(words));

test('every reminder says what happens, in either system', () => {
  const figures = { gapG: -2100, targetC: -1, maxS: 7200, lossFraction: 0.16 };
  for (const code of Object.keys(REMINDER_WORDS) as ReminderCode[])
    for (const show of [metric, us])
      expect(reminderWords(code, figures, show)).toMatch(/^[A-Z0-9].*\.$/);
  expect(reminderWords('bowl_gap', figures, metric)).toContain('2.1 kg lighter');
  expect(reminderWords('bowl_gap', { gapG: 500 }, metric)).toContain('0.5 kg heavier');
  expect(reminderWords('chill_over', figures, us)).toContain('30.2 °F');
  expect(Object.values(BIND_WORDS)).toHaveLength(3);
});

test('machines in a line, with what they have shown', () => {
  const m: Machine = {
    id: 'm',
    name: 'Tub',
    kind: 'mixer',
    capacityG: 25_000,
    deadG: 300,
    platesMm: [],
    hornsMm: [18, 24],
    note: 'slow',
  };
  expect(machineWords(m, metric)).toBe(
    'mixer; holds 25 kg; 0.3 kg stays in it; horns 18 mm, 24 mm; slow',
  );
  expect(machineWords({ ...m, capacityG: null, deadG: null, hornsMm: [], note: '' }, us)).toBe(
    'mixer',
  );
  expect(learnedWords(USUAL_MACHINE, metric)).toBe('nothing learned yet');
  expect(learnedWords({ ...USUAL_MACHINE, passes: 4, timed: 2, minPerKg: 0.25 }, metric)).toMatch(
    /^a pass warms by about 2\.\d °C, from 4 passes, 0.25 min\/kg from 2 timed$/,
  );
});

test('rows and portions by name', () => {
  const row = { step: grind, phase: null, pass: 1, passes: 2, plateMm: 4.5 };
  expect(rowTask(row)).toBe('Grind, 4.5 mm plate, pass 2 of 2');
  expect(rowTask({ ...row, passes: 1, pass: 0, plateMm: null })).toBe('Grind');
  expect(rowTask({ ...row, phase: 'last' })).toMatch(/^Chop to the end/);
  const part = (of: number) => partName({ lineId: 'w', name: 'Ice', amountG: 1, portion: [1, of] });
  expect([part(2), part(3), part(7)]).toEqual([
    'half of the Ice',
    'a third of the Ice',
    'one of 7 portions of the Ice',
  ]);
});
