import type { Metered, Rule, ShelfView, UseBy } from '@/core';
import { shelfWords, useByWords } from '@/words/ripening';
import type { Show } from '@/words/show';

function metered(m: Metered | null, show: Show): string {
  if (!m) return 'not measured';
  return `${show.number(m.value, 2)}${m.credited ? '' : ', by a meter that was not checked: it proves nothing'}`;
}

/** What the batch is at its end: its class by the site's rule, what was measured, what is only estimated. */
export function ShelfCard({
  shelf,
  rule,
  useBy,
  show,
}: {
  shelf: ShelfView;
  useBy: UseBy | null;
  rule: Pick<Rule, 'title' | 'source'> | undefined;
  show: Show;
}) {
  const { first, rest } = shelfWords(shelf, show);
  const rows: [string, string][] = [
    ['Use by', useByWords(useBy, show)],
    ['Water activity', metered(shelf.figures.aw, show)],
    ['pH', metered(shelf.figures.ph, show)],
    [
      'Lost',
      shelf.lossFraction === null
        ? 'no piece was weighed twice'
        : `${show.number(shelf.lossFraction * 100, 1)} %, by the marked piece that lost least`,
    ],
    [
      'Estimated',
      [
        shelf.figures.awEstimate === null
          ? null
          : `water activity ${show.number(shelf.figures.awEstimate, 2)}`,
        shelf.moistureProtein === null
          ? null
          : `${show.number(shelf.moistureProtein, 2)} of water to 1 of protein`,
      ]
        .filter((w) => w !== null)
        .join(', ') || 'nothing: it needs the fat of every meat, and weights',
    ],
  ];
  return (
    <section className="sheet" aria-label="Keeping">
      <h2 className="text-lg font-semibold">As it is now</h2>
      <p>
        <strong className="text-lg">{first}.</strong> <span className="text-soft">{rest}</span>
      </p>
      <dl className="mt-2">
        {rows.map(([name, words]) => (
          <div key={name} className="flex flex-wrap gap-x-3 border-t border-line py-1.5">
            <dt className="text-soft">{name}</dt>
            <dd className="ml-auto text-right">{words}</dd>
          </div>
        ))}
      </dl>
      <p className="small">
        {rule
          ? `${rule.title}. ${rule.source}`
          : 'The strict rule: the batch began before the site had one.'}
      </p>
    </section>
  );
}
