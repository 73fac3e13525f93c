import { Link } from '@/ui/link';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { loadOpenStandings } from '@/features/logbook/service';
import { siteDay } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import {
  listIngredients,
  openLots,
  searchLots,
  shortInStores,
  toWeigh,
} from '@/features/stores/service';
import { IngredientForm, LotForm, RemoveIngredient } from '@/features/stores/ui/StoreForms';
import { LotTable } from '@/features/stores/ui/LotTable';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { Notice } from '@/ui/status';
import { removeIngredientAction, saveIngredientAction } from './actions';
import { TextField } from '@/ui/text-field';

/** Stores: which lots are here, how much, until when; what the planned batches are short of. */
export default async function StoresPage({
  searchParams,
}: {
  searchParams: Promise<{ q?: string }>;
}) {
  const person = await requirePage();
  const show = await showOfRequest();
  const now = nowS();
  const { q = '' } = await searchParams;
  const wanted = q.trim().slice(0, 100);
  const [ingredients, lots, today, open] = await Promise.all([
    listIngredients(db()),
    openLots(db()),
    siteDay(db(), now),
    loadOpenStandings(db()),
  ]);
  /* The parts of one batter are weighed once. */
  const batters = open.filter(
    (d, i) => open.findIndex((x) => x.head.batchId === d.head.batchId) === i,
  );
  const planned = batters.flatMap(
    (d) =>
      toWeigh({ code: d.head.code, recipe: d.head.recipe, state: d.case.state, atS: now }) ?? [],
  );
  const found = wanted ? await searchLots(db(), wanted) : lots;
  const short = shortInStores(planned, ingredients, lots, show.settings.timeZone);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-2xl font-extrabold">Stores</h1>
        <Link href="/stores/casings" className="text-accent underline">
          Casings
        </Link>
        <Link href="/stores/cultures" className="text-accent underline">
          Cultures
        </Link>
      </div>
      {short.length > 0 && (
        <div className="mb-4">
          <Notice tone="bad">
            <p>Short for the batches that are planned:</p>
            <ul>
              {short.map((s) => (
                <li key={s.name}>
                  {s.name}: {show.mass(s.needs)} needed, {show.mass(s.has)} here (batch{' '}
                  {s.batches.join(', ')})
                </li>
              ))}
            </ul>
          </Notice>
        </div>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <section className="sheet" aria-label="Lots">
          <h2 className="mb-1 text-lg font-semibold">Lots</h2>
          <form method="get" className="mb-2 flex flex-wrap items-end gap-2" role="search">
            <TextField
              label="Find a lot by number, ingredient, supplier or owner, used up ones too"
              dense
              wrap="grow"
              name="q"
              defaultValue={wanted}
            />
            <button className="button">Find</button>
          </form>
          {wanted && found.length === 0 ? (
            <p className="text-soft">No lot has “{wanted}” in it.</p>
          ) : (
            <LotTable lots={found} today={today} show={show} />
          )}
        </section>
        <div className="space-y-4">
          {may(person.role, 'work_batches') && ingredients.length > 0 && (
            <section className="sheet" aria-label="Receive a lot">
              <h2 className="mb-2 text-lg font-semibold">Receive a lot</h2>
              <LotForm key={show.settings.system} ingredients={ingredients} />
            </section>
          )}
          <section className="sheet" aria-label="Ingredients">
            <h2 className="mb-1 text-lg font-semibold">Ingredients</h2>
            <ul>
              {ingredients.map((i) => (
                <li key={i.id} className="border-t border-line py-1.5">
                  {may(person.role, 'write_recipes') ? (
                    <details>
                      <summary className="min-h-12 cursor-pointer py-3">
                        {i.name} <span className="small">{i.kind}</span>
                      </summary>
                      <div className="space-y-3 py-2">
                        <IngredientForm known={i} save={saveIngredientAction} />
                        <RemoveIngredient id={i.id} name={i.name} remove={removeIngredientAction} />
                      </div>
                    </details>
                  ) : (
                    <>
                      {i.name} <span className="small">{i.kind}</span>
                    </>
                  )}
                </li>
              ))}
            </ul>
            {ingredients.length === 0 && (
              <p className="text-soft">
                No ingredient yet. A formulator adds them; recipes pick them by name.
              </p>
            )}
            {may(person.role, 'write_recipes') && (
              <details className="mt-2 border-t border-line pt-2">
                <summary className="min-h-12 cursor-pointer py-3 font-semibold">
                  Add an ingredient
                </summary>
                <IngredientForm save={saveIngredientAction} />
              </details>
            )}
          </section>
          <p className="small">
            Fat figures of meat lots feed the blend in the{' '}
            <Link href="/recipes">recipe editor</Link>.
          </p>
        </div>
      </div>
    </>
  );
}
