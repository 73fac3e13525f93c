'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { parseNumber, toBase, unitSymbol } from '@/core';
import { NumberField } from '@/ui/number-field';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { useWhen } from '@/ui/when-field';
import { problemWords } from '@/words/problems';
import { Notice } from '@/ui/status';
import { calibrateAction } from '../actions';
import { useWorker } from './post-as';

type Note = { tone: 'good' | 'bad'; text: string };

/** What a probe showed in ice and boiling water; its offset counts from now on. */
export function CalibrateForm({
  channels,
  altitudeM,
}: {
  channels: { id: number; name: string }[];
  altitudeM: number;
}) {
  const show = useShow();
  const { system } = show.settings;
  const { canWork } = useWorker();
  const router = useRouter();
  const degrees = unitSymbol('temperature', system);
  const [channelId, setChannel] = useState(String(channels[0]?.id ?? ''));
  const [ice, setIce] = useState('');
  const [boil, setBoil] = useState('');
  const [altitude, setAltitude] = useState(String(altitudeM));
  const [note, setNote] = useState<Note | null>(null);
  const [busy, setBusy] = useState(false);
  const when = useWhen();
  if (!canWork || channels.length === 0) return null;
  const save = async () => {
    const [i, b, a] = [parseNumber(ice), parseNumber(boil), parseNumber(altitude)];
    if (i.kind !== 'ok' || a.kind !== 'ok' || (b.kind !== 'ok' && b.kind !== 'empty'))
      return setNote({ tone: 'bad', text: 'Give what it showed, and the altitude, as numbers.' });
    setBusy(true);
    const answer = await calibrateAction({
      channelId: Number(channelId),
      iceC: toBase('temperature', i.value, system),
      ...(b.kind === 'ok' ? { boilC: toBase('temperature', b.value, system) } : {}),
      altitudeM: a.value,
      ...(when.at.happenedAt ? { checkedAt: when.at.happenedAt } : {}),
    });
    setBusy(false);
    if (!answer.ok)
      return setNote({
        tone: 'bad',
        text: problemWords(answer.code, answer.fields),
      });
    const r = answer.data;
    when.again();
    if (r.ok) {
      setNote({
        tone: 'good',
        text: `Recorded: it shows ${show.tempStep(Math.abs(r.offsetC))} ${r.offsetC >= 0 ? 'too much' : 'too little'}; that is taken off from then on.`,
      });
      setIce('');
      setBoil('');
      return router.refresh();
    }
    const again =
      r.opened.length > 0 ? ` Open again, because they rested on it: ${r.opened.join(', ')}.` : '';
    setNote({
      tone: 'bad',
      text: `${
        r.reason === 'too_far_off'
          ? `Recorded as failed: it is off by more than ${show.tempStep(2)}. Ice and water stirred for two minutes? Water boils at ${show.temp(r.boilsAtC)} here. If so, replace the probe.`
          : `Recorded as failed: ice and boiling point disagree by more than ${show.tempStep(1)}. Check again; water boils at ${show.temp(r.boilsAtC)} here.`
      }${again}`,
    });
  };
  return (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <SelectField
        label="Probe"
        value={channelId}
        options={channels.map((c) => [String(c.id), c.name] as const)}
        onChange={setChannel}
      />
      <div className="grid gap-2 sm:grid-cols-3">
        <NumberField label="Shows in ice water" unit={degrees} value={ice} onChange={setIce} />
        <NumberField
          label="Shows in boiling water"
          unit={degrees}
          value={boil}
          onChange={setBoil}
          hint="may be left out"
        />
        <NumberField label="Altitude" unit="m" value={altitude} onChange={setAltitude} />
      </div>
      {when.field}
      {note && <Notice tone={note.tone}>{note.text}</Notice>}
      <button className="button-main" disabled={busy}>
        Record the check
      </button>
    </form>
  );
}
