'use client';

import { useState } from 'react';
import type { SoundPiece } from '@/core';
import { useBatch, usePost } from '@/features/logbook/ui';
import { useWhen } from '@/ui/when-field';
import { cleared } from '@/ui/cleared';
import { PressRow } from '@/ui/press-row';
import { Said } from '@/ui/status';
import { TextField } from '@/ui/text-field';
import { SOUND_PIECE_WORDS } from '@/words/hanging';
import type { StuffingData } from '../sheet';

const FAULTS = [
  ['bursts', 'Burst'],
  ['airPockets', 'Air pocket'],
  ['slack', 'Slack'],
] as const;

/** Bursts, air pockets and slack pieces, a press each, by casing and by who stuffs. */
function Faults({ data }: { data: StuffingData }) {
  const { canWork } = useBatch();
  const { send, busy, message } = usePost();
  const when = useWhen();
  const [who, setWho] = useState('');
  const [error, setError] = useState<string | null>(null);
  const count = (of: (typeof FAULTS)[number][0]) => {
    if (who.trim() === '') return setError('Say who stuffs first.');
    setError(null);
    const none = { bursts: 0, airPockets: 0, slack: 0 };
    const casing = data.casing.name;
    void send({ kind: 'faults_counted', casing, stuffedBy: who.trim(), ...none, [of]: 1 }, when.at);
  };
  return (
    <>
      {data.faults.length > 0 && (
        <table className="w-full text-left">
          <thead>
            <tr>
              <th scope="col">Stuffed by</th>
              {FAULTS.map(([k, words]) => (
                <th key={k} scope="col" className="text-right">
                  {words}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {data.faults.map((r) => (
              <tr key={r.casing + r.stuffedBy} className="border-t border-line">
                <th scope="row" className="py-1 font-normal">
                  {r.stuffedBy}
                  <span className="small"> · {r.casing}</span>
                </th>
                {FAULTS.map(([k]) => (
                  <td key={k} className="text-right">
                    {r[k]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {canWork && (
        <div className="space-y-2">
          <TextField label="Who stuffs" value={who} onChange={(e) => setWho(e.target.value)} />
          <PressRow label="Count one" options={FAULTS} busy={busy} onPress={count} />
          {when.field}
          <Said text={error ?? message} />
        </div>
      )}
    </>
  );
}

/** A stub for the pH and a sound piece for the probe, kept before the last link. */
function SoundPieces({ data }: { data: StuffingData }) {
  const { canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const when = useWhen();
  const wanted = (['ph', 'probe'] as const satisfies readonly SoundPiece[]).filter(
    (w) => data.wants[w] && !data.pieces.some((p) => p.what === w),
  );
  return (
    <>
      <ul>
        {data.pieces.map((p) => (
          <li key={p.what + p.piece}>
            <strong className="first-letter:uppercase">{SOUND_PIECE_WORDS[p.what]}</strong>:{' '}
            {p.piece} <span className="small">{p.by}</span>
          </li>
        ))}
      </ul>
      {canWork && wanted.length > 0 && (
        <div className="space-y-2">
          <p className="small">
            Before the last link: keep a sound piece for the probe, never a burst one
            {data.wants.ph ? '; and a stub of the same mass in film for the pH' : ''}.
          </p>
          <TextField
            label="Which piece"
            value={text}
            placeholder="stick 3, the thickest"
            onChange={(e) => setText(e.target.value)}
          />
          <div className="flex flex-wrap gap-2">
            {wanted.map((what) => (
              <button
                key={what}
                type="button"
                className="button min-h-12"
                disabled={busy || text.trim() === ''}
                onClick={() =>
                  void send({ kind: 'sound_piece_kept', what, piece: text.trim() }, when.at).then(
                    () => setText(cleared(text)),
                  )
                }
              >
                Kept as {SOUND_PIECE_WORDS[what]}
              </button>
            ))}
          </div>
          {when.field}
          <Said text={message} />
        </div>
      )}
    </>
  );
}

/** What went wrong in the casing, and the pieces that are kept apart. */
export const FaultPart = ({ data }: { data: StuffingData }) => (
  <section className="sheet space-y-3" aria-label="Pieces">
    <h2 className="text-lg font-semibold">Pieces</h2>
    <SoundPieces data={data} />
    <Faults data={data} />
  </section>
);
