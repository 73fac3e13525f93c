import { CircleCheck, CircleDashed, OctagonAlert } from 'lucide-react';
import type { ReactNode } from 'react';
import type { CheckStatus } from '@/core';
import { KEPT_WORDS } from '@/words/problems';

const LOOK: Record<CheckStatus, { word: string; className: string; Icon: typeof CircleCheck }> = {
  pass: { word: 'Pass', className: 'bg-good-wash text-good', Icon: CircleCheck },
  fail: { word: 'Fail', className: 'bg-bad-wash text-bad', Icon: OctagonAlert },
  missing: { word: 'Missing', className: 'bg-wait-wash text-wait', Icon: CircleDashed },
};

/** A status in word, sign and colour; never by colour alone. */
export function StatusChip({ status, children }: { status: CheckStatus; children?: ReactNode }) {
  const { word, className, Icon } = LOOK[status];
  return (
    <span
      className={`inline-flex items-center gap-1 rounded-full px-2.5 py-1 text-sm font-semibold ${className}`}
    >
      <Icon size={16} aria-hidden="true" /> {children ?? word}
    </span>
  );
}

export function Notice({ tone, children }: { tone: 'bad' | 'wait' | 'good'; children: ReactNode }) {
  const className = {
    bad: 'bg-bad-wash text-bad',
    wait: 'bg-wait-wash text-wait',
    good: 'bg-good-wash text-good',
  }[tone];
  return (
    <div
      role={tone === 'bad' ? 'alert' : 'status'}
      className={`rounded-md px-3 py-2 font-semibold ${className}`}
    >
      {children}
    </div>
  );
}

/** What came of a press, where it is not simply done: a refusal, or that it is kept here, which is no trouble. */
export const Said = ({ text }: { text?: string | null }) =>
  text && <Notice tone={text === KEPT_WORDS ? 'wait' : 'bad'}>{text}</Notice>;
