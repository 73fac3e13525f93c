import fc from 'fast-check';
import { USUAL_WAKING, cardCourse, courseKey, wakingOf, type CultureCard } from './culture-card';
import { CULTURE_TEMPOS } from './culture';
import { USUAL_CULTURES } from './tables/cultures';

test.each(CULTURE_TEMPOS)('a card that says no more than "%s" has the usual course', (tempo) => {
  expect(cardCourse({ tempo })).toEqual(USUAL_CULTURES[tempo]);
});

test('temperatures of the label take the place of the usual ones, the rest stays', () => {
  const course = cardCourse({ tempo: 'medium', minC: 10, bestC: 30, maxC: 40 });
  expect(course).toEqual({ ...USUAL_CULTURES.medium, minC: 10, bestC: 30, maxC: 40 });
});

test.each<[Omit<CultureCard, 'organisms' | 'storage'>, string]>([
  [{ tempo: 'fast', minC: 30, bestC: 20 }, 'bestC'],
  [{ tempo: 'fast', minC: 30, bestC: 50, maxC: 40 }, 'bestC'],
  [{ tempo: 'fast', maxC: 90 }, 'maxC'],
])('%o is refused, by the name of the figure', (card, name) => {
  expect(() => cardCourse(card)).toThrow(name);
});

test('property: half a range makes a course, with what the label says in it', () => {
  const half = fc.oneof(
    fc.record({ minC: fc.integer({ min: -4, max: 39 }) }),
    fc.record({ bestC: fc.integer({ min: 12, max: 50 }) }),
    fc.record({ maxC: fc.integer({ min: 12, max: 60 }) }),
  );
  fc.assert(
    fc.property(half, fc.constantFrom(...CULTURE_TEMPOS), (said, tempo) => {
      const course = cardCourse({ tempo, ...said });
      expect(course).toMatchObject(said);
      expect(course.minC).toBeLessThan(course.bestC);
      expect(course.bestC).toBeLessThan(course.maxC);
    }),
    { seed: 3 },
  );
});

test('what was learned of another label or tempo is known as such', () => {
  const keys = CULTURE_TEMPOS.map((tempo) => courseKey(cardCourse({ tempo })));
  const other = courseKey(cardCourse({ tempo: 'fast', bestC: 37 }));
  expect(new Set([...keys, other]).size).toBe(4);
});

test.each<[string, Parameters<typeof wakingOf>[0], object]>([
  ['no card', undefined, USUAL_WAKING],
  ['a label without times', {}, USUAL_WAKING],
  ['a longer rest', { wakeS: 1800 }, { readyS: 1800, staleS: 7200 }],
  ['used sooner', { useWithinS: 3600 }, { readyS: 900, staleS: 3600 }],
  ['used before the usual rest is over', { useWithinS: 600 }, { readyS: 600, staleS: 600 }],
])('the clock of a culture in its water: %s', (_what, card, expected) => {
  expect(wakingOf(card)).toEqual(expected);
});
