'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Options, Select } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { problemWords } from '@/words/problems';
import { makeLinkAction, revokeLinkAction } from '../actions';
import type { CalendarLink } from '../links';

type Props = {
  links: CalendarLink[];
  people: { id: string; name: string }[];
  me: string;
  canWork: boolean;
};

/** Links that a calendar subscribes to: one for the site, one for a person. Each can be taken back. */
export function CalendarLinks({ links, people, me, canWork }: Props) {
  const show = useShow();
  const router = useRouter();
  const [who, setWho] = useState(canWork ? '' : me);
  const [made, setMade] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const nameOf = (id: string | null) =>
    id === null ? 'The whole site' : (people.find((p) => p.id === id)?.name ?? 'Somebody');
  const make = async () => {
    const answer = await makeLinkAction({ personId: who || null }).catch(() => null);
    setProblem(answer?.ok ? null : problemWords(answer?.code ?? 'no_link'));
    if (answer?.ok) setMade(`${window.location.origin}/api/v1/plan/calendar/${answer.data.token}`);
    router.refresh();
  };
  const revoke = async (id: string) => {
    const answer = await revokeLinkAction({ id }).catch(() => null);
    setProblem(answer?.ok ? null : problemWords(answer?.code ?? 'no_link'));
    setMade(null);
    router.refresh();
  };
  return (
    <section aria-label="Calendar" className="sheet no-print mt-4 space-y-2">
      <h2 className="text-lg font-semibold">In your calendar</h2>
      <p className="small">
        Whoever has such a link reads what is planned, without an account, until it is taken back.
      </p>
      <ul>
        {links.map((l) => (
          <li
            key={l.id}
            className="flex items-center justify-between gap-3 border-t border-line py-1"
          >
            <span>
              {nameOf(l.personId)}, made {show.clock(l.madeS)} by {l.by}
            </span>
            {canWork && (
              <button type="button" className="button" onClick={() => void revoke(l.id)}>
                Take it back
              </button>
            )}
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end gap-3">
        <Select label="Of whom" value={who} onChange={(e) => setWho(e.target.value)}>
          <Options
            of={[
              ...(canWork ? [['', 'The whole site'] as const] : []),
              ...people.filter((p) => canWork || p.id === me).map((p) => [p.id, p.name] as const),
            ]}
          />
        </Select>
        <button type="button" className="button" onClick={() => void make()}>
          Make a link
        </button>
      </div>
      {problem && <Notice tone="bad">{problem}</Notice>}
      {made && (
        <Notice tone="good">
          Shown once, subscribe to it now:{' '}
          <code data-testid="calendar-link" className="break-all">
            {made}
          </code>
        </Notice>
      )}
    </section>
  );
}
