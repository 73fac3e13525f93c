import { testRecipe } from '../testing/recipe';
import { caseOf, play, withSecond } from '../testing/played';
import { believedOf, takeBelieved } from './believed';
import type { Case } from './check';
import { judge } from './judge';
import { pieceLogs } from './pieces';
import { coreLogs, houseWindow } from './windows';

const recipe = testRecipe();
const good = () =>
  caseOf(withSecond(play({ recipe, everyS: 30, secondThicker: 0.05, cooled: 'air' })));
/** The same with a probe that jumps about, sticks and is replaced by air. */
function odd(): Case {
  const c = good();
  const [id] = c.state.probes.filter((p) => p.what === 'core').map((p) => p.channelId);
  const log = c.series[id!]!.map((r, i) => ({
    ...r,
    tempC: i % 97 === 50 ? 140 : i > 200 && i < 320 ? 61 : r.tempC,
  }));
  return { ...c, series: { ...c.series, [id!]: log } };
}

test.each<[string, () => Case]>([
  ['a good batch', good],
  ['odd probes', odd],
])(
  '%s: what was worked out elsewhere and sent is what would have been worked out here',
  (_what, make) => {
    const there = make();
    const sent = structuredClone(believedOf(there));
    const here = make();
    takeBelieved(here, sent);
    expect(pieceLogs(here).logs).toEqual(pieceLogs(there).logs);
    expect(judge(here)).toEqual(judge(there));
    const window = houseWindow(here)!;
    expect(coreLogs(here, window.fromS, window.toS, 'house')).toEqual(
      coreLogs(there, window.fromS, window.toS, 'house'),
    );
    if (make === odd) expect(sent.some((b) => b.why.some((code) => code > 0))).toBe(true);
  },
);
