import type { Verdict } from '@/core';
import type { Show } from '@/words/show';
import { Notice } from '@/ui/status';
import { checkWords } from '@/words/verdict';
import { CHECK_WORDS } from '@/words/batch';

/** Failed checks that a decision let the work go on with: they stay red wherever the batch stands. */
export function FailedChecks({ verdict, show }: { verdict: Verdict; show: Show }) {
  const failed = verdict.checks.filter(
    (k) => k.status === 'fail' && verdict.decided.includes(k.code),
  );
  return failed.map((k) => (
    <Notice key={k.code} tone="bad">
      Failed, decided on: {CHECK_WORDS[k.code]}. {checkWords(k, show)}
    </Notice>
  ));
}
