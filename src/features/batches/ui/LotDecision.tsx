'use client';

import { useState } from 'react';
import type { LotProblem } from '@/core';
import { Notice } from '@/ui/status';
import { useBatch, usePost } from '@/features/logbook/ui';
import { LOT_PROBLEM_WORDS } from '@/words/batch';
import { TextField } from '@/ui/text-field';

type Props = {
  lineId: string;
  lotId: string | null;
  problems: LotProblem[];
  nitriteFraction: number | undefined;
  onDecided: () => void;
};

/** Says what speaks against a lot; a release lead may record the decision to use it all the same. */
export function LotDecision({ lineId, lotId, problems, nitriteFraction, onDecided }: Props) {
  const { canDecide } = useBatch();
  const { send, busy, message } = usePost();
  const [reason, setReason] = useState('');
  const decide = async () => {
    const body = { kind: 'lot_allowed', lineId, lotId, problems, nitriteFraction, reason } as const;
    if ((await send(body)).ok) onDecided();
  };
  const words = problems.map((p) => LOT_PROBLEM_WORDS[p]).join(', ');
  return (
    <Notice tone="bad">
      <p>
        This is {words}.{' '}
        {canDecide ? 'Decide here, or take another.' : 'Take another, or ask a release lead.'}
      </p>
      {canDecide && (
        <div className="mt-2 space-y-2">
          <TextField
            label="Why it may be used all the same"
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
          {message && <p>{message}</p>}
          <button
            type="button"
            className="button-bad"
            disabled={busy || reason.trim().length < 3}
            onClick={() => void decide()}
          >
            Record the decision
          </button>
        </div>
      )}
    </Notice>
  );
}
