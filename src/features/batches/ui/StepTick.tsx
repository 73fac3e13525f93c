'use client';

import { useState } from 'react';
import {
  beforeFor,
  chillTimeS,
  fromBase,
  passForecast,
  toBase,
  unitSymbol,
  type LearnedWork,
} from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { usePost } from '@/features/logbook/ui';
import type { MakingRow, MakingSheetData } from '../making';

/** Of a chill before a grinder, usual: spread so deep, in such a freezer, to this on the surface. */
const USUAL = { deepMm: 40, freezerC: -18, surfaceC: -1 };

type Limits = MakingSheetData['limits'];

/** What the next pass will do, and how long to chill first where that is too much. */
function PassAhead({ fromC, work, limits }: { fromC: number; work: LearnedWork; limits: Limits }) {
  const show = useShow();
  if (fromC < -15 || fromC > 30) return null;
  const f = passForecast(fromC, work);
  const over = f.afterC > limits.afterPassC;
  const firstC = beforeFor(limits.afterPassC, work);
  const chillS = over
    ? chillTimeS({
        thicknessMm: USUAL.deepMm,
        startC: fromC,
        targetC: firstC,
        freezerC: USUAL.freezerC,
        of: 'mean',
      })
    : null;
  return (
    <Notice tone={over || fromC < limits.tooHardC ? 'wait' : 'good'}>
      Comes out at about {show.temp(f.afterC)}, {show.temp(f.lowC)} to {show.temp(f.highC)}
      {work.passes > 0 ? `, learned from ${work.passes} passes here` : ', by the usual figure'}.
      {over &&
        ` Over ${show.temp(limits.afterPassC)}: chill it to ${show.temp(firstC)} first${chillS === null ? '' : `, about ${show.duration(chillS)} spread ${show.quantity('diameter', USUAL.deepMm)} deep at ${show.temp(USUAL.freezerC)}`}.`}
      {fromC < limits.tooHardC &&
        ` Too hard: below ${show.temp(limits.tooHardC)} most small machines stall.`}
    </Notice>
  );
}

/** How long meat of this temperature has to lie in the freezer. */
function ChillAhead({ fromC }: { fromC: number }) {
  const show = useShow();
  const { system } = show.settings;
  const shown = (c: number) => String(Math.round(fromBase('temperature', c, system)));
  const [deep, setDeep] = useState(() =>
    String(Number(fromBase('diameter', USUAL.deepMm, system).toFixed(1))),
  );
  const [freezer, setFreezer] = useState(() => shown(USUAL.freezerC));
  const [d, f] = [readFigure(deep), readFigure(freezer)];
  const thicknessMm = d.ok ? toBase('diameter', d.value, system) : Number.NaN;
  const freezerC = f.ok ? toBase('temperature', f.value, system) : Number.NaN;
  const known =
    thicknessMm >= 5 && thicknessMm <= 150 && freezerC >= -40 && freezerC <= 15 && fromC <= 40;
  const tS = known
    ? chillTimeS({ thicknessMm, startC: Math.max(-20, fromC), targetC: USUAL.surfaceC, freezerC })
    : null;
  return (
    <div className="grid grid-cols-2 gap-2">
      <NumberField
        label="Spread, deep"
        unit={unitSymbol('diameter', system)}
        value={deep}
        onChange={setDeep}
      />
      <NumberField
        label="Freezer"
        unit={unitSymbol('temperature', system)}
        value={freezer}
        onChange={setFreezer}
      />
      <p className="col-span-2 font-semibold" data-testid="chill-minutes">
        {!known
          ? 'Give a depth of 5 to 150 mm and a freezer of −40 to 15 °C.'
          : tS === null
            ? `That freezer does not get it to ${show.temp(USUAL.surfaceC)} in a day’s work.`
            : `About ${show.duration(tS)} to ${show.temp(USUAL.surfaceC)} on the surface.`}
      </p>
    </div>
  );
}

/** The one step that is next: its temperatures, what they lead to, and "done". */
export function StepTick({
  row,
  limits,
  lastC,
}: {
  row: MakingRow;
  limits: Limits;
  /** How warm the meat came out of the pass before, °C. */
  lastC: number | null;
}) {
  const show = useShow();
  const { system } = show.settings;
  const { send, busy, message } = usePost();
  const [before, setBefore] = useState('');
  const [after, setAfter] = useState('');
  const [error, setError] = useState<{ before: string | null; after: string | null } | null>(null);
  const unit = unitSymbol('temperature', system);
  const typed = (text: string) => (text.trim() === '' ? null : readFigure(text));
  const celsius = (text: string) => {
    const read = typed(text);
    return read?.ok ? toBase('temperature', read.value, system) : undefined;
  };
  const submit = () => {
    const [b, a] = [typed(before), typed(after)];
    const wrong = (r: ReturnType<typeof typed>) => (r && !r.ok ? r.error : null);
    setError({ before: wrong(b), after: wrong(a) });
    if (wrong(b) !== null || wrong(a) !== null) return;
    const [beforeC, tempC] = [celsius(before), celsius(after)];
    void send({
      kind: 'step_ticked',
      stepId: row.stepId,
      ...(beforeC === undefined ? {} : { beforeC }),
      ...(tempC === undefined ? {} : { tempC }),
    });
  };
  const fromC = celsius(before) ?? lastC;
  const tempC = celsius(after);
  const measures = row.measured !== 'nothing';
  return (
    <form
      className="space-y-2 py-2"
      aria-label={row.task}
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      {measures && (
        <div className="grid grid-cols-2 gap-2">
          <NumberField
            label={row.measured === 'chill' ? 'Meat now' : 'Meat before'}
            unit={unit}
            value={before}
            onChange={setBefore}
            error={error?.before}
          />
          <NumberField
            label={row.measured === 'chill' ? 'Surface after' : 'Meat after'}
            unit={unit}
            value={after}
            onChange={setAfter}
            error={error?.after}
          />
        </div>
      )}
      {row.work && fromC !== null && tempC === undefined && (
        <PassAhead fromC={fromC} work={row.work} limits={limits} />
      )}
      {row.measured === 'chill' && fromC !== null && tempC === undefined && (
        <ChillAhead fromC={fromC} />
      )}
      {row.measured === 'pass' && tempC !== undefined && tempC > limits.afterPassC && (
        <Notice tone="wait">
          Over {show.temp(limits.afterPassC)}: chill it before it goes on. It stands in the record.
        </Notice>
      )}
      {message && <Notice tone="bad">{message}</Notice>}
      <button className="button-main min-h-14 w-full text-lg" disabled={busy}>
        Done
      </button>
    </form>
  );
}
