'use client';

import { useState } from 'react';
import { parseNumber, toBase, fromBase, unitSymbol, type StagePlace } from '@/core';
import { PLACE_WORDS } from '@/words/house';
import { NumberField } from '@/ui/number-field';
import { AskAgain, useQuestion } from '@/ui/question';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { usePostTo, useWorker } from './post-as';

const PLACES: StagePlace[] = ['water_bath', 'oven', 'shower', 'ice_bath', 'cooler', 'room'];
const WARM: StagePlace[] = ['water_bath', 'oven'];
/** Usual temperatures of the places, °C. */
const USUAL_C: Partial<Record<StagePlace, number>> = {
  water_bath: 76,
  oven: 95,
  shower: 12,
  ice_bath: 1,
  cooler: 2,
  room: 18,
};

/** Takes one batch out of a running load: pulled to be chilled, or on to a bath of its own. */
export function MemberActions({
  batchId,
  name,
  coreTargetC,
  ready,
}: {
  batchId: string;
  name: string;
  coreTargetC: number;
  /** It has what it waited for: pulling is the next thing to do. */
  ready: boolean;
}) {
  const { system } = useShow().settings;
  const { canWork } = useWorker();
  const { sendTo, busy, message } = usePostTo();
  const degrees = unitSymbol('temperature', system);
  const shown = (c: number) => String(Math.round(fromBase('temperature', c, system) * 10) / 10);
  const [place, setPlace] = useState<StagePlace>('water_bath');
  const [at, setAt] = useState(() => shown(USUAL_C.water_bath!));
  const [core, setCore] = useState(() => shown(coreTargetC));
  const [error, setError] = useState<string | null>(null);
  const q = useQuestion();
  if (!canWork) return null;
  const warm = WARM.includes(place);
  const move = async () => {
    const [airRead, coreRead] = [parseNumber(at), parseNumber(core)];
    if (airRead.kind !== 'ok' || (warm && coreRead.kind !== 'ok'))
      return setError('Give the temperatures as numbers.');
    setError(null);
    const stage = {
      id: crypto.randomUUID(),
      name: PLACE_WORDS[place],
      kind:
        place === 'water_bath' ? ('bath' as const) : warm ? ('cook' as const) : ('rest' as const),
      place,
      airC: toBase('temperature', airRead.value, system),
      smoke: false,
      plannedS: 3600,
      ...(warm && coreRead.kind === 'ok'
        ? { ends: { join: 'any' as const, coreC: toBase('temperature', coreRead.value, system) } }
        : {}),
    };
    await sendTo([batchId], {
      kind: 'moved',
      stage,
      reason: `taken out of the load to the ${PLACE_WORDS[place].toLowerCase()}`,
    });
  };
  return (
    <div className="space-y-2">
      {message && <Notice tone="bad">{message}</Notice>}
      <button
        type="button"
        className={`${ready ? 'button-main' : 'button'} w-full`}
        disabled={busy}
        onClick={() =>
          q.ask({
            words: `${name}: out of the heat, to be chilled?`,
            answers: [
              { label: 'Yes: pull it', act: () => void sendTo([batchId], { kind: 'pulled' }) },
            ],
          })
        }
      >
        Pull {name} to chill
      </button>
      <AskAgain {...q} />
      <details>
        <summary className="flex min-h-12 cursor-pointer items-center font-semibold">
          Out of the load, to go on elsewhere
        </summary>
        <form
          className="space-y-2"
          onSubmit={(e) => {
            e.preventDefault();
            void move();
          }}
        >
          <div className="grid gap-2 sm:grid-cols-3">
            <SelectField
              label="Into"
              value={place}
              options={PLACES.map((p) => [p, PLACE_WORDS[p]] as const)}
              onChange={(p) => {
                setPlace(p);
                setAt(shown(USUAL_C[p] ?? 20));
              }}
            />
            <NumberField label="At" unit={degrees} value={at} onChange={setAt} />
            {warm && (
              <NumberField
                label="Until the core is"
                unit={degrees}
                value={core}
                onChange={setCore}
              />
            )}
          </div>
          {error && <Notice tone="bad">{error}</Notice>}
          <button className="button" disabled={busy}>
            Move {name}
          </button>
        </form>
      </details>
    </div>
  );
}
