'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Notice } from '@/ui/status';
import { decideVersionAction } from '../actions';
import type { VersionStatus } from '../repository';
import { TextField } from '@/ui/text-field';

const PROBLEMS: Record<string, string> = {
  blocked: 'A figure is outside a rule that blocks approval: see the figures.',
  already_so: 'Somebody decided this already.',
  not_approved_yet: 'Only an approved version can be retired.',
  not_allowed: 'Your role does not allow this.',
  signed_out: 'Your session has ended. Sign in again.',
};

type Props = { versionId: string; status: VersionStatus; blocked: boolean };

/** Approves a version, so that batches can start from it, or retires it. Both say why. */
export function DecideVersion({ versionId, status, blocked }: Props) {
  const router = useRouter();
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const to = status === 'approved' ? 'retired' : 'approved';
  const decide = async () => {
    setBusy(true);
    const answer = await decideVersionAction({ versionId, status: to, reason }).catch(() => null);
    setBusy(false);
    if (!answer) return setProblem('No link to the server. Nothing is lost: try again.');
    if (!answer.ok)
      return setProblem(
        Object.values(answer.fields ?? {})[0] ?? PROBLEMS[answer.code] ?? answer.code,
      );
    setProblem(null);
    setReason('');
    router.refresh();
  };
  const form = (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void decide();
      }}
    >
      <TextField
        label={to === 'approved' ? 'Why it is approved' : 'Why it is retired'}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      {problem && <Notice tone="bad">{problem}</Notice>}
      {blocked && to === 'approved' && (
        <Notice tone="wait">It cannot be approved while a figure blocks it.</Notice>
      )}
      <button
        className={to === 'approved' ? 'button-main' : 'button-bad'}
        disabled={busy || (blocked && to === 'approved')}
      >
        {to === 'approved' ? 'Approve this version' : 'Retire this version'}
      </button>
    </form>
  );
  if (to === 'approved') return form;
  return (
    <details>
      <summary className="min-h-12 cursor-pointer py-3 text-soft">Retire it</summary>
      {form}
    </details>
  );
}
