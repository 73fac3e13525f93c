'use client';

import { useRouter } from 'next/navigation';
import { useState, type FormEvent } from 'react';
import { Notice } from '@/ui/status';
import { TextField } from '@/ui/text-field';
import { arriveAtDevice } from '@/workers/offline/client';

const WORDS: Record<number, string> = {
  401: 'E-mail and password do not match. Try again, or ask a release lead for a new password.',
  429: 'Too many tries. Wait a minute, then try again.',
  403: 'This account is switched off. Ask a release lead.',
};

export function SignInForm() {
  const router = useRouter();
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setBusy(true);
    const form = new FormData(event.currentTarget);
    const answer = await fetch('/api/auth/sign-in/email', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: form.get('email'), password: form.get('password') }),
    }).catch(() => null);
    if (answer?.ok) {
      await arriveAtDevice();
      router.replace('/');
      router.refresh();
      return;
    }
    setBusy(false);
    setError(
      answer
        ? (WORDS[answer.status] ?? 'Give an e-mail address and a password.')
        : 'No link to the server. Look to the network, then try again.',
    );
  };
  return (
    <form onSubmit={submit} className="space-y-4" method="post">
      {error && <Notice tone="bad">{error}</Notice>}
      <TextField label="E-mail" name="email" type="email" autoComplete="username" required />
      <TextField
        label="Password"
        name="password"
        type="password"
        autoComplete="current-password"
        required
      />
      <button className="button-main w-full" disabled={busy}>
        Sign in
      </button>
    </form>
  );
}
