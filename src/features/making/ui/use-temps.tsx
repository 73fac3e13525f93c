'use client';

import { fromBase, otherSystem, toBase, unitSymbol, type UnitSystem } from '@/core';
import { readFigure } from '@/ui/number-field';
import { useQuestion } from '@/ui/question';
import { useShow } from '@/ui/show-context';
import { usePost } from '@/features/logbook/ui';
import { useWhen } from '@/ui/when-field';
import type { PostedBody } from '@/features/logbook/contract';

/** The same digits, read in the other unit, °C. */
const inOther = (tempC: number, system: UnitSystem) =>
  toBase('temperature', fromBase('temperature', tempC, system), otherSystem(system));

/** A typed temperature: °C, undefined where nothing is typed, or what is wrong with it. */
export function readTemp(text: string, system: UnitSystem): { c?: number; error: string | null } {
  if (text.trim() === '') return { error: null };
  const read = readFigure(text);
  return read.ok
    ? { c: toBase('temperature', read.value, system), error: null }
    : { error: read.error };
}

type Temps = { beforeC?: number; tempC?: number };

/** Posts what has temperatures of raw meat in it; an odd one is asked back with what it would be in the other unit. */
export function useTemps() {
  const show = useShow();
  const { system } = show.settings;
  const post = usePost();
  const q = useQuestion();
  const when = useWhen();
  const send = async (
    make: (t: Temps) => PostedBody,
    temps: Temps,
    confirmed = false,
  ): Promise<boolean> => {
    const outcome = await post.send(make(temps), {
      ...when.at,
      confirmed,
      enteredIn: system,
    });
    if (outcome.ok || outcome.code === 'kept') {
      when.again();
      return true;
    }
    if (outcome.code !== 'odd_temperature') return false;
    const said = [temps.beforeC, temps.tempC].filter((c) => c !== undefined);
    const other: Temps = Object.fromEntries(
      Object.entries(temps).map(([k, c]) => [k, inOther(c, system)]),
    );
    q.ask({
      words: (
        <p>
          {said.map((c) => show.temp(c)).join(' to ')} is unusual for raw meat. What did the
          thermometer show?
        </p>
      ),
      answers: [
        ...('otherC' in outcome
          ? [
              {
                label: `It was ${unitSymbol('temperature', otherSystem(system))}: ${Object.values(
                  other,
                )
                  .map((c: number) => show.temp(c))
                  .join(' to ')}`,
                act: () => void send(make, other, true),
              },
            ]
          : []),
        {
          label: `It really was ${said.map((c) => show.temp(c)).join(' to ')}`,
          act: () => void send(make, temps, true),
        },
      ],
    });
    return false;
  };
  return { ...post, send, q, when, show, system };
}
