'use client';

import { useState } from 'react';
import { toBase, unitSymbol, type ReadingPlace } from '@/core';
import { cleared } from '@/ui/cleared';
import { NumberField, readFigure } from '@/ui/number-field';
import { NumberPad } from '@/ui/number-pad';
import { useHydrated } from '@/ui/hydrated';
import { useShow } from '@/ui/show-context';
import { AskAgain, useQuestion } from '@/ui/question';
import { Notice, Said } from '@/ui/status';
import { PieceField } from './PieceField';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';

/** Logs a core or air temperature by hand; an odd figure is asked back before it counts. */
export function TempLog({
  open: openAtFirst,
  pieces,
  last,
}: {
  open: boolean;
  /** The core that was read last, in words with how long ago. */
  last: string | null;
  /** Pieces that have a name already. */
  pieces: readonly string[];
}) {
  const show = useShow();
  const { system } = show.settings;
  const { canWork, timeZone } = useBatch();
  const { send, busy, message } = usePost();
  /* A page that was kept was not asked this way: its address says it all the same. */
  const asked = useHydrated() && new URLSearchParams(location.search).get('log') === 'core';
  const [opened, setOpened] = useState(openAtFirst);
  const open = opened || asked;
  const [what, setWhat] = useState<ReadingPlace>('core');
  const [text, setText] = useState('');
  const [piece, setPiece] = useState('');
  const [when, setWhen] = useState('');
  const [error, setError] = useState<string | null>(null);
  const q = useQuestion();
  const [saved, setSaved] = useState<string | null>(null);
  if (!canWork) return null;
  if (!open)
    return (
      <button
        type="button"
        className="button-main min-h-14 text-lg"
        onClick={() => setOpened(true)}
      >
        Log a temperature
      </button>
    );

  const save = async (tempC: number, confirmed: boolean) => {
    const named = what === 'core' && piece.trim() !== '' ? { piece: piece.trim() } : {};
    const outcome = await send(
      { kind: 'reading_logged', what, tempC, thickest: true, ...named },
      { ...withTime(when, timeZone), confirmed, enteredIn: system },
    );
    if (outcome.ok || outcome.code === 'kept') {
      setSaved(
        `${what === 'core' ? 'Core' : 'Air'} ${show.temp(tempC)} logged${named.piece ? `, ${named.piece}` : ''}.`,
      );
      setText(cleared(text));
    } else if (outcome.code === 'odd_temperature') {
      const otherC = 'otherC' in outcome ? outcome.otherC : undefined;
      const beside = 'besideC' in outcome ? outcome.besideC : undefined;
      q.ask({
        words: (
          <p>
            {show.temp(tempC)} is unusual here
            {beside === undefined ? '' : `: the probes show ${show.temp(beside)}`}. What did the
            probe show?
          </p>
        ),
        answers: [
          ...(otherC === undefined
            ? []
            : [
                {
                  label: `It was ${show.other('temperature', otherC)}, so ${show.temp(otherC)}`,
                  act: () => void save(otherC, true),
                },
              ]),
          ...(tempC < 99
            ? [{ label: `It really was ${show.temp(tempC)}`, act: () => void save(tempC, true) }]
            : []),
        ],
      });
    }
  };
  const type = (value: string) => {
    q.clear();
    setText(value);
  };
  const submit = () => {
    setSaved(null);
    q.clear();
    const read = readFigure(text);
    setError(read.ok ? null : read.error);
    if (read.ok) void save(toBase('temperature', read.value, system), false);
  };
  return (
    <form
      className="sheet space-y-3"
      aria-label="Log a temperature"
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <div className="grid grid-cols-2 gap-2" role="radiogroup" aria-label="What was measured">
        {(['core', 'air'] as const).map((w) => (
          <button
            key={w}
            type="button"
            role="radio"
            aria-checked={what === w}
            onClick={() => setWhat(w)}
            className={what === w ? 'button-main' : 'button'}
          >
            {w === 'core' ? 'Core, thickest piece' : 'Air'}
          </button>
        ))}
      </div>
      <NumberField
        label={what === 'core' ? 'Core temperature' : 'Air temperature'}
        unit={unitSymbol('temperature', system)}
        value={text}
        onChange={type}
        error={error}
        autoFocus
        pad
      />
      {last && what === 'core' && <p className="small">Last: {last}</p>}
      <NumberPad value={text} onChange={type} />
      {what === 'core' && <PieceField value={piece} onChange={setPiece} known={pieces} />}
      <AskAgain {...q} />
      <Said text={message} />
      {saved && <Notice tone="good">{saved}</Notice>}
      <button className="button-main w-full text-lg" disabled={busy}>
        Save
      </button>
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
    </form>
  );
}
