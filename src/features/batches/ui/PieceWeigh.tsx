'use client';

import { useState } from 'react';
import { fromBase, toBase, unitSymbol, type PieceLoss } from '@/core';
import { FromInstrument, useTaken } from '@/features/readings/ui';
import { cleared } from '@/ui/cleared';
import { NumberField, readFigure } from '@/ui/number-field';
import { NumberPad } from '@/ui/number-pad';
import { useShow } from '@/ui/show-context';
import { AskAgain, useQuestion } from '@/ui/question';
import { Said } from '@/ui/status';
import { PieceField } from './PieceField';
import { PieceGone } from './PieceGone';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';

/** Each marked piece with what it has lost, the one that lost least first. */
function Losses({ losses }: { losses: readonly PieceLoss[] }) {
  const show = useShow();
  if (losses.length === 0)
    return <p className="small">Mark three pieces or more, and weigh them as they are hung.</p>;
  return (
    <ul data-testid="losses">
      {losses.map((l) => (
        <li key={l.piece} className="flex flex-wrap gap-x-3 border-t border-line py-1.5">
          <strong>{l.piece}</strong>
          <span>
            {show.grams(l.startG)} → {show.grams(l.nowG)}
          </span>
          <span className="ml-auto">
            {l.weighings > 1 ? `${show.number(l.lossFraction * 100, 1)} % lost` : 'weighed once'}
            <span className="text-soft">, {show.clock(l.atS)}</span>
          </span>
          <PieceGone piece={l.piece} />
        </li>
      ))}
    </ul>
  );
}

/** Weights of marked pieces: the first one is what the loss is reckoned from. */
export function PieceWeigh({ losses }: { losses: readonly PieceLoss[] }) {
  const show = useShow();
  const { system } = show.settings;
  const { canWork, timeZone } = useBatch();
  const { send, busy, message } = usePost();
  const q = useQuestion();
  const [piece, setPiece] = useState('');
  const [weight, setWeight] = useState('');
  const [tare, setTare] = useState('');
  const [when, setWhen] = useState('');
  const taken = useTaken();
  const [error, setError] = useState<string | null>(null);
  const unit = unitSymbol('dose', system);
  const grams = (text: string) => {
    const read = readFigure(text);
    return read.ok ? toBase('dose', read.value, system) : null;
  };
  const type = (value: string) => {
    taken.typed();
    setWeight(value);
  };
  const record = async (weightG: number, tareG: number, confirmed: boolean) => {
    const own = { kind: 'piece_weighed' as const, piece: piece.trim(), weightG };
    /* Asked back and answered otherwise, it is another figure than the one that was shown. */
    const body = weightG === grams(weight) ? { ...own, ...taken.by } : own;
    const at = { ...withTime(when, timeZone), confirmed };
    const outcome = await send(tareG > 0 ? { ...body, tareG } : body, at);
    if (outcome.ok || outcome.code === 'kept') {
      /* Whatever comes next was not shown with this one. */
      taken.typed();
      setWeight(cleared(weight));
    } else if (outcome.code === 'odd_weight') {
      const { lastG, otherG } = 'lastG' in outcome ? outcome : {};
      const answer = (netG: number) => ({
        label: `It is ${show.grams(netG)}`,
        act: () => void record(netG + tareG, tareG, true),
      });
      q.ask({
        words: (
          <p>
            {show.grams(weightG - tareG)} for {piece.trim()}
            {lastG === undefined ? '' : `, which weighed ${show.grams(lastG)}`}. Is it this piece,
            in this unit?
          </p>
        ),
        answers: [...(otherG === undefined ? [] : [answer(otherG)]), answer(weightG - tareG)],
      });
    }
  };
  const submit = async () => {
    q.clear();
    const [weightG, tareG] = [grams(weight), tare.trim() === '' ? 0 : grams(tare)];
    if (piece.trim() === '') return setError('Name the piece: it is weighed again by its name.');
    if (weightG === null || tareG === null) return setError('Give the weight as a number.');
    if (tareG >= weightG) return setError('The tare is not less than what the scale shows.');
    setError(null);
    await record(weightG, tareG, false);
  };
  return (
    <section className="sheet space-y-3" aria-label="Marked pieces">
      <h2 className="text-lg font-semibold">Marked pieces</h2>
      <Losses losses={losses} />
      {canWork && (
        <form
          className="max-w-md space-y-3"
          aria-label="Weigh a marked piece"
          onSubmit={(e) => {
            e.preventDefault();
            void submit();
          }}
        >
          <PieceField
            value={piece}
            onChange={setPiece}
            known={losses.map((l) => l.piece)}
            label="Piece, by its mark"
            example="red string"
          />
          <FromInstrument
            what="scale"
            onTake={(shown) => {
              const figure = Math.round(fromBase('dose', shown.value, system) * 100) / 100;
              setWeight(String(figure));
              taken.took(shown);
            }}
          />
          <NumberField
            label="The scale shows"
            unit={unit}
            value={weight}
            onChange={type}
            error={error}
            pad
          />
          <NumberPad value={weight} onChange={type} />
          <NumberField
            label="Of it hook or tray (tare)"
            unit={unit}
            value={tare}
            onChange={setTare}
            error={null}
          />
          <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
          <AskAgain {...q} />
          <Said text={message} />
          <button className="button-main min-h-14 w-full text-lg" disabled={busy}>
            Record this weight
          </button>
        </form>
      )}
    </section>
  );
}
