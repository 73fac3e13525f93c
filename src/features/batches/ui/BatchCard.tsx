import type { ReactNode } from 'react';
import { Link } from '@/ui/link';
import type { Show } from '@/words/show';
import { Notice } from '@/ui/status';
import type { Dossier } from '@/features/logbook/service';
import { liveCooling, liveHeat } from '../live';
import { nextStep } from '../next-step';
import type { BatchWay } from '../plan';
import { plannedWords } from './WayHeading';
import { FailedChecks } from './FailedChecks';
import { HoldReason } from './HoldReason';
import { nextWords } from '@/words/next';
import { standWords } from '@/words/batch';
import { When } from '@/ui/when';

const TINT: Record<string, string> = {
  weighing: '--hang',
  cure_hold: '--rest',
  making: '--hang',
  in_house: '--smoke',
  chilling: '--chill',
  finishing: '--rest',
  to_sign: '--dry',
};

function Figures({ dossier, show }: { dossier: Dossier; show: Show }) {
  const { phase } = dossier.case.state;
  const heat = phase === 'in_house' ? liveHeat(dossier.case) : null;
  const cooling = phase === 'chilling' ? liveCooling(dossier.case) : null;
  const coreC = heat?.coreC ?? cooling?.coreC;
  if (coreC === undefined) return null;
  return (
    <p className="figure max-sm:text-xl max-sm:leading-6">
      {show.temp(coreC)}{' '}
      <span className="unit">
        core<span className="max-sm:hidden">, {show.other('temperature', coreC)}</span>
      </span>
      {heat && (
        <span className="unit">
          {' '}
          · {show.logs(heat.logs)} of {show.number(heat.targetLogs)} log
        </span>
      )}
    </p>
  );
}

/** One batch on the Floor: where it stands, its core, what is next and when. */
export function BatchCard({
  dossier,
  show,
  nowS,
  canWork,
  way,
  place,
  bench,
  onBench = false,
}: {
  dossier: Dossier;
  show: Show;
  nowS: number;
  canWork: boolean;
  /** When it will be ready; null where it waits for a decision or a signature. */
  way: BatchWay | null;
  /** The name of the place that it is in. */
  place?: string;
  /** What is next on the bench, where it is being made. */
  bench?: ReactNode;
  /** Work on the bench has begun and goes on: what comes next comes after it. */
  onBench?: boolean;
}) {
  const { head, case: c } = dossier;
  const next = nextStep(c);
  const hold = c.state.holds.find((h) => h.open);
  const ready = way && plannedWords(way, show);
  const late = next.dueS !== null && next.dueS < nowS - 60;
  const logs = canWork && (c.state.phase === 'in_house' || c.state.phase === 'chilling');
  return (
    <li
      className="sheet flex flex-col gap-2 border-l-8 max-sm:gap-0.5 max-sm:py-1.5"
      style={{ borderLeftColor: `var(${hold ? '--bad' : (TINT[c.state.phase] ?? '--rest')})` }}
    >
      <div className="flex items-baseline justify-between gap-2">
        <h3 className="min-w-0 truncate text-lg font-semibold">
          <Link
            href={`/batches/${head.id}`}
            className="text-ink underline decoration-line underline-offset-4"
          >
            {head.recipe.name}
            <span className="sr-only">, {head.code}</span>
          </Link>
        </h3>
        <span className="small shrink-0">{head.code}</span>
      </div>
      <p className="text-soft max-sm:leading-tight">
        {c.state.practice ? 'PRACTICE · ' : ''}
        {standWords(c.state, place)} · {show.mass(c.state.meatG ?? c.state.plannedMeatG)}
      </p>
      <Figures dossier={dossier} show={show} />
      {ready && (
        <p className={(way?.lateS ?? 0) > 0 ? 'font-semibold text-bad' : 'text-soft max-sm:hidden'}>
          {ready}
        </p>
      )}
      {hold && (
        <Notice tone="bad">
          <span className="max-sm:line-clamp-1">
            On hold: <HoldReason hold={hold} verdict={dossier.verdict} show={show} />
          </span>
        </Notice>
      )}
      {c.state.phase !== 'destroyed' && <FailedChecks verdict={dossier.verdict} show={show} />}
      {bench}
      <div className={`mt-auto flex items-end justify-between gap-2 ${late ? 'text-bad' : ''}`}>
        <p>
          {onBench ? (
            <span className="text-soft max-sm:hidden">then: {nextWords(next, show)}</span>
          ) : (
            <strong className="block text-lg leading-tight">{nextWords(next, show)}</strong>
          )}
          {next.dueS !== null && (
            <span className={onBench ? 'max-sm:hidden' : ''}>
              <When at={next.dueS} nowS={nowS} />
              {late ? ', overdue' : ''}
            </span>
          )}
        </p>
        {logs && (
          <Link href={`/batches/${head.id}/house?log=core`} className="button shrink-0">
            Log core
          </Link>
        )}
      </div>
    </li>
  );
}
