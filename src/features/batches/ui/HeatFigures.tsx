import type { Case } from '@/core';
import type { Show } from '@/words/show';
import { StatusChip } from '@/ui/status';
import { liveCooling, liveHeat } from '../live';
import { Left, When } from '@/ui/when';

function Block({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="small">{label}</dt>
      <dd>{children}</dd>
    </div>
  );
}

/** The heat so far: slowest core, logs gained, minutes still needed. */
export function HeatFigures({ c, show, nowS }: { c: Case; show: Show; nowS: number }) {
  const heat = liveHeat(c);
  if (!heat)
    return (
      <p className="text-soft">
        No core reading yet. Place a probe in the thickest piece, or log by hand.
      </p>
    );
  const old = nowS - heat.atS > 120 && c.state.run?.pulledS == null;
  return (
    <dl className="grid gap-x-6 gap-y-2 sm:grid-cols-3">
      <Block label="Slowest core">
        <span className="figure" data-testid="core-now">
          {show.temp(heat.coreC)}
        </span>{' '}
        <span className="small">
          {show.other('temperature', heat.coreC)}, <When at={heat.atS} nowS={nowS} />
        </span>
        {old && (
          <p className="font-semibold text-bad">
            No reading for {show.duration(nowS - heat.atS)}: look at the probe.
          </p>
        )}
      </Block>
      <Block label="Lethality gained">
        <span className="figure">{show.logs(heat.logs, 2)}</span>{' '}
        <span className="unit">of {show.number(heat.targetLogs)} log</span>
      </Block>
      <Block label={`Still needed at ${show.temp(heat.coreC)}`}>
        {heat.pass ? (
          <StatusChip status="pass">Reached</StatusChip>
        ) : (
          <span className="figure">
            {heat.neededS === null ? 'Hotter first' : show.duration(heat.neededS)}
          </span>
        )}
        {!heat.pass && heat.neededS === null && (
          <p className="small">At this temperature the rule gives no credit.</p>
        )}
      </Block>
    </dl>
  );
}

const WORD = { pass: 'In time', fail: 'Too slow', incomplete: 'Running' } as const;

/** The cooling clock: each step with its deadline and the time left. */
export function CoolingClock({ c, show, nowS }: { c: Case; show: Show; nowS: number }) {
  const cooling = liveCooling(c);
  const rule = c.rules.cooling;
  return (
    <section className="sheet" aria-label="Cooling clock">
      <h2 className="text-lg font-semibold">Cooling clock</h2>
      <p className="small mb-2">
        {rule.title}. {rule.source}
      </p>
      {!cooling && (
        <p className="font-semibold text-wait">
          No core reading since the pull. Keep a probe in the thickest piece, or log by hand.
        </p>
      )}
      {cooling && (
        <p className="mb-2">
          <span className="figure">{show.temp(cooling.coreC)}</span>{' '}
          <span className="unit">
            slowest core, <When at={cooling.atS} nowS={nowS} />
          </span>
        </p>
      )}
      <ol>
        {rule.body.steps.map((s, i) => {
          const step = cooling?.steps[i];
          return (
            <li key={i} className="flex flex-wrap items-center gap-x-3 border-t border-line py-2">
              <span className="font-semibold">
                {show.temp(s.fromC)} to {show.temp(s.toC)}
              </span>
              <span className="text-soft">within {show.duration(s.maxS)}</span>
              <span className="ml-auto flex items-center gap-2">
                {step?.endS != null && <>took {show.duration(step.elapsedS ?? 0)}</>}
                {step?.deadlineS != null && step.endS === null && (
                  <Left until={step.deadlineS} nowS={nowS} />
                )}
                {step?.startS == null && <>starts at {show.temp(s.fromC)}</>}
                {step && step.startS !== null && (
                  <StatusChip status={step.status === 'incomplete' ? 'missing' : step.status}>
                    {WORD[step.status]}
                  </StatusChip>
                )}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
