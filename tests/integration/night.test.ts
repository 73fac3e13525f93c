import { randomUUID } from 'node:crypto';
import { DateTime } from 'luxon';
import type { EntryBody, Recipe } from '@/core';
import { driedRecipe } from '@/core/testing/outcomes';
import { postEntry, startBatch } from '@/features/batches/service';
import { memberOf } from '@/features/houses/load';
import { judgeNow } from '@/features/logbook/service';
import { postedBodySchema } from '@/features/logbook/contract';
import { recipeSchema } from '@/features/recipes/contract';
import { saveRecipe } from '@/features/recipes/service';
import { alarmWords } from '@/words/house';
import { Show } from '@/words/show';
import { approve, freshDatabase, type TestDb } from '../support/database';
import { person } from '../support/people';
import { weigh } from '../support/weigh';

jest.mock('@/features/accounts/identify', () => ({}));

const HOUR = 3600;
const ZONE = 'America/Chicago';
const ann = person('ann', 'operator');
const bob = person('bob', 'formulator');
const recipe: Recipe = driedRecipe();
/* The site is attended on working days from six to six: the ferment begins on a Tuesday at seven. */
const TUESDAY = DateTime.now()
  .setZone(ZONE)
  .startOf('week')
  .minus({ weeks: 1 })
  .plus({ days: 1, hours: 7 });
const RUN_S = TUESDAY.toSeconds();
const show = new Show({ system: 'metric', locale: 'en-GB', timeZone: ZONE });

let t: TestDb;
const id = randomUUID();
beforeAll(async () => {
  t = await freshDatabase();
  const content = recipeSchema.parse({ ...recipe, name: 'Night stick' });
  const saved = await saveRecipe(t.db, { basedOn: 0, reason: 'first', content }, 'Bob');
  if (!saved.ok) throw new Error(JSON.stringify(saved));
  await approve(t.db, saved.data.versionId);
  const iso = (s: number) => new Date(s * 1000).toISOString();
  const began = await startBatch(t.db, ann, {
    id,
    recipeVersionId: saved.data.versionId,
    meatG: 30_000,
    readyBy: iso(Date.now() / 1000 + 40 * 24 * HOUR),
    startedAt: iso(RUN_S - 14 * HOUR),
  });
  expect(began).toMatchObject({ ok: true });
});
afterAll(() => t.drop());

/** Says something at so many hours since the ferment began. */
async function say(h: number, body: object, who = ann, entryId: string = randomUUID()) {
  const answer = await postEntry(t.db, who, id, {
    id: entryId,
    happenedAt: new Date((RUN_S + h * HOUR) * 1000).toISOString(),
    body: postedBodySchema.parse(body),
    corrects: null,
    confirmed: true,
    enteredIn: 'metric',
  });
  expect([body, answer]).toEqual([body, expect.objectContaining({ ok: true })]);
}

const checkedS = (h: number) => Math.round(RUN_S + h * HOUR) - 1800;
const ph = (h: number, value: number) =>
  say(h, { kind: 'ph_logged', ph: value, meterCheckedS: checkedS(h) });
const air = (h: number, tempC: number) =>
  say(h, { kind: 'reading_logged', what: 'air', tempC, thickest: false } satisfies EntryBody);

/** What is told of the ferment when the clock stands so many hours after its beginning. */
async function told(h: number) {
  const atS = RUN_S + h * HOUR;
  const dossier = (await judgeNow(t.db, id, atS))!;
  const { alarms } = await memberOf(t.db, dossier, atS);
  return alarms.filter((a) => a.code.startsWith('ph_'));
}

test('a pH that comes in the night is told in the afternoon, with a chamber that lets it wait; past it, at once', async () => {
  for (const m of recipe.meat) await say(-13.9, weigh(m.id, m.share * 30_000));
  const cure = randomUUID();
  await say(-13.8, weigh('cure', 60), ann, cure);
  await say(-13.7, { kind: 'cure_checked', weighedId: cure, readingG: 60 }, bob);
  await say(-13.6, { kind: 'cure_hold_started', coolerC: 2 });
  await say(-2, { kind: 'cure_hold_ended', coolerC: 2 });
  await say(-1, { kind: 'step_done', step: 'stuff', weightG: 31_000, tempC: 4 });
  await say(0, { kind: 'run_started', houseId: 'house' });
  await air(0, 24);
  await ph(0.5, 5.76);
  expect(await told(1)).toEqual([]);

  for (let h = 2; h <= 34; h += 2) await air(h, 24);
  await ph(9, 5.74);
  await ph(24, 5.6);
  await ph(28, 5.48);
  await ph(32, 5.36);
  await ph(34.4, 5.28);
  const [coming, ...others] = await told(34.5);
  expect(others).toEqual([]);
  expect(coming).toMatchObject({ code: 'ph_coming', figures: { ph: 5.2, alone: 1 } });
  const { atS, coolC, untilS } = coming!.figures as Record<string, number>;
  const clock = (s: number) => DateTime.fromSeconds(s, { zone: ZONE });
  expect([clock(atS!).hour >= 18, clock(atS!).weekday]).toEqual([true, 3]);
  expect(coolC).toBeLessThan(22);
  expect(clock(untilS!).toFormat('ccc HH:mm')).toBe('Thu 06:00');
  expect(alarmWords('ph_coming', coming!.figures, show)).toMatch(
    /^pH 5.2 about Wed .*\d\d:\d\d, when nobody is there. Come, or set the chamber to \d+ °C now: then it waits until Thu .*06:00\.$/,
  );

  for (let h = 35; h <= 47; h += 2) await air(h, coolC!);
  await ph(47.1, 5.22);
  /* In the cold it has waited: it is still to come in the morning. */
  const [waiting] = await told(47.2);
  expect(waiting!.code).toBe('ph_coming');
  expect(waiting!.figures.atS).toBeGreaterThan(untilS!);
  await ph(50, 5.05);
  expect((await told(50.1)).map((a) => a.code)).toEqual(['ph_past']);
});
