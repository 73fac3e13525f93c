'use client';

import { useState } from 'react';
import type { ReadingPlace } from '@/core';
import { AskAgain, useQuestion } from '@/ui/question';
import { Notice, Said } from '@/ui/status';
import { missingQuestion, type Missing } from '@/ui/missing-question';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';
import { Select, SelectField } from '@/ui/select-field';

type House = {
  id: string;
  name: string;
  busyWith: string | null;
  channels: { id: number; name: string; what: ReadingPlace }[];
};
type Place = 'none' | 'thickest' | 'other';

/** Starts the program in a house and says which probe sits where. */
export function RunForm({
  houses,
  firstStage,
  before,
}: {
  houses: House[];
  firstStage: string;
  /** What the batch misses: listed and asked first. */
  before: Missing;
}) {
  const { timeZone, canWork } = useBatch();
  const { send, busy, message } = usePost();
  const q = useQuestion();
  const [houseId, setHouse] = useState(houses.find((h) => !h.busyWith)?.id ?? houses[0]?.id ?? '');
  const [places, setPlaces] = useState<Record<number, Place>>({});
  const [when, setWhen] = useState('');
  if (!canWork) return null;
  const house = houses.find((h) => h.id === houseId);
  if (!house)
    return (
      <Notice tone="wait">No house is set up yet. A release lead adds one in Settings.</Notice>
    );
  const placeOf = (id: number, what: string, first: boolean): Place =>
    places[id] ?? (house.busyWith ? 'none' : what !== 'core' || !first ? 'other' : 'thickest');
  const cores = house.channels.filter((c) => c.what === 'core');
  const start = async () => {
    const time = withTime(when, timeZone);
    const started = await send({ kind: 'run_started', houseId }, time);
    if (!started.ok && started.code !== 'kept') return;
    for (const c of house.channels) {
      const place = placeOf(c.id, c.what, c.id === cores[0]?.id);
      if (place !== 'none')
        await send(
          { kind: 'probe_placed', channelId: c.id, what: c.what, thickest: place === 'thickest' },
          time,
        );
    }
  };
  return (
    <form
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (before.length === 0) void start();
        else q.ask(missingQuestion(before, 'start the program', () => void start()));
      }}
    >
      <Select
        label="House"
        value={houseId}
        onChange={(e) => {
          setHouse(e.target.value);
          setPlaces({});
        }}
      >
        {houses.map((h) => (
          <option key={h.id} value={h.id}>
            {h.name}
            {h.busyWith ? ` (batch ${h.busyWith} is in it)` : ''}
          </option>
        ))}
      </Select>
      {cores.map((c) => (
        <SelectField<Place>
          key={c.id}
          label={c.name}
          value={placeOf(c.id, c.what, c.id === cores[0]?.id)}
          options={[
            ['thickest', 'in the thickest piece'],
            ['other', 'in another piece of this batch'],
            ['none', 'not in this batch'],
          ]}
          onChange={(place) => setPlaces({ ...places, [c.id]: place })}
        />
      ))}
      <p className="small">
        Probe the thickest piece in the coldest place: the batch is judged on it.
      </p>
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      <Said text={message} />
      <AskAgain {...q} />
      <button className="button-main min-h-14 text-lg" disabled={busy}>
        Start the program: {firstStage}
      </button>
    </form>
  );
}
