import { MEDIUM_WORDS } from '@/words/batch';
import type { Show } from '@/words/show';
import { Notice } from '@/ui/status';
import type { AfterHeat, ChillAhead } from '../chill-ahead';

const STATUS = {
  safe: ['good', 'Even a slow chill keeps the rule this way.'],
  close: [
    'wait',
    'A usual chill keeps the rule this way; a slow one may not. Stir it, and measure.',
  ],
  too_slow: ['bad', 'At this diameter the rule cannot be kept this way.'],
} as const;

/** Whole minutes of the model, rounded up: who waits too short a while loses more. */
const shown = (min: number, show: Show) => show.duration(Math.ceil(min) * 60);

/** "between 12 and 16 min"; nothing where the band is too narrow to matter. */
function between([fast, slow]: readonly [number, number], show: Show): string | null {
  const narrow = slow - fast < 2 || slow < 1;
  return narrow ? null : `between ${shown(fast, show)} and ${shown(slow, show)}`;
}

function Chill({ chill, show }: { chill: ChillAhead; show: Show }) {
  const { plan } = chill;
  const [tone, words] = STATUS[plan.status];
  const short = plan.iceMin * 60 - chill.recipeS;
  return (
    <div className="space-y-2">
      <dl className="grid gap-x-6 gap-y-2 sm:grid-cols-3">
        {plan.iceMin > 0 && (
          <div>
            <dt className="small">{MEDIUM_WORDS[chill.medium]}</dt>
            <dd>
              <span className="figure">{shown(plan.iceMin, show)}</span>
              <span className="small block">
                {[
                  between(plan.band.iceMin, show),
                  `until the core is at ${show.temp(plan.leavesC)}`,
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            </dd>
          </div>
        )}
        <div>
          <dt className="small">{plan.iceMin > 0 ? 'Then in the cooler' : 'In the cooler'}</dt>
          <dd>
            <span className="figure">{shown(plan.airMin, show)}</span>
            <span className="small block">{between(plan.band.airMin, show)}</span>
          </dd>
        </div>
        {plan.iceKg > 0 && (
          <div>
            <dt className="small">Ice</dt>
            <dd>
              <span className="figure">{show.quantity('mass', plan.iceKg * 1000, 1)}</span>
              <span className="small block">
                {show.other('mass', plan.iceKg * 1000, 1)}, have it ready
              </span>
            </dd>
          </div>
        )}
      </dl>
      <Notice tone={tone}>
        {words}
        {plan.status === 'too_slow' &&
          ' Cut it thinner, begin colder, or choose a rule that your product may be chilled by.'}
      </Notice>
      {chill.medium !== 'cooler' && short > 60 && (
        <Notice tone="wait">
          The recipe gives it {show.duration(chill.recipeS)} in the{' '}
          {MEDIUM_WORDS[chill.medium].toLowerCase()}: too short for this diameter by{' '}
          {show.duration(short)}.
        </Notice>
      )}
      <p className="small">
        From the model, for a core of {show.temp(chill.fromC)}; the probe decides. Measured, never
        by the clock alone.
      </p>
    </div>
  );
}

/** The end of the heat and what comes after it: said before the pull, while there is time to get the ice. */
export function ChillCard({ after, show, nowS }: { after: AfterHeat; show: Show; nowS: number }) {
  const { chill, carry, bloom } = after;
  if (!chill && !carry && !bloom) return null;
  return (
    <section className="sheet space-y-3" aria-label="After the pull">
      <h2 className="text-lg font-semibold">After the pull</h2>
      {after.notNeeded.length > 0 && (
        <Notice tone="good">
          Not needed any more: {after.notNeeded.join(', ')}. The core is where it was to bring it,
          and safe.
        </Notice>
      )}
      {after.outOfReachC !== null && carry && (
        <Notice tone="bad">
          {show.temp(after.outOfReachC)} cannot be reached after a pull at {show.temp(carry.pullC)}:
          a piece of this size rises by at most {show.tempStep(carry.band[1])}. Pull later.
        </Notice>
      )}
      {carry && (
        <p>
          Pulled at {show.temp(carry.pullC)} the core still rises by about{' '}
          <strong>{show.tempStep(carry.riseC)}</strong>, highest {show.duration(carry.peakS)} later.
        </p>
      )}
      {chill && <Chill chill={chill} show={show} />}
      {bloom && (
        <p className={bloom.moveInS === 0 ? 'font-semibold text-bad' : ''}>
          Bloom in a room of {show.temp(bloom.roomC)}:{' '}
          {bloom.moveInS === 0
            ? bloom.because === 'rule'
              ? 'not yet. The core is still warm: into the cooler now.'
              : 'over. Into the cooler now.'
            : `into the cooler by ${show.when(nowS + bloom.moveInS, nowS)}, ${bloom.because === 'rule' ? 'so that the core is cold in time' : 'before it is warm again'}.`}
        </p>
      )}
    </section>
  );
}
