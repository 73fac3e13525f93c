import { CircleAlert, CircleCheck, OctagonAlert } from 'lucide-react';
import type { Finding, FindingLevel } from '@/core';
import type { Show } from '@/words/show';
import {
  FINDING_ADVICE,
  FINDING_WORDS,
  LEVEL_WORDS,
  findingLimits,
  findingValue,
} from '@/words/recipe';

const LOOK: Record<FindingLevel, { className: string; Icon: typeof CircleCheck }> = {
  fine: { className: 'text-good', Icon: CircleCheck },
  advisory: { className: 'text-wait', Icon: CircleAlert },
  blocking: { className: 'text-bad', Icon: OctagonAlert },
};
const RANK: Record<FindingLevel, number> = { blocking: 0, advisory: 1, fine: 2 };

/** Every figure held against a rule: what blocks first, each with its limits and source. */
export function FindingList({ findings, show }: { findings: readonly Finding[]; show: Show }) {
  return (
    <ul>
      {[...findings]
        .sort((a, b) => RANK[a.level] - RANK[b.level])
        .map((f) => {
          const { className, Icon } = LOOK[f.level];
          return (
            <li key={f.code} className="border-t border-line py-1.5">
              <details>
                <summary className="flex min-h-9 cursor-pointer flex-wrap items-center gap-x-2">
                  <Icon size={18} className={className} aria-hidden="true" />
                  <span>{FINDING_WORDS[f.code]}</span>
                  <strong className="ml-auto">{findingValue(f, f.value, show)}</strong>
                  <span className={`text-sm font-semibold ${className}`}>
                    {LEVEL_WORDS[f.level]}
                  </span>
                </summary>
                <p className="small">{findingLimits(f, show)}</p>
                <p className="small">
                  {f.rule
                    ? `${f.rule.title}, version ${f.rule.version}. ${f.rule.source}`
                    : 'Usual practice of the trade.'}
                </p>
              </details>
              {f.level !== 'fine' && FINDING_ADVICE[f.code] && (
                <p className="small">{FINDING_ADVICE[f.code]}</p>
              )}
            </li>
          );
        })}
    </ul>
  );
}
