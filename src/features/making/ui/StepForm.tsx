'use client';

import { useState } from 'react';
import { unitSymbol } from '@/core';
import { cleared } from '@/ui/cleared';
import { readFigure } from '@/ui/number-field';
import { AskAgain, type Question } from '@/ui/question';
import { RadioRow } from '@/ui/radio-row';
import { SelectField } from '@/ui/select-field';
import { Said } from '@/ui/status';
import { TextField } from '@/ui/text-field';
import { listOf } from '@/words/list';
import type { MakingSheetData, SheetRow } from '../sheet';
import { AddTicks } from './AddTicks';
import { ChillAhead } from './ChillAhead';
import { Countdown } from './Countdown';
import { AfterPass, PassAhead } from './PassAhead';
import { TempPair } from './TempPair';
import { TrialForm } from './TrialForm';
import { readTemp, useTemps } from './use-temps';

/** Asked before a load is mixed for which something was not weighed: what is not in it cures and binds nothing. */
const withoutQuestion = (
  load: number | null,
  names: readonly string[],
  act: () => void,
): Question => ({
  words: `${load === null ? 'Not weighed yet' : `Not weighed yet for load ${load}`}: ${listOf(names)}. Mixed now, it goes in without.`,
  stay: 'Weigh first',
  answers: [{ label: `Mixed without ${listOf(names)}`, act }],
});

/** What a workroom can be, °C. */
const ROOM = { lowC: -5, highC: 45 };

/** How warm the meat came out of the work before; a surface that was chilled says nothing of the middle. */
const cameOut = (before: SheetRow | undefined) =>
  before?.measured === 'pass' ? (before.ticks.at(-1)?.tempC ?? null) : null;

/** The one step that is next, or was chosen: what goes in, its temperatures, what they lead to, and "done". */
export function StepForm({ row, sheet }: { row: SheetRow; sheet: MakingSheetData }) {
  const { send, busy, message, q, when, show, system } = useTemps();
  const [before, setBefore] = useState('');
  const [after, setAfter] = useState('');
  const [room, setRoom] = useState('');
  const [minutes, setMinutes] = useState('');
  const [reason, setReason] = useState('');
  const [more, setMore] = useState(false);
  const [load, setLoad] = useState<number | null>(row.open[0] ?? null);
  const [machineId, setMachineId] = useState(row.machines[0]?.id ?? null);
  const [said, setSaid] = useState<{ before: string | null; after: string | null }>({
    before: null,
    after: null,
  });
  const unit = unitSymbol('temperature', system);
  const [b, a, r] = [readTemp(before, system), readTemp(after, system), readTemp(room, system)];
  const roomError =
    r.c !== undefined && (r.c < ROOM.lowC || r.c > ROOM.highC)
      ? `A room of ${show.temp(ROOM.lowC)} to ${show.temp(ROOM.highC)}.`
      : null;
  const took = minutes.trim() === '' ? null : readFigure(minutes);
  const minutesError = took && (took.ok ? (took.value > 0 ? null : 'More than 0.') : took.error);
  const machine = row.machines.find((m) => m.id === machineId) ?? row.machines[0];
  const at = { stepId: row.stepId, pass: row.pass, ...(load === null ? {} : { load }) };
  const without = row.unweighed.find((u) => u.load === load)?.names;
  const readings = row.readings.filter((x) => x.load === load);
  const lastC = readings.at(-1)?.tempC ?? null;
  const fromC = b.c ?? cameOut(sheet.rows[sheet.rows.indexOf(row) - 1]);
  const tick = (extra: { skipped?: string } = {}) => {
    setSaid({ before: b.error, after: a.error });
    if (b.error ?? a.error ?? r.error ?? roomError ?? minutesError) return setMore(true);
    if (without && !extra.skipped)
      return q.ask(withoutQuestion(load, without, () => record(extra)));
    record(extra);
  };
  const record = (extra: { skipped?: string }) =>
    void send(
      (t) => ({
        kind: 'step_ticked',
        ...at,
        ...t,
        ...(machine?.id ? { machineId: machine.id, machine: machine.name } : {}),
        ...(r.c === undefined ? {} : { roomC: r.c }),
        ...(took?.ok ? { forS: took.value * 60 } : {}),
        ...extra,
      }),
      {
        ...(b.c === undefined ? {} : { beforeC: b.c }),
        ...(a.c === undefined ? {} : { tempC: a.c }),
      },
    );
  /** Logs a temperature while it goes on: in the freezer, in the bowl. */
  const measure = () => {
    const text = row.measured === 'chill' ? b : a;
    setSaid({ before: b.error, after: a.error });
    if (text.error !== null || text.c === undefined)
      return setSaid({
        before: row.measured === 'chill' ? (b.error ?? 'Measure the meat first.') : null,
        after: row.measured === 'chill' ? null : (a.error ?? 'Measure the batter first.'),
      });
    void send((t) => ({ kind: 'batter_measured', ...at, tempC: t.tempC! }), { tempC: text.c }).then(
      (ok) =>
        ok && (row.measured === 'chill' ? setBefore(cleared(before)) : setAfter(cleared(after))),
    );
  };
  const measures = row.measured !== 'nothing' && row.measured !== 'trial';
  const fields = [
    ...(row.measured === 'chop'
      ? []
      : [
          {
            key: 'before',
            label: row.measured === 'chill' ? 'Meat now' : 'Meat before',
            value: before,
            onChange: setBefore,
            error: said.before,
          },
        ]),
    {
      key: 'after',
      label:
        row.measured === 'chill'
          ? 'Surface after'
          : row.measured === 'chop'
            ? 'Batter now'
            : 'Meat after',
      value: after,
      onChange: setAfter,
      error: said.after,
    },
  ];
  return (
    <form
      className="space-y-2 py-2"
      aria-label={row.task}
      onSubmit={(e) => {
        e.preventDefault();
        tick();
      }}
    >
      {row.open.length > 1 && (
        <RadioRow
          label="Load"
          options={row.open.map((n) => [String(n), `Load ${n}`] as const)}
          value={String(load)}
          onChange={(n) => setLoad(Number(n))}
        />
      )}
      {row.machines.length > 1 && (
        <SelectField
          dense
          label="Machine"
          value={machine?.id ?? ''}
          options={row.machines.map((m) => [m.id ?? '', m.name] as const)}
          onChange={setMachineId}
        />
      )}
      {machine?.note && (
        <p className="small">
          {machine.name}: {machine.note}
        </p>
      )}
      {row.sign && <p className="small">Until {row.sign}.</p>}
      <AddTicks
        adds={row.adds}
        load={load}
        batterC={a.c ?? lastC}
        fromC={row.limits.fromC}
        at={when.at}
      />
      {row.measured === 'chop' && row.limits.outC !== null && (
        <Countdown readings={readings} limitC={row.limits.outC} />
      )}
      {measures && (
        <TempPair
          fields={fields}
          unit={unit}
          first={row.measured === 'chill' ? 'before' : 'after'}
        />
      )}
      {row.measured === 'pass' && machine && fromC !== null && a.c === undefined && (
        <PassAhead
          fromC={fromC}
          massG={sheet.meatG / (load === null ? 1 : sheet.loads)}
          roomC={roomError === null ? r.c : undefined}
          learned={machine.learned}
          limits={row.limits}
          chillFactor={sheet.chillFactor}
        />
      )}
      {row.measured === 'chill' && (b.c ?? lastC) !== null && a.c === undefined && (
        <ChillAhead fromC={(b.c ?? lastC)!} sheet={sheet} putS={readings.at(-1)?.tS ?? null} />
      )}
      {a.c !== undefined && <AfterPass tempC={a.c} limits={row.limits} />}
      {row.measured === 'trial' && (
        <TrialForm
          key={load}
          load={load}
          lossShare={sheet.trialLossShare}
          at={when.at}
          onDone={() => tick()}
        />
      )}
      {when.field}
      <AskAgain {...q} />
      <Said text={message} />
      <div className="flex flex-wrap gap-2">
        {(row.measured === 'chop' || row.measured === 'chill') && (
          <button
            type="button"
            className={`${row.measured === 'chop' ? 'button-main' : 'button'} min-h-14 grow text-lg`}
            disabled={busy}
            onClick={measure}
          >
            {row.measured === 'chop' ? 'Log it' : 'In the freezer now'}
          </button>
        )}
        {row.measured !== 'trial' && (
          <button
            className={`${row.measured === 'chop' ? 'button' : 'button-main'} min-h-14 grow text-lg`}
            disabled={busy}
          >
            Done
          </button>
        )}
      </div>
      <button
        type="button"
        className="min-h-12 text-soft underline"
        aria-expanded={more}
        onClick={() => setMore((m) => !m)}
      >
        {more ? 'Less' : 'Room, minutes, or skip it'}
      </button>
      {more && (
        <div className="grid grid-cols-2 gap-2">
          <TextField
            label="Room"
            unit={unit}
            inputMode="decimal"
            value={room}
            error={r.error ?? roomError}
            onChange={(e) => setRoom(e.target.value)}
          />
          <TextField
            label="It took"
            unit="min"
            inputMode="decimal"
            value={minutes}
            error={minutesError}
            onChange={(e) => setMinutes(e.target.value)}
          />
          <TextField
            wrap="col-span-2"
            label="Not done, because"
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
          <button
            type="button"
            className="button col-span-2"
            disabled={busy || reason.trim().length < 3}
            onClick={() => tick({ skipped: reason.trim() })}
          >
            Skip it
          </button>
        </div>
      )}
    </form>
  );
}
