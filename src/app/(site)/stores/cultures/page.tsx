import { cardCourse, wakingOf, type CultureCard } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import { knownCulture, listCultures, paceOf, seenOf, type Seen } from '@/features/ripening/service';
import { siteDay } from '@/features/settings/service';
import { showOfRequest } from '@/features/settings/show';
import { openLots, type Lot } from '@/features/stores/service';
import { CultureForm } from '@/features/stores/ui/CultureForm';
import { untilWords } from '@/features/stores/ui/LotTable';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';
import { Link } from '@/ui/link';
import { STORAGE_WORDS, TEMPO_WORDS, paceWords } from '@/words/ripening';
import type { Show } from '@/words/show';
import { saveCultureAction } from '../actions';

function LabelFacts({ card, show }: { card: CultureCard; show: Show }) {
  const course = cardCourse(card);
  const said = card.minC !== undefined || card.bestC !== undefined || card.maxC !== undefined;
  return (
    <dl className="grid gap-x-4 gap-y-1 sm:grid-cols-2">
      <div className="sm:col-span-2">
        <dt className="text-soft">Organisms</dt>
        <dd>{card.organisms || 'the label names none'}</dd>
      </div>
      <div>
        <dt className="text-soft">It is</dt>
        <dd>{TEMPO_WORDS[card.tempo]}</dd>
      </div>
      <div>
        <dt className="text-soft">Works</dt>
        <dd>
          {show.temp(course.minC)} to {show.temp(course.maxC)}, best at {show.temp(course.bestC)}
          {said ? '' : ': usual of its kind, the label names no range'}
        </dd>
      </div>
      <div>
        <dt className="text-soft">Dose</dt>
        <dd>
          {card.doseGPerKg === undefined
            ? 'as on its packet'
            : `${show.number(card.doseGPerKg, 2)} g per kg of meat`}
        </dd>
      </div>
      <div>
        <dt className="text-soft">Kept</dt>
        <dd>{STORAGE_WORDS[card.storage]}</dd>
      </div>
    </dl>
  );
}

function SeenList({ seen, pace, show }: { seen: Seen[]; pace: number; show: Show }) {
  if (seen.length === 0)
    return (
      <p className="text-soft">
        The site has seen no ferment of it yet: forecasts begin from its label, with a wide band.
      </p>
    );
  return (
    <>
      <p>{paceWords(pace, seen.length)}</p>
      <ul className="mt-1">
        {seen.slice(0, 5).map((s) => (
          <li key={s.batch} className="border-t border-line py-1">
            {s.batch}, {show.day(s.fromS)}: pH {show.number(s.toPh, 2)} after{' '}
            {show.duration(s.tookS)} at {show.temp(s.airC)}
          </li>
        ))}
      </ul>
    </>
  );
}

function Lots({ lots, today }: { lots: Lot[]; today: string }) {
  if (lots.length === 0) return <p className="text-soft">None is here.</p>;
  return (
    <ul>
      {lots.map((l) => {
        const useBy = untilWords(l.useBy, today);
        return (
          <li key={l.id}>
            Lot {l.code}
            <span className={useBy.bad ? 'font-semibold text-bad' : ''}>, {useBy.text}</span>
          </li>
        );
      })}
    </ul>
  );
}

/** Starter cultures: what the label says, what is here, and what the site has seen of each. */
export default async function CulturesPage() {
  const person = await requirePage();
  const show = await showOfRequest();
  const [cultures, lots, today] = await Promise.all([
    listCultures(db()),
    openLots(db()),
    siteDay(db(), nowS()),
  ]);
  const writes = may(person.role, 'write_recipes');
  const cards = await Promise.all(
    cultures.map(async (c) => {
      const known = c.card && (await knownCulture(db(), { ...c, card: c.card }));
      const seen = known ? await seenOf(db(), c.ingredientId, known.usual) : [];
      return { ...c, seen, pace: known ? paceOf(known) : 1 };
    }),
  );
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-3">
        <h1 className="text-2xl font-extrabold">Cultures</h1>
        <Link href="/stores" className="text-accent underline">
          All stores
        </Link>
      </div>
      {cards.length === 0 && (
        <p className="sheet">
          No culture is in the stores. A formulator adds one as an ingredient of the kind “culture”.
        </p>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-2">
        {cards.map((c) => (
          <section key={c.ingredientId} className="sheet space-y-3" aria-label={c.name}>
            <h2 className="text-lg font-semibold">{c.name}</h2>
            {c.card ? (
              <LabelFacts card={c.card} show={show} />
            ) : (
              <p className="text-soft">
                Its label is not copied yet: forecasts go by the chamber that a recipe gives it.
              </p>
            )}
            <div>
              <h3 className="font-semibold">Here now</h3>
              <Lots lots={lots.filter((l) => l.ingredientId === c.ingredientId)} today={today} />
            </div>
            {c.card && (
              <div>
                <h3 className="font-semibold">Seen here</h3>
                <SeenList seen={c.seen} pace={c.pace} show={show} />
              </div>
            )}
            <p className="small">
              Wake it in water without chlorine at {show.temp(20)} to {show.temp(25)} for{' '}
              {show.duration(wakingOf(c.card ?? undefined).readyS)} at least, and use it within{' '}
              {show.duration(wakingOf(c.card ?? undefined).staleS)}
              {c.card?.wakeS === undefined && c.card?.useWithinS === undefined
                ? ' (usual: its label names no times)'
                : ''}
              ; its clock starts on the page of its batch.
            </p>
            {writes && (
              <details className="border-t border-line pt-2">
                <summary className="min-h-12 cursor-pointer py-3 font-semibold">
                  {c.card ? 'Change the card' : 'Copy its label'}
                </summary>
                <CultureForm
                  key={show.settings.system}
                  ingredientId={c.ingredientId}
                  card={c.card}
                  save={saveCultureAction}
                />
              </details>
            )}
          </section>
        ))}
      </div>
    </>
  );
}
