'use client';

import { useState } from 'react';
import type { IngredientList, Recipe, RuleSet } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { curePpm, recipeFromList, type LineDecision } from '../from-list';
import { PpmVerdict } from './PpmVerdict';
import { UNCLEAR_WORDS } from '@/words/recipe';
import { TextField } from '@/ui/text-field';

type Props = { list: IngredientList; rule: RuleSet['dose']; onDone: (recipe: Recipe) => void };

/** What the old list says in g/kg with every band; the person decides each line that is not certain. */
export function ListReview({ list, rule, onDone }: Props) {
  const show = useShow();
  const [texts, setTexts] = useState<Record<number, string>>({});
  const [left, setLeft] = useState<Record<number, boolean>>({});
  const [percent, setPercent] = useState('6.25');
  const [ppm, setPpm] = useState('');
  const cures = list.lines.filter((l) => l.role === 'cure');
  const strength = readFigure(percent);
  const wanted = readFigure(ppm);
  const fraction =
    strength.ok && strength.value > 0 && strength.value <= 20 ? strength.value / 100 : null;
  const open = list.unclear.filter((u) => u.lineNo > 0 && u.reason !== 'two_cures');
  const decide = (lineNo: number): LineDecision | null => {
    if (left[lineNo]) return 'leave_out';
    const read = readFigure(texts[lineNo] ?? '');
    return read.ok && read.value > 0 && read.value < 2000 ? { gPerKg: read.value } : null;
  };
  const noMeat = list.unclear.some((u) => u.reason === 'no_meat_weight');
  const undecided = open.filter((u) => decide(u.lineNo) === null);
  const cureOpen =
    cures.length > 0 &&
    (fraction === null || !wanted.ok || !(wanted.value > 0 && wanted.value < 1000));
  const make = () => {
    const decisions: Record<number, LineDecision> = {};
    for (const l of [...list.lines, ...open]) {
      const d = decide(l.lineNo);
      if (d) decisions[l.lineNo] = d;
    }
    const cure =
      cures.length > 0 && fraction !== null && wanted.ok
        ? { nitriteFraction: fraction, targetPpm: wanted.value }
        : null;
    onDone(recipeFromList(list, decisions, cure));
  };
  const g = (x: number) => show.number(x, 2);
  const range = (b: { low: number; high: number }) =>
    b.high - b.low < 1e-9 * b.high ? g(b.low) : `${g(b.low)} to ${g(b.high)}`;
  const field = (lineNo: number, hint: string) => (
    <span className="flex flex-wrap items-center gap-2">
      <TextField
        label={`g/kg of line ${lineNo}`}
        quiet
        dense
        wrap="w-24"
        inputMode="decimal"
        placeholder={hint}
        disabled={left[lineNo]}
        value={texts[lineNo] ?? ''}
        onChange={(e) => setTexts({ ...texts, [lineNo]: e.target.value })}
      />
      <label className="flex min-h-11 items-center gap-1.5 text-sm">
        <input
          type="checkbox"
          className="size-5"
          aria-label={`Leave out line ${lineNo}`}
          checked={left[lineNo] ?? false}
          onChange={(e) => setLeft({ ...left, [lineNo]: e.target.checked })}
        />
        leave out
      </label>
    </span>
  );
  return (
    <div className="space-y-4">
      <section className="sheet" aria-label="What was read">
        <h2 className="text-lg font-semibold">
          What was read{list.meatG === null ? '' : `, for ${show.mass(list.meatG)} of meat`}
        </h2>
        <table className="plain-table">
          <thead>
            <tr>
              <th scope="col">Line</th>
              <th scope="col">It is</th>
              <th scope="col">g</th>
              <th scope="col">g per kg of meat</th>
              <th scope="col">Take, in g/kg</th>
            </tr>
          </thead>
          <tbody>
            {list.lines.map((l) => (
              <tr key={l.lineNo}>
                <td>{l.text}</td>
                <td>{l.role}</td>
                <td>{range(l.amountG)}</td>
                <td>{l.gPerKg ? range(l.gPerKg) : 'unknown'}</td>
                <td>
                  {l.role === 'meat' || l.role === 'cure'
                    ? ''
                    : field(l.lineNo, l.gPerKg ? g(l.gPerKg.mid) : '')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {list.lines.length === 0 && <p>Nothing could be read.</p>}
      </section>
      {cures.map((l) => {
        const band = fraction === null ? null : curePpm(l, fraction);
        return (
          <section
            key={l.lineNo}
            aria-label="The cure in this list"
            className="space-y-2 rounded-lg border-2 border-cure bg-cure-wash p-4"
          >
            <h2 className="text-lg font-semibold text-cure">“{l.text}” really dosed</h2>
            {band ? (
              <PpmVerdict band={band} rule={rule} show={show} />
            ) : (
              <p>Unknown without a meat weight and the strength on the label.</p>
            )}
          </section>
        );
      })}
      {cures.length > 0 && (
        <section className="sheet space-y-2" aria-label="Cure from now on">
          <h2 className="text-lg font-semibold">From now on the cure is weighed</h2>
          {cures.length > 1 && <p>{UNCLEAR_WORDS.two_cures} The one below is taken.</p>}
          <div className="flex flex-wrap gap-3">
            <NumberField
              label="Sodium nitrite on the label"
              unit="%"
              value={percent}
              onChange={setPercent}
            />
            <NumberField label="Nitrite wanted" unit="ppm" value={ppm} onChange={setPpm} />
          </div>
        </section>
      )}
      {open.length > 0 && (
        <section className="sheet" aria-label="To decide">
          <h2 className="text-lg font-semibold">To decide, line by line</h2>
          <ul>
            {open.map((u, i) => (
              <li key={i} className="border-t border-line py-2">
                <p className="font-semibold">
                  Line {u.lineNo}: {u.text}
                </p>
                <p className="small">{UNCLEAR_WORDS[u.reason]}</p>
                {field(u.lineNo, 'g/kg')}
              </li>
            ))}
          </ul>
        </section>
      )}
      {list.unclear.some((u) => u.reason === 'basis_disagrees') && (
        <Notice tone="wait">{UNCLEAR_WORDS.basis_disagrees}</Notice>
      )}
      {noMeat && <Notice tone="bad">{UNCLEAR_WORDS.no_meat_weight}</Notice>}
      {(undecided.length > 0 || cureOpen) && !noMeat && (
        <Notice tone="wait">
          {[
            undecided.length > 0
              ? `Still to decide: line ${undecided.map((u) => u.lineNo).join(', ')}.`
              : '',
            cureOpen ? 'Give the cure its strength and the ppm wanted.' : '',
          ].join(' ')}
        </Notice>
      )}
      <button
        type="button"
        className="button-main text-lg"
        disabled={list.lines.length === 0 || noMeat || undecided.length > 0 || cureOpen}
        onClick={make}
      >
        Make a recipe of it
      </button>
    </div>
  );
}
