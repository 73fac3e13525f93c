'use client';

import { useEffect, useState } from 'react';
import type { InstrumentKind } from '@/core';
import { useShow } from '@/ui/show-context';
import type { Live } from '../instruments';

const EVERY_MS = 1500;

type Answer = { there: number; live: Live[] };

async function asked(what: InstrumentKind): Promise<Answer | null> {
  const answer = await fetch(`/api/v1/shown?what=${what}`).catch(() => null);
  return answer?.ok ? ((await answer.json()) as Answer) : null;
}

/** What the site's instruments of a kind show now; asked for while the page is looked at, and never where there are none. */
function useShown(what: InstrumentKind): Live[] {
  const [live, setLive] = useState<Live[]>([]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let left = false;
    const look = async () => {
      const answer = document.visibilityState === 'visible' ? await asked(what) : null;
      if (left) return;
      setLive(answer?.live ?? []);
      if (answer?.there !== 0) timer = setTimeout(() => void look(), EVERY_MS);
    };
    void look();
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [what]);
  return live;
}

type Props = {
  what: InstrumentKind;
  /** Takes what it shows, g or pH, into the form. */
  onTake: (shown: Live, form: HTMLFormElement | null) => void;
};

/** What a scale or a meter shows now, to be taken by one press of a wet glove once it has come to rest. */
export function FromInstrument({ what, onTake }: Props) {
  const show = useShow();
  const live = useShown(what);
  const words = (l: Live) =>
    what === 'scale'
      ? show.grams(l.value)
      : `pH ${show.number(l.value, 2)}${l.sampleC === null ? '' : ` at ${show.temp(l.sampleC)}`}`;
  if (live.length === 0) return null;
  return (
    <ul className="space-y-2" aria-label="Shown now">
      {live.map((l) => (
        <li
          key={l.id}
          className="flex flex-wrap items-center gap-3 rounded-lg border border-line p-2"
        >
          <span className="min-w-0">
            {l.name}: <strong className="tabular-nums">{words(l)}</strong>
            <span className="text-soft">{l.steady ? ', at rest' : ', not at rest yet'}</span>
          </span>
          <button
            type="button"
            className="button ml-auto min-h-12"
            disabled={!l.steady}
            onClick={(e) => onTake(l, e.currentTarget.form)}
          >
            Take {words(l)}
          </button>
        </li>
      ))}
    </ul>
  );
}
