import { CASINGS, CASING_KINDS, countFor } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { siteDay } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { casingLots, ownCasings } from '@/features/stores/service';
import { CasingLotForm, CasingMoves } from '@/features/stores/ui/CasingForms';
import { CasingKindForm } from '@/features/stores/ui/CasingKindForm';
import { untilWords } from '@/features/stores/ui/LotTable';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { Link } from '@/ui/link';
import { CASING_FORM_WORDS, factsWords } from '@/words/casing';
import { CASING_WORDS } from '@/words/recipe';

/** Casings: what is here in strands, sticks and metres, and what each kind does. */
export default async function CasingsPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const [lots, own, today] = await Promise.all([
    casingLots(db()),
    ownCasings(db()),
    siteDay(db(), nowS()),
  ]);
  const writes = may(person.role, 'write_recipes');
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-2xl font-extrabold">Casings</h1>
        <Link href="/stores" className="text-accent underline">
          All stores
        </Link>
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="space-y-4">
          <section className="sheet" aria-label="Lots of casings">
            <h2 className="mb-1 text-lg font-semibold">Here now</h2>
            {lots.length === 0 && (
              <p className="text-soft">No casing is here. Receive the first lot.</p>
            )}
            <ul>
              {lots.map((l) => {
                const useBy = untilWords(l.useBy, today);
                const [one, many] = CASING_FORM_WORDS[l.form];
                const count = countFor(l.leftM, l.form, l.eachM);
                return (
                  <li key={l.id} className="border-t border-line py-2">
                    <div className="flex flex-wrap items-baseline justify-between gap-x-4">
                      <p>
                        <strong className="inline-block first-letter:uppercase">{l.name}</strong>,{' '}
                        {show.quantity('diameter', l.diameterMm)}{' '}
                        <span className="text-soft">lot {l.code}</span>
                      </p>
                      <p>
                        {l.leftM > 0 ? (
                          <>
                            <strong>{show.quantity('length', l.leftM * 1000)}</strong>{' '}
                            <span className="text-soft">
                              {l.form === 'metre'
                                ? show.other('length', l.leftM * 1000)
                                : `in ${count === 1 ? `one ${one}` : `${show.number(count, 0)} ${many}`}`}
                            </span>
                          </>
                        ) : (
                          <strong className="text-soft">used up</strong>
                        )}
                      </p>
                    </div>
                    <p className={useBy.bad ? 'font-semibold text-bad' : 'small'}>
                      {useBy.text} · {l.supplier}
                      {l.openedAt ? ` · opened ${show.day(l.openedAt.getTime() / 1000)}` : ''}
                      {l.resaltedAt
                        ? ` · salted again ${show.day(l.resaltedAt.getTime() / 1000)}`
                        : ''}
                    </p>
                    {may(person.role, 'work_batches') && l.leftM > 0 && (
                      <CasingMoves key={show.settings.system} lot={l} />
                    )}
                  </li>
                );
              })}
            </ul>
          </section>
          <section className="sheet" aria-label="Kinds of casings">
            <h2 className="mb-1 text-lg font-semibold">Kinds</h2>
            <ul>
              {own.map((k) => (
                <li key={k.id} className="border-t border-line py-2">
                  <p>
                    <strong>{k.name}</strong> <span className="small">of this site</span>
                  </p>
                  <p className="small">{factsWords(k.facts, show)}</p>
                  {writes && (
                    <details>
                      <summary className="min-h-12 cursor-pointer py-3 text-soft">
                        Change {k.name}
                      </summary>
                      <CasingKindForm key={show.settings.system} known={k} />
                    </details>
                  )}
                </li>
              ))}
              {CASING_KINDS.map((k) => (
                <li key={k} className="border-t border-line py-2">
                  <p className="font-semibold first-letter:uppercase">{CASING_WORDS[k]}</p>
                  <p className="small">{factsWords(CASINGS[k], show)}</p>
                </li>
              ))}
            </ul>
          </section>
        </div>
        <div className="space-y-4">
          {may(person.role, 'work_batches') && (
            <section className="sheet" aria-label="Receive casings">
              <h2 className="mb-2 text-lg font-semibold">Receive casings</h2>
              <CasingLotForm key={show.settings.system} own={own} />
            </section>
          )}
          {writes && (
            <section className="sheet" aria-label="A casing of our own">
              <details>
                <summary className="min-h-12 cursor-pointer py-3 text-lg font-semibold">
                  Add a casing of our own
                </summary>
                <CasingKindForm key={show.settings.system} />
              </details>
            </section>
          )}
        </div>
      </div>
    </>
  );
}
