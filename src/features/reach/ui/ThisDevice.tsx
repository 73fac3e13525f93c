'use client';

import { useEffect, useState } from 'react';
import { problemWords } from '@/words/problems';
import { Notice } from '@/ui/status';
import { isReachedHere, reachHere, reachNoMore, reachedBy } from '@/workers/offline/client';
import { tryDeviceAction } from '../actions';

type Reached = 'looking' | 'cannot' | 'blocked' | 'off' | 'on';

async function look(): Promise<Reached> {
  const able =
    'serviceWorker' in navigator && 'PushManager' in globalThis && 'Notification' in globalThis;
  if (!able) return 'cannot';
  if (Notification.permission === 'denied') return 'blocked';
  return (await isReachedHere()) ? 'on' : 'off';
}

const WORDS: Record<Exclude<Reached, 'looking'>, string> = {
  cannot:
    'This browser cannot be reached. It must have been opened over https; on some phones the application must first be put on the home screen.',
  blocked:
    'Messages of this site are blocked in this browser. Allow them in its settings for this page, then come back.',
  off: 'Alarms are shown here only while a page is open.',
  on: 'Alarms reach this device while you are on duty, also when no page is open.',
};

/** Whether alarms come to this device while no page is open; switched on and off, and tried. */
export function ThisDevice({ publicKey }: { publicKey: string }) {
  const [reached, setReached] = useState<Reached>('looking');
  const [note, setNote] = useState<{ tone: 'bad' | 'good'; text: string } | null>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    void look().then(setReached, () => setReached('cannot'));
  }, []);
  const doing = async (work: () => Promise<string | null>, bad: string) => {
    setBusy(true);
    setNote(null);
    await work().then(
      (text) => text && setNote({ tone: 'good', text }),
      () => setNote({ tone: 'bad', text: bad }),
    );
    setReached(await look());
    setBusy(false);
  };
  const on = () =>
    doing(async () => {
      await Notification.requestPermission();
      if (Notification.permission !== 'granted') return null;
      await reachHere(publicKey);
      return 'Switched on.';
    }, 'It could not be switched on: the push service of this browser cannot be reached, or does not let it. Try again, or use another browser.');
  const off = () =>
    doing(async () => {
      await reachNoMore();
      return 'Switched off.';
    }, 'It could not be switched off. Try again.');
  const tryIt = async () => {
    setBusy(true);
    const at = await reachedBy();
    const answer = at && (await tryDeviceAction({ endpoint: at.endpoint }).catch(() => null));
    setBusy(false);
    setNote(
      answer?.ok
        ? { tone: 'good', text: 'Sent. It is shown within a few seconds.' }
        : { tone: 'bad', text: problemWords(answer?.code ?? 'device_unreached') },
    );
  };
  return (
    <div className="space-y-3">
      {reached !== 'looking' && <p role="status">{WORDS[reached]}</p>}
      {note && <Notice tone={note.tone}>{note.text}</Notice>}
      {reached === 'off' && (
        <button type="button" className="button-main" disabled={busy} onClick={() => void on()}>
          Send alarms to this device
        </button>
      )}
      {reached === 'on' && (
        <div className="flex flex-wrap gap-2">
          <button type="button" className="button" disabled={busy} onClick={() => void tryIt()}>
            Send a message to try it
          </button>
          <button type="button" className="button" disabled={busy} onClick={() => void off()}>
            No more alarms to this device
          </button>
        </div>
      )}
    </div>
  );
}
