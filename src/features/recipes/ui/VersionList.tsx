import { Link } from '@/ui/link';
import type { Show } from '@/words/show';
import type { Decision, Version } from '../repository';
import { Differences } from './Differences';
import { StatusWord } from './StatusWord';

type Props = {
  versions: Version[];
  decisions: Decision[];
  shown: Version;
  against: Version | undefined;
  show: Show;
};

/** Every version with its author, date, reason and standing, and what differs between any two. */
export function VersionList({ versions, decisions, shown, against, show }: Props) {
  const at = `/recipes/${shown.recipeId}?version=${shown.number}`;
  return (
    <section className="sheet" aria-label="Versions">
      <h2 className="mb-1 text-lg font-semibold">Versions</h2>
      <ul>
        {versions.map((x) => (
          <li key={x.id} className="border-t border-line py-2">
            <div className="flex flex-wrap items-center gap-2">
              <Link
                href={`/recipes/${x.recipeId}?version=${x.number}`}
                aria-current={x === shown ? 'page' : undefined}
                className="text-accent underline"
              >
                Version {x.number}
              </Link>
              <StatusWord status={x.status} />
              {x !== shown && (
                <Link href={`${at}&against=${x.number}`} className="ml-auto text-accent underline">
                  Compare with {shown.number}
                </Link>
              )}
            </div>
            <p>
              {x.createdByName}, {show.date(x.createdAt.getTime() / 1000)}: {x.reason}
            </p>
            {decisions
              .filter((d) => d.versionId === x.id)
              .map((d, i) => (
                <p key={i} className="small">
                  {d.status} by {d.decidedByName}, {show.date(d.decidedAt.getTime() / 1000)}:{' '}
                  {d.reason}
                </p>
              ))}
          </li>
        ))}
      </ul>
      {against && against !== shown && (
        <div className="mt-3">
          <h3 className="font-semibold">
            From version {against.number} to version {shown.number}
          </h3>
          <Differences from={against.content} to={shown.content} show={show} />
        </div>
      )}
    </section>
  );
}
