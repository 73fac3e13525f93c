'use client';

import { useState } from 'react';
import {
  toBase,
  fromBase,
  stagePlaceIn,
  unitSymbol,
  type HouseKind,
  type ReadingPlace,
  type StagePlace,
} from '@/core';
import { PLACE_WORDS } from '@/words/house';
import { NumberField, readFigure } from '@/ui/number-field';
import { AskAgain, useQuestion } from '@/ui/question';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Notice, Said } from '@/ui/status';
import type { Asks } from '@/words/before-press';
import type { Fact } from '../alarm-groups';
import { usePostTo, useWorker } from './post-as';

/** Where a batch may go on that is no place of the site with probes of its own. */
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
  house: 65,
};

/** A place of the site that a batch may be moved to. */
export type OtherPlace = {
  id: string;
  name: string;
  kind: HouseKind;
  channels: { id: number; what: ReadingPlace }[];
};

/** Takes one batch out of a running load: pulled to be chilled, or on to a bath of its own. */
export function MemberActions({
  batchId,
  name,
  coreTargetC,
  ready,
  places,
  asks,
}: {
  batchId: string;
  name: string;
  coreTargetC: number;
  /** It has what it waited for: pulling is the next thing to do. */
  ready: boolean;
  places: OtherPlace[];
  /** What is asked before the pull, where something is not reached. */
  asks: Asks | null;
}) {
  const { system } = useShow().settings;
  const { canWork } = useWorker();
  const { sendTo, sendAll, busy, message, when } = usePostTo();
  const degrees = unitSymbol('temperature', system);
  const shown = (c: number) => String(Math.round(fromBase('temperature', c, system) * 10) / 10);
  const [into, setInto] = useState<string>('water_bath');
  const at = places.find((p) => p.id === into);
  const place: StagePlace = at ? stagePlaceIn(at.kind) : (into as StagePlace);
  const placeName = at?.name ?? PLACE_WORDS[place];
  const [airText, setAir] = useState(() => shown(USUAL_C.water_bath!));
  const [core, setCore] = useState(() => shown(coreTargetC));
  const [error, setError] = useState<string | null>(null);
  const q = useQuestion();
  if (!canWork) return null;
  const warm = WARM.includes(place);
  const pull = () => void sendTo([batchId], { kind: 'pulled' });
  const move = async () => {
    const [airRead, coreRead] = [readFigure(airText), readFigure(core)];
    if (!airRead.ok) return setError(airRead.error);
    if (warm && !coreRead.ok) return setError(coreRead.error);
    setError(null);
    const stage = {
      id: crypto.randomUUID(),
      name: placeName,
      kind:
        place === 'water_bath' ? ('bath' as const) : warm ? ('cook' as const) : ('rest' as const),
      place,
      airC: toBase('temperature', airRead.value, system),
      smoke: false,
      plannedS: 3600,
      ...(warm && coreRead.ok
        ? { ends: { join: 'any' as const, coreC: toBase('temperature', coreRead.value, system) } }
        : {}),
    };
    const moved: Fact = [
      batchId,
      {
        kind: 'moved',
        stage,
        ...(at ? { houseId: at.id } : {}),
        reason: `taken out of the load to the ${at?.name ?? PLACE_WORDS[place].toLowerCase()}`,
      },
    ];
    /* Its air is measured there by itself; where the cores are put is said at the probes. */
    const air = (at?.channels ?? []).filter((c) => c.what === 'air' || c.what === 'wet_bulb');
    const placed = air.map(({ id: channelId, what }): Fact => [
      batchId,
      { kind: 'probe_placed', channelId, what, thickest: false },
    ]);
    await sendAll([moved, ...placed]);
  };
  return (
    <div className="space-y-2">
      <Said text={message} />
      <button
        type="button"
        className={`${ready ? 'button-main' : 'button'} w-full`}
        disabled={busy}
        onClick={() =>
          asks
            ? q.ask({
                words: asks.words,
                stay: asks.stay,
                answers: [{ label: asks.go, act: pull }],
              })
            : pull()
        }
      >
        Pull {name} to chill
      </button>
      {when}
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
              value={into}
              options={[
                ...places.map((p) => [p.id, p.name] as const),
                ...PLACES.map((p) => [p, `${PLACE_WORDS[p]}, without probes`] as const),
              ]}
              onChange={(chosen) => {
                setInto(chosen);
                const other = places.find((p) => p.id === chosen);
                const kind = other ? stagePlaceIn(other.kind) : (chosen as StagePlace);
                setAir(shown(USUAL_C[kind] ?? 20));
              }}
            />
            <NumberField label="At" unit={degrees} value={airText} onChange={setAir} />
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
