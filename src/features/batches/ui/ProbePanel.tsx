'use client';

import { useState } from 'react';
import type { ProbeUse, ReadingPlace } from '@/core';
import { AskAgain, useQuestion } from '@/ui/question';
import { Said } from '@/ui/status';
import { PieceField } from './PieceField';
import { useWhen } from '@/ui/when-field';
import { useBatch, usePost } from '@/features/logbook/ui';
import { Select } from '@/ui/select-field';

type Channel = { id: number; name: string; what: ReadingPlace };
const WHERE = {
  thickest: 'thickest piece',
  other: 'another piece',
  air: 'air of the house',
  wet_bulb: 'wet bulb of the house',
  cooler: 'cooler',
};
const whereOf = (p: { what: Channel['what']; thickest: boolean }) =>
  p.what === 'core' ? WHERE[p.thickest ? 'thickest' : 'other'] : WHERE[p.what];

/** Why a probe leaves a batch: a decision that sets it aside from then on. */
const REASONS = [
  'It slid out of its piece',
  'It is broken or its battery is flat',
  'This piece is done',
  'It was a spare',
];

/** Which probe is in which piece of this batch: take one out, put another in. */
export function ProbePanel({
  placed,
  channels,
  pieces,
}: {
  placed: ProbeUse[];
  channels: Channel[];
  /** Pieces that have a name already. */
  pieces: readonly string[];
}) {
  const { canWork } = useBatch();
  const { send, busy, message } = usePost();
  const q = useQuestion();
  const when = useWhen();
  const [choice, setChoice] = useState('');
  const [piece, setPiece] = useState('');
  const here = placed.filter((p) => p.toS === null && p.name === null);
  const free = channels.filter((c) => !here.some((p) => p.channelId === c.id));
  const nameOf = (id: number) => channels.find((c) => c.id === id)?.name ?? `Channel ${id}`;
  const inCore = choice.endsWith(':thickest') || choice.endsWith(':other');
  const place = () => {
    const [id, where] = choice.split(':');
    const channel = free.find((c) => c.id === Number(id));
    if (channel)
      void send(
        {
          kind: 'probe_placed',
          channelId: channel.id,
          what: channel.what,
          thickest: where === 'thickest',
          ...(inCore && piece.trim() !== '' ? { position: piece.trim() } : {}),
        },
        when.at,
      );
    when.again();
    setChoice('');
    setPiece('');
  };
  return (
    <section className="sheet space-y-2" aria-label="Probes">
      <h2 className="text-lg font-semibold">Probes</h2>
      {here.length === 0 && <p className="text-soft">No probe of the house is in this batch.</p>}
      <ul>
        {here.map((p) => (
          <li key={p.channelId} className="flex items-center gap-3 border-t border-line py-1">
            <span>
              <strong>{nameOf(p.channelId)}</strong>, {whereOf(p)}
              {p.position ? `, ${p.position}` : ''}
            </span>
            {canWork && (
              <button
                type="button"
                disabled={busy}
                className="button ml-auto"
                onClick={() =>
                  q.ask({
                    words: <p>Why is {nameOf(p.channelId)} taken out? The verdict will name it.</p>,
                    answers: REASONS.map((reason) => ({
                      label: reason,
                      act: () =>
                        void send(
                          { kind: 'probe_removed', channelId: p.channelId, reason },
                          when.at,
                        ),
                    })),
                  })
                }
              >
                Take out
              </button>
            )}
          </li>
        ))}
      </ul>
      {canWork && free.length > 0 && (
        <div className="flex gap-2">
          <Select
            label="Put in a probe"
            quiet
            wrap="grow"
            value={choice}
            onChange={(e) => setChoice(e.target.value)}
          >
            <option value="">Put in a probe …</option>
            {free.flatMap((c) =>
              (c.what === 'core' ? (['thickest', 'other'] as const) : ([c.what] as const)).map(
                (w) => (
                  <option key={`${c.id}:${w}`} value={`${c.id}:${w}`}>
                    {c.name}, {WHERE[w]}
                  </option>
                ),
              ),
            )}
          </Select>
          <button type="button" className="button" disabled={busy || choice === ''} onClick={place}>
            Put in
          </button>
        </div>
      )}
      {canWork && inCore && <PieceField value={piece} onChange={setPiece} known={pieces} />}
      {canWork && when.field}
      <AskAgain {...q} />
      <Said text={message} />
    </section>
  );
}
