import type { BatchState, Verdict } from '@/core';
import type { Show } from '@/words/show';
import { checkWords } from '@/words/verdict';
import { CHECK_WORDS } from '@/words/batch';

/** Why a batch is on hold: a person's words, what the failed check says, or that it says so no more and waits. */
export function HoldReason({
  hold,
  verdict,
  show,
}: {
  hold: BatchState['holds'][number];
  verdict: Verdict;
  show: Show;
}) {
  const check = verdict.checks.find((k) => k.code === hold.check);
  if (!check) return <>{hold.reason}</>;
  if (check.status !== 'fail')
    return (
      <>
        {CHECK_WORDS[check.code]}: corrected; waits for the release lead’s decision. Now:{' '}
        {checkWords(check, show)}
      </>
    );
  return (
    <>
      {CHECK_WORDS[check.code]}. {checkWords(check, show)}
    </>
  );
}
