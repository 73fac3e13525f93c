'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Notice } from '@/ui/status';
import { signBatchAction } from '../actions';
import { problemWords } from '@/words/problems';
import { TextField } from '@/ui/text-field';

/** The release lead signs with the password given again. */
export function SignForm({ batchId, statement }: { batchId: string; statement: string }) {
  const router = useRouter();
  const [password, setPassword] = useState('');
  const [entryId] = useState(() => crypto.randomUUID());
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const sign = async () => {
    setBusy(true);
    const answer = await signBatchAction({ batchId, entryId, password }).catch(() => ({
      ok: false as const,
      code: 'no_link',
    }));
    setBusy(false);
    if (answer.ok) return router.refresh();
    setPassword('');
    setProblem(
      answer.code === 'no_link'
        ? 'No link to the server. Nothing was signed: try again.'
        : problemWords(answer.code),
    );
  };
  return (
    <form
      className="sheet max-w-lg space-y-3"
      aria-label="Sign the release"
      onSubmit={(e) => {
        e.preventDefault();
        void sign();
      }}
    >
      <h2 className="text-lg font-semibold">Sign the release</h2>
      <p>{statement}</p>
      <TextField
        label="Your password again"
        type="password"
        autoComplete="current-password"
        value={password}
        onChange={(e) => setPassword(e.target.value)}
      />
      {problem && <Notice tone="bad">{problem}</Notice>}
      <button className="button-main w-full text-lg" disabled={busy || password === ''}>
        Sign and release
      </button>
    </form>
  );
}
