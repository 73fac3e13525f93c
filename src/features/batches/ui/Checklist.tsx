import type { Verdict } from '@/core';
import type { Show } from '@/words/show';
import { StatusChip } from '@/ui/status';
import { checkWords } from '@/words/verdict';
import { CHECK_WORDS } from '@/words/batch';

/** Every check with its status, its numbers, its rule and the rule's source. */
export function Checklist({
  verdict,
  show,
  allowed,
}: {
  verdict: Verdict;
  show: Show;
  allowed: ReadonlySet<string>;
}) {
  return (
    <ul className="sheet">
      {verdict.checks.map((k) => (
        <li
          key={k.code}
          className="grid gap-x-4 gap-y-1 border-t border-line py-3 first:border-t-0 sm:grid-cols-[7rem_1fr]"
        >
          <div>
            <StatusChip status={k.status} />
          </div>
          <div>
            <h3 className="font-semibold">{CHECK_WORDS[k.code]}</h3>
            <p>{checkWords(k, show)}</p>
            {k.status === 'fail' && allowed.has(k.code) && (
              <p className="font-semibold">Released on an authority’s written decision.</p>
            )}
            <details>
              <summary className="min-h-12 cursor-pointer py-3 small">
                Rule: {k.rule.title}, version {k.rule.version}
              </summary>
              <p className="small">{k.rule.source}</p>
            </details>
          </div>
        </li>
      ))}
    </ul>
  );
}
