import { plausibleTemp, type Case, type EntryBody } from '@/core';
import type { Guard, Offered, Refused } from '@/features/logbook/service';

/** A hand reading of a core this far from every probe of its batch is asked back, °C. */
const UNLIKE_C = 15;
const LATELY_S = 900;

/** What the nearest probe of the batch shows, where a core by hand is unlike all of them; null where it fits. */
function coreBeside(c: Case, tempC: number, atS: number): number | null {
  const shown = c.state.probes
    .filter((p) => p.what === 'core' && p.toS === null)
    .flatMap((p) => (c.series[p.channelId] ?? []).findLast((r) => r.tS <= atS) ?? [])
    .filter((r) => atS - r.tS <= LATELY_S)
    .map((r) => r.tempC)
    .sort((a, b) => Math.abs(a - tempC) - Math.abs(b - tempC));
  const [nearest] = shown;
  return nearest !== undefined && Math.abs(nearest - tempC) > UNLIKE_C ? nearest : null;
}

/** Temperatures of raw meat that an entry says. */
function ofBatter(body: EntryBody | null): number[] {
  if (body?.kind === 'batter_measured') return [body.tempC];
  if (body?.kind !== 'step_ticked') return [];
  return [body.beforeC, body.tempC].filter((t) => t !== undefined);
}

/** The first temperature of raw meat that is odd, asked back or refused. */
function oddBatter(body: EntryBody | null, { offer }: Offered): Refused | null {
  for (const tempC of ofBatter(body)) {
    const answer = plausibleTemp('batter', tempC, offer.enteredIn ?? 'metric');
    if (answer.kind === 'impossible') return { ok: false, code: 'impossible_temperature' };
    if (answer.kind === 'ask' && !offer.confirmed)
      return {
        ok: false,
        code: 'odd_temperature',
        ...(answer.otherC === null ? {} : { otherC: answer.otherC }),
      };
  }
  return null;
}

function oddTemperature(offered: Offered): Refused | null {
  const { case: c, entry, offer } = offered;
  const { body } = entry;
  const said = body.kind === 'corrected' ? body.replacement : body;
  if (said?.kind !== 'reading_logged') return oddBatter(said, offered);
  const besideC = said.what === 'core' ? coreBeside(c, said.tempC, entry.happenedS) : null;
  const answer = plausibleTemp(said.what, said.tempC, offer.enteredIn ?? 'metric');
  if (answer.kind === 'impossible') return { ok: false, code: 'impossible_temperature' };
  if ((answer.kind !== 'ask' && besideC === null) || offer.confirmed) return null;
  const otherC = answer.kind === 'ask' ? answer.otherC : null;
  return {
    ok: false,
    code: 'odd_temperature',
    ...(otherC === null ? {} : { otherC }),
    ...(besideC === null ? {} : { besideC }),
  };
}

/** Odd temperatures are asked back once; impossible ones are refused. */
export const oddTemperatureGuard: Guard = {
  refuse: (_tx, o) => Promise.resolve(oddTemperature(o)),
};
