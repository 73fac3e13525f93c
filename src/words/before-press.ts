import type { Check, StageProgress, Wait } from '@/core';
import type { Show } from './show';

/** What is asked before a press that ends a stage or the heat: what is not reached, the safe choice, and the other one. */
export type Asks = { words: string; stay: string; go: string };

/** The slowest core, and what it still lacks. */
type Heat = { coreC: number; logs: number; targetLogs: number; neededS: number | null } | null;

/** What a stage still waits for, in words. */
export function waitWords(w: Wait, show: Show): string {
  const now = (words: string) => (w.now === null ? 'unknown yet' : words);
  if (w.code === 'time')
    return `${show.duration(w.target)} (${now(show.duration(w.now ?? 0))} gone)`;
  if (w.code === 'core') return `core ${show.temp(w.target)} (${now(show.temp(w.now ?? 0))} now)`;
  if (w.code === 'logs')
    return `${show.number(w.target, 1)} logs (${now(show.number(w.now ?? 0, 1))} now)`;
  if (w.code === 'loss') return `${show.number(w.target * 100, 0)} % lost: weigh a marked piece`;
  if (w.code === 'ph')
    return `pH ${show.number(w.target, 2)} (${now(show.number(w.now ?? 0, 2))} shown)`;
  return 'surface dry: feel it';
}

/** What the present stage has not reached; null where it has its end, or waits for nothing. */
export function unreachedWords(p: StageProgress, show: Show): string | null {
  if (p.over) return null;
  const { stage } = p.at;
  const open = p.waits.filter((w) => !w.met);
  if (open.length === 0) {
    if (p.elapsedS >= p.plannedS) return null;
    return `${stage.name}: ${show.duration(p.elapsedS)} of ${show.duration(p.plannedS)} gone`;
  }
  const join = stage.ends?.join === 'all' ? ' and ' : ' or ';
  return `${stage.name} waits for ${open.map((w) => waitWords(w, show)).join(join)}`;
}

/** What is asked before the next stage; null where the present one has its end. */
export function nextStageAsks(
  unreached: readonly (string | null)[],
  [now, next]: readonly [string, string],
): Asks | null {
  const words = [...new Set(unreached.filter((w) => w !== null))];
  if (words.length === 0) return null;
  return {
    words: `${words.join('; ')}.`,
    stay: `Stay in ${now}`,
    go: `Go on to ${next}`,
  };
}

/** What the lethality that a batch is asked for lacks; null where it is shown, or not asked. */
function lethalityWords(check: Check | undefined, heat: Heat, show: Show): string | null {
  if (!check || check.status === 'pass') return null;
  if (!heat) return 'No core reading counts yet, so nothing shows that it is cooked';
  const have = `${show.number(heat.logs, 2)} of ${show.number(heat.targetLogs)} log`;
  const at = show.temp(heat.coreC);
  if (heat.logs >= heat.targetLogs) return `${have}, but its evidence does not count yet`;
  return heat.neededS === null
    ? `${have}, and none is gained at ${at}: hotter first`
    : `${have}, ${show.duration(heat.neededS)} more at ${at}`;
}

/** What is asked before a pull; null where everything that the batch waits for is reached. `ahead`: stages that it has not begun. */
export function pullAsks(
  name: string,
  {
    lethality,
    heat,
    progress,
    ahead,
  }: { lethality?: Check; heat: Heat; progress: StageProgress | null; ahead: readonly string[] },
  show: Show,
): Asks | null {
  const lacks = lethalityWords(lethality, heat, show);
  const ripens = progress && ['ferment', 'hang'].includes(progress.at.stage.kind);
  const stay = ripens ? 'Leave it hanging' : 'Keep cooking';
  if (lacks)
    return { words: `${name}: ${lacks}. Pull now and it goes on hold.`, stay, go: 'Pull anyway' };
  const later = ahead.length > 0 ? `${ahead.join(', ')} not begun` : null;
  const unreached = [progress && unreachedWords(progress, show), later].filter((w) => w !== null);
  if (unreached.length === 0) return null;
  const end = ripens ? ` ${progress.at.stage.name} ends here.` : '';
  return { words: `${name}: ${unreached.join('; ')}.${end}`, stay, go: 'Pull anyway' };
}
