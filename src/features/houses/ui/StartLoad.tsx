'use client';

import { useState } from 'react';
import type { ProgramStage, ReadingPlace } from '@/core';
import { missingQuestion, type Missing } from '@/ui/missing-question';
import { AskAgain, useQuestion } from '@/ui/question';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Said } from '@/ui/status';
import type { Fact } from '../alarm-groups';
import { usePostTo, useWorker } from './post-as';
import { TextField } from '@/ui/text-field';

export type ReadyBatch = {
  id: string;
  name: string;
  code: string;
  /** What hangs of it, as its house and its map count it. */
  massG: number;
  pieces: number | null;
  stages: ProgramStage[];
  /** What it misses: listed and asked before it hangs. */
  missing: Missing;
};
type Program = { id: string; name: string; stages: ProgramStage[] };
type Channel = { id: number; name: string; what: ReadingPlace };

const probeIn = (batchId: string, c: Channel, thickest: boolean): Fact => [
  batchId,
  { kind: 'probe_placed', channelId: c.id, what: c.what, thickest },
];

/** Hangs several batches into one house and starts the stages that they share. */
export function StartLoad({
  houseId,
  batches,
  programs,
  channels,
}: {
  houseId: string;
  batches: ReadyBatch[];
  programs: Program[];
  channels: Channel[];
}) {
  const show = useShow();
  const { canWork } = useWorker();
  const { sendAll, busy, message, when } = usePostTo();
  const [chosen, setChosen] = useState<string[]>([]);
  const [program, setProgram] = useState('');
  const [sticks, setSticks] = useState<Record<string, string>>({});
  const [places, setPlaces] = useState<Record<string, string>>({});
  const [probes, setProbes] = useState<Record<number, string>>({});
  const [error, setError] = useState<string | null>(null);
  const q = useQuestion();
  const cores = channels.filter((c) => c.what === 'core');
  if (!canWork) return null;
  const hung = batches.filter((b) => chosen.includes(b.id));
  const options: Program[] = [
    ...hung.map((b) => ({ id: `recipe:${b.id}`, name: `As ${b.name}`, stages: b.stages })),
    ...programs,
  ];
  const picked = options.find((p) => p.id === program) ?? options[0];
  /* Unless somebody says otherwise the first probes sit in the thickest pieces, one a batch. */
  const usual = (i: number) => (hung[i] ? `${hung[i].id}:thick` : '');
  const askOrStart = () => {
    if (hung.length === 0 || !picked) return setError('Choose what hangs in the house.');
    const odd = hung.find((b) => !/^\d{0,4}$/.test(sticks[b.id]?.trim() ?? ''));
    if (odd) return setError(`Sticks of ${odd.name}: give a whole number, or nothing.`);
    setError(null);
    const missing = hung.flatMap((b) =>
      b.missing.map((m) => ({ id: `${b.id}:${m.id}`, name: `${b.code}: ${m.name}` })),
    );
    if (missing.length === 0) return void start(picked);
    q.ask(missingQuestion(missing, 'start the load', () => void start(picked)));
  };
  const start = async (picked: Program) => {
    const loadId = crypto.randomUUID();
    const pinned = {
      name: picked.name.replace(/^As /, ''),
      versionId: picked.id.startsWith('recipe:') ? null : picked.id,
      stages: picked.stages,
    };
    const facts = hung.flatMap((b): Fact[] => {
      const count = Number(sticks[b.id]);
      const started: Fact = [
        b.id,
        {
          kind: 'run_started',
          houseId,
          loadId,
          program: pinned,
          ...(count > 0 ? { sticks: count } : {}),
          ...(places[b.id]?.trim() ? { position: places[b.id]!.trim() } : {}),
        },
      ];
      const shared = channels.filter((x) => x.what === 'air' || x.what === 'wet_bulb');
      return [started, ...shared.map((c) => probeIn(b.id, c, false))];
    });
    const inCores = cores.flatMap((c, i): Fact[] => {
      const [batchId, where] = (probes[c.id] ?? usual(i)).split(':');
      return batchId && hung.some((b) => b.id === batchId)
        ? [probeIn(batchId, c, where === 'thick')]
        : [];
    });
    await sendAll([...facts, ...inCores]);
  };
  return (
    <form
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        askOrStart();
      }}
    >
      <fieldset className="space-y-2">
        <legend className="label">What hangs in it</legend>
        {batches.length === 0 && (
          <p className="text-soft">No batch is stuffed and ready for the house.</p>
        )}
        {batches.map((b) => (
          <div key={b.id} className="flex flex-wrap items-center gap-3 border-t border-line py-1">
            <label className="flex min-h-12 flex-1 items-center gap-3 font-semibold">
              <input
                type="checkbox"
                className="size-6"
                checked={chosen.includes(b.id)}
                onChange={(e) =>
                  setChosen(
                    e.target.checked ? [...chosen, b.id] : chosen.filter((id) => id !== b.id),
                  )
                }
              />
              {b.name}, {b.code}
            </label>
            <span className="small">
              {show.mass(b.massG)}
              {b.pieces === null ? '' : ` · ${show.number(b.pieces, 0)} pieces`}
            </span>
            {chosen.includes(b.id) && (
              <>
                <TextField
                  label={`Sticks of ${b.name}`}
                  quiet
                  placeholder="sticks"
                  inputMode="numeric"
                  wrap="w-24"
                  value={sticks[b.id] ?? ''}
                  onChange={(e) => setSticks({ ...sticks, [b.id]: e.target.value })}
                />
                <TextField
                  label={`Position of ${b.name}`}
                  quiet
                  placeholder="where, e.g. back"
                  wrap="w-44"
                  value={places[b.id] ?? ''}
                  onChange={(e) => setPlaces({ ...places, [b.id]: e.target.value })}
                />
              </>
            )}
          </div>
        ))}
      </fieldset>
      {hung.length > 0 && (
        <>
          <SelectField
            label="Program"
            value={picked?.id ?? ''}
            options={options.map(
              (p) => [p.id, `${p.name}: ${p.stages.map((x) => x.name).join(', ')}`] as const,
            )}
            onChange={setProgram}
          />
          {cores.map((c, i) => (
            <SelectField
              key={c.id}
              label={c.name}
              value={probes[c.id] ?? usual(i)}
              options={[
                ['', 'not in this load'],
                ...hung.flatMap((b) => [
                  [`${b.id}:thick`, `${b.name}, thickest piece`] as const,
                  [`${b.id}:other`, `${b.name}, another piece`] as const,
                ]),
              ]}
              onChange={(where) => setProbes({ ...probes, [c.id]: where })}
            />
          ))}
          <p className="small">
            Every batch is judged on its own thickest piece: give each a probe there, in the coldest
            place of the house.
          </p>
        </>
      )}
      {batches.length > 0 && when}
      <Said text={error ?? message} />
      <AskAgain {...q} />
      {batches.length > 0 && (
        <button className="button-main min-h-14 text-lg" disabled={busy}>
          Start the load{picked ? `: ${picked.stages[0]!.name}` : ''}
        </button>
      )}
    </form>
  );
}
