import { hasPoultry } from '../recipe/recipe';
import type { Reading } from '../lethality/reading';
import { withoutSinglePeaks } from '../probes/single-peaks';
import { check, type Case, type Check, type Figure } from './check';
import { judgeLethality, type LethalityResult } from './lethality-way';
import { endsByHand } from './pieces';
import type { Counted } from './views';
import { houseView } from './windows';

/** Stretches of a counted log as lethality believes them: no reading alone helps. */
export const lethalSpans = (x: Counted): Reading[][] => {
  const byHand = endsByHand(x.log);
  return x.spans.map((s) => withoutSinglePeaks(s, 'up', byHand(s)));
};

export type PieceLethality = { of: Counted; result: LethalityResult };

/** Each counted piece with what its credited log comes to, slowest first. */
export function piecesLethality(c: Case): PieceLethality[] {
  const rule = c.rules.lethality.body;
  const poultry = hasPoultry(c.recipe);
  return (houseView(c)?.counted ?? [])
    .map((of) => ({ of, result: judgeLethality(lethalSpans(of), rule, poultry) }))
    .sort((a, b) => a.result.reached - b.result.reached);
}

const after = (spans: readonly Reading[][], tS: number): Reading[][] =>
  spans.map((s) => s.filter((r) => r.tS >= tS)).filter((s) => s.length > 0);

/** From when a colder piece was no longer colder, the probes alone must show all of the lethality. */
const answered = (c: Case, of: Counted, sinceS: number | null) =>
  sinceS !== null &&
  judgeLethality(after(lethalSpans(of), sinceS), c.rules.lethality.body, hasPoultry(c.recipe)).pass;

/** Lethality by the site's accepted way, on the slowest credited core. */
export function checkLethality(c: Case): Check {
  const rule = c.rules.lethality;
  const view = houseView(c);
  const [worst] = piecesLethality(c);
  if (!view || !worst) return check('lethality', rule, 'missing', 'no_core_log');
  const { result, of } = worst;
  const pulled = c.state.run?.pulledS != null;
  if (!result.pass) {
    if (!pulled) return check('lethality', rule, 'missing', 'keep_cooking', result.figures);
    return of.lost
      ? check('lethality', rule, 'missing', 'piece_lost', result.figures)
      : check('lethality', rule, 'fail', 'not_reached', result.figures);
  }
  const hand = view.worseByHand;
  if (hand && !answered(c, of, hand.answeredS)) {
    const { tempC } = hand.reading;
    const figures: Figure[] = [{ name: 'handC', value: tempC, unit: 'C' }, ...result.figures];
    return check('lethality', rule, 'missing', 'colder_by_hand', figures);
  }
  return check('lethality', rule, 'pass', rule.body.way, result.figures);
}
