'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Lever } from '@/core';
import { Options, Select, SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { TimeField } from '@/ui/time-field';
import { leverWords } from '@/words/plan';
import { problemWords } from '@/words/problems';
import { saveCopyAction } from '../actions';
import type { Board } from '../board';
import { instantS } from '@/ui/local-time';
import { useNames } from './use-names';

const KINDS = [
  ['closed', 'A place is shut'],
  ['overtime', 'Somebody is there besides'],
  ['early', 'A batch may begin at once'],
  ['split', 'A batch in two halves'],
  ['without', 'A batch is not made'],
] as const;
type Kind = (typeof KINDS)[number][0];

type Props = { board: Board; copy: Board['copies'][number] | null };

/** Something to be tried: it makes a copy of the plan, or one thing more in the copy that is open. */
export function LeverForm({ board, copy }: Props) {
  const show = useShow();
  const names = useNames(board);
  const router = useRouter();
  const [kind, setKind] = useState<Kind>('closed');
  const [what, setWhat] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const wished = board.batches.filter((b) => b.code === null);
  const choices =
    kind === 'closed'
      ? board.rows.map((r) => [r.id, r.name] as const)
      : kind === 'overtime'
        ? board.people.map((p) => [p.id, p.name] as const)
        : wished.map((b) => [b.id, names.batch(b.id)] as const);
  const timed = kind === 'closed' || kind === 'overtime';
  const chosen = choices.some(([id]) => id === what) ? what : (choices[0]?.[0] ?? '');

  const leverOf = (): Lever | string => {
    if (chosen === '') return 'There is nothing of that to choose.';
    if (!timed) return { kind, batch: chosen } as Lever;
    const [startS, endS] = [from, to].map((t) => instantS(t, show.settings.timeZone));
    if (startS == null || endS == null) return 'Give the time it begins and the time it ends.';
    if (endS <= startS) return 'It ends before it begins.';
    return kind === 'closed'
      ? { kind, placeId: chosen, startS, endS }
      : { kind: 'overtime', personId: chosen, startS, endS };
  };
  const save = async () => {
    const lever = leverOf();
    if (typeof lever === 'string') return setProblem(lever);
    const id = copy?.id ?? crypto.randomUUID();
    const name = copy?.name ?? leverWords(lever, names, show).slice(0, 60);
    const levers = [...(copy?.levers ?? []), lever];
    const answer = await saveCopyAction({ id, name, levers }).catch(() => null);
    if (!answer?.ok) return setProblem(problemWords(answer?.code ?? 'no_link', answer?.fields));
    setProblem(null);
    router.push(`/plan?copy=${id}`);
    router.refresh();
  };
  return (
    <details className="grow">
      <summary className="inline-flex min-h-12 cursor-pointer items-center py-3 text-soft">
        {copy ? 'Try something more' : 'What if …'}
      </summary>
      <div className="sheet grid items-end gap-3 sm:grid-cols-2 lg:grid-cols-4">
        <SelectField label="Try" value={kind} onChange={setKind} options={KINDS} />
        <Select label="Which" value={chosen} onChange={(e) => setWhat(e.target.value)}>
          <Options of={choices} />
        </Select>
        {timed && (
          <>
            <TimeField label="From" value={from} onChange={setFrom} />
            <TimeField label="To" value={to} onChange={setTo} />
          </>
        )}
        {problem && (
          <div className="sm:col-span-full">
            <Notice tone="bad">{problem}</Notice>
          </div>
        )}
        <button type="button" className="button" onClick={() => void save()}>
          {copy ? 'Add it to the copy' : 'Try it in a copy'}
        </button>
      </div>
    </details>
  );
}
