'use client';

import { useState } from 'react';
import {
  CURE_LINE,
  fromBase,
  scaleRecipe,
  toBase,
  unitSymbol,
  type LotProblem,
  type Recipe,
} from '@/core';
import { FromInstrument, useTaken } from '@/features/readings/ui';
import type { LotChoice } from '@/features/stores/contract';
import type { LoadLine } from '@/features/making/contract';
import { NumberField, readFigure } from '@/ui/number-field';
import { NumberPad } from '@/ui/number-pad';
import { useShow } from '@/ui/show-context';
import { RadioRow } from '@/ui/radio-row';
import { AskAgain, useQuestion } from '@/ui/question';
import { Said } from '@/ui/status';
import { CureStrength, strengthDoubt } from './CureStrength';
import { LotDecision } from './LotDecision';
import { LotField } from './LotField';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';
import { overpourSaid } from '@/words/overpour';
import { WeighWaysFields, type WeighWays } from './WeighWays';

/** Further off than this from its target, a weighing is asked back before it counts. */
const ASK_SHARE = 0.1;
const ASK_SHARE_MEAT = 0.5;
const MAX_LABEL_PERCENT = 20;

/** A strength as it is typed. */
const asPercent = (fraction: number) => String(Number((fraction * 100).toFixed(6)));

/** The cure's line for another strength than the recipe's: what the label says decides the grams. */
function doseAt(recipe: Recipe, meatG: number, line: LoadLine, fraction: number | null): LoadLine {
  if (line.lineId !== CURE_LINE || !recipe.cure || fraction === null) return line;
  const cure = { ...recipe.cure, nitriteFraction: fraction };
  const { lines } = scaleRecipe(
    { ...recipe, cure },
    { meatG },
    { scales: line.scale ? [line.scale] : [] },
  );
  const found = lines.find((l) => l.lineId === CURE_LINE);
  return found ? { ...found, load: line.load } : line;
}

type Props = {
  line: LoadLine;
  recipe: Recipe;
  /** Of the load that it is for, or of the whole. */
  meatG: number;
  lots: LotChoice[];
  /** It follows another weighing: its field is where the work goes on. */
  follows: boolean;
  /** On top of what was weighed of it. */
  more?: boolean;
  /** More meat may be for one of several loads alone. */
  loads?: number;
};

/** One weighing: what the scale shows, from which lot, checked against what was wanted. */
export function WeighForm({ line, recipe, meatG, lots, follows, more = false, loads = 1 }: Props) {
  const show = useShow();
  const { timeZone } = useBatch();
  const { send, busy, message } = usePost();
  const cure = line.lineId === CURE_LINE ? recipe.cure : null;
  const first = lots.find((l) => l.problems.length === 0) ?? lots[0];
  const percentOf = (lot: LotChoice | undefined) =>
    cure ? asPercent(lot?.nitriteFraction ?? cure.nitriteFraction) : '';
  const [lotId, setLotId] = useState(first?.id ?? '');
  const [percent, setPercent] = useState(percentOf(first));
  const [text, setText] = useState('');
  const [when, setWhen] = useState('');
  const taken = useTaken();
  const [error, setError] = useState<string | null>(null);
  const [labelError, setLabelError] = useState<string | null>(null);
  const [refused, setRefused] = useState<LotProblem[]>([]);
  const q = useQuestion();
  const isMeat = line.kind === 'meat';
  const unit = isMeat ? unitSymbol('mass', show.settings.system) : 'g';
  const lot = lots.find((l) => l.id === lotId);
  const label = cure ? readFigure(percent) : null;
  const labelled =
    label?.ok && label.value > 0 && label.value <= MAX_LABEL_PERCENT ? label.value / 100 : null;
  const [settled, setSettled] = useState<number | null>(null);
  const doubt =
    cure && labelled !== settled
      ? strengthDoubt(labelled, lot?.nitriteFraction, cure.nitriteFraction)
      : null;
  /* No grams of a strength that is a slip: they would be weighed. */
  const isDosed = !cure || (labelled !== null && !doubt);
  const wanted = more ? line : doseAt(recipe, meatG, line, labelled);
  const [forLoad, setForLoad] = useState('0');
  const [ways, setWays] = useState<WeighWays>({});
  /* Without a link it waits on this device: pressed again it would be weighed twice. */
  const [kept, setKept] = useState(false);
  const problems = lot ? lot.problems : refused;
  /* A weight is said back in the unit that it was typed in. */
  const sayBack = (g: number) => (isMeat ? show.meat(g) : show.grams(g, wanted.scale?.resolutionG));

  const load = line.load ?? Number(forLoad);
  const record = async (amountG: number, confirmed: boolean) => {
    const answer = await send(
      {
        kind: 'weighed',
        lineId: line.lineId,
        amountG,
        targetG: wanted.targetG,
        scaleId: wanted.scale?.id ?? 'none',
        ...(labelled === null ? {} : { nitriteFraction: labelled }),
        ...(lot ? { lotId: lot.id } : {}),
        ...(confirmed ? { confirmed: true as const } : {}),
        ...(more ? { more: true as const } : {}),
        ...(load === 0 ? {} : { load }),
        ...taken.by,
        ...ways,
      },
      withTime(when, timeZone),
    );
    if (!answer.ok && 'problems' in answer) setRefused(answer.problems ?? []);
    if (!answer.ok && answer.code === 'kept') setKept(true);
  };
  const submit = () => {
    const read = readFigure(text);
    const positive = read.ok && read.value > 0;
    setError(read.ok ? (positive ? null : 'The scale must show more than 0.') : read.error);
    setLabelError(
      cure && labelled === null ? 'Give the percentage of sodium nitrite on the label.' : null,
    );
    if (doubt) setLabelError('Say first which strength is on the packet.');
    if (!read.ok || !positive || !isDosed) return;
    const amountG = isMeat ? toBase('mass', read.value, show.settings.system) : read.value;
    /* What comes on top is as much as somebody wants it to be. */
    if (more) return void record(amountG, true);
    const off = Math.abs(amountG - wanted.doseG) / wanted.doseG;
    if (off <= (isMeat ? ASK_SHARE_MEAT : ASK_SHARE)) return void record(amountG, false);
    const said = sayBack(amountG);
    q.ask({
      words: (
        <p>
          {said} is far from the {sayBack(wanted.doseG)} wanted. Does the scale really show that?
          {!isMeat &&
            amountG > wanted.doseG &&
            ` ${overpourSaid(recipe, meatG, line, amountG, show)}`}
        </p>
      ),
      answers: [{ label: `Yes, record ${said}`, act: () => void record(amountG, true) }],
    });
  };
  const type = (value: string) => {
    q.clear();
    taken.typed();
    setText(value);
  };
  return (
    <form
      className="grid gap-4 pb-2 sm:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <div className="space-y-3">
        <p className={`text-3xl font-extrabold ${cure ? 'text-cure' : ''}`}>
          {isDosed ? (
            <>
              {more ? `${sayBack(wanted.doseG)} more` : sayBack(wanted.doseG)}
              {cure && <span className="unit"> at {percent} % nitrite</span>}
            </>
          ) : (
            'Settle the strength first'
          )}
        </p>
        {cure && isDosed && !more && wanted.doseG !== line.doseG && (
          <p className="font-semibold text-cure">
            Worked out anew for this strength: the recipe was written for{' '}
            {show.number(cure.nitriteFraction * 100, 3)} %.
          </p>
        )}
        <LotField
          lots={lots}
          value={lotId}
          onChange={(id) => {
            setLotId(id);
            setRefused([]);
            /* What was settled for one lot says nothing of another. */
            setSettled(null);
            setPercent(percentOf(lots.find((l) => l.id === id)));
          }}
        />
        {cure && (
          <CureStrength
            percent={percent}
            onChange={(typed) => {
              setLabelError(null);
              setPercent(typed);
            }}
            error={labelError}
            doubt={doubt}
            onSettle={(fraction) => {
              setLabelError(null);
              setSettled(fraction);
              setPercent(asPercent(fraction));
            }}
          />
        )}
        {problems.length > 0 && (
          <LotDecision
            lineId={line.lineId}
            lotId={lot?.id ?? null}
            problems={problems}
            nitriteFraction={labelled ?? undefined}
            onDecided={() => setRefused([])}
          />
        )}
        <FromInstrument
          what="scale"
          onTake={(shown) => {
            const figure = isMeat
              ? Math.round(fromBase('mass', shown.value, show.settings.system) * 1000) / 1000
              : Math.round(shown.value * 100) / 100;
            type(String(figure));
            taken.took(shown);
          }}
        />
        <NumberField
          label={`The scale shows (${wanted.scale?.name ?? 'your scale'})`}
          unit={unit}
          value={text}
          onChange={type}
          error={error}
          autoFocus={follows}
          pad
        />
      </div>
      <div className="sm:col-start-2 sm:row-span-2 sm:row-start-1">
        <NumberPad value={text} onChange={type} />
      </div>
      <div className="space-y-3">
        <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
        {more && loads > 1 && (
          <RadioRow
            label="For"
            options={[
              ['0', 'all loads'] as const,
              ...Array.from({ length: loads }, (_, i) => [`${i + 1}`, `load ${i + 1}`] as const),
            ]}
            value={forLoad}
            onChange={setForLoad}
          />
        )}
        {!isMeat && !cure && <WeighWaysFields ways={ways} onChange={setWays} onPoured={type} />}
        <AskAgain {...q} />
        <Said text={message} />
        <button className="button-main w-full text-lg" disabled={busy || kept}>
          Record
        </button>
      </div>
    </form>
  );
}
