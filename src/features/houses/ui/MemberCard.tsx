import { Link } from '@/ui/link';
import { coreTargetOf, putBackUntilS, runStages } from '@/core';
import { standWords } from '@/words/batch';
import { waitWords } from '@/words/before-press';
import type { Show } from '@/words/show';
import { beforePress } from '@/features/batches/service';
import type { Member } from '../load';
import { ForecastCard } from './ForecastCard';
import { MemberActions, type OtherPlace } from './MemberActions';
import { MemberPutBack } from './MemberPutBack';

/** One batch of a load: where it hangs, how warm it is, what it waits for, when it is done. */
export function MemberCard({
  member,
  places,
  show,
  nowS,
}: {
  member: Member;
  places: OtherPlace[];
  show: Show;
  nowS: number;
}) {
  const { dossier, heat, progress } = member;
  const { head, case: c } = dossier;
  const run = c.state.run!;
  const at = runStages(c.state).at(-1);
  const moved = run.moves.length > 0;
  const putBackS = putBackUntilS(c.state, c.rules);
  const inHouse = c.state.phase === 'in_house';
  /* No core is judged in a chamber. */
  const ripens = at?.stage.kind === 'ferment' || at?.stage.kind === 'hang';
  const join = progress?.at.stage.ends?.join === 'all' ? ' and ' : ' or ';
  const last = run.program.at(-1);
  return (
    <article className="sheet space-y-2" aria-label={`${head.recipe.name}, ${head.code}`}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h3 className="text-lg font-semibold">
          <Link className="text-accent underline" href={`/batches/${head.id}/house`}>
            {head.recipe.name}
            <span className="sr-only">, {head.code}</span>
          </Link>
        </h3>
        <span className="small">{head.code}</span>
      </div>
      <p className="text-soft">
        {show.quantity('diameter', c.recipe.casing.diameterMm)}
        {run.sticks ? ` · ${run.sticks} sticks` : ''}
        {run.position ? ` · ${run.position}` : ''}
        {moved || !inHouse ? ` · ${moved && inHouse ? at!.stage.name : standWords(c.state)}` : ''}
        {c.state.practice ? ' · PRACTICE, never to be released' : ''}
      </p>
      {heat && (
        <p>
          <span className="figure">{show.temp(heat.coreC)}</span>{' '}
          <span className="small">
            slowest core, {show.other('temperature', heat.coreC)} · {show.logs(heat.logs)} of{' '}
            {show.number(heat.targetLogs)} log
          </span>
        </p>
      )}
      {member.failed !== null && (
        <p className="font-semibold text-bad">
          Could not be worked out: {member.failed}. The record is kept.
        </p>
      )}
      {inHouse && !heat && !ripens && member.failed === null && (
        <p className="font-semibold text-wait">
          No credited core reading yet: put a probe into the thickest piece.
        </p>
      )}
      {progress && progress.waits.length > 0 && (
        <p>
          {at!.stage.name} until {progress.waits.map((w) => waitWords(w, show)).join(join)}
          {progress.over ? <strong className="text-good">: it has that</strong> : ''}
          {progress.paused ? <strong className="text-wait"> · paused</strong> : ''}
        </p>
      )}
      <ForecastCard member={member} show={show} nowS={nowS} />
      {putBackS !== null && nowS <= putBackS && (
        <MemberPutBack batchId={head.id} until={show.time(putBackS)} />
      )}
      {inHouse && (
        <MemberActions
          batchId={head.id}
          name={head.recipe.name}
          places={places}
          asks={beforePress(dossier, show, nowS).pull}
          coreTargetC={(last && coreTargetOf(last)) ?? 70}
          ready={
            Boolean(progress?.over) &&
            (moved || run.stages.at(-1)!.index === run.program.length - 1)
          }
        />
      )}
    </article>
  );
}
