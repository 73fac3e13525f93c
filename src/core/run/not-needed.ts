import { coreTargetOf } from '../recipe/stage-ends';
import type { ProgramStage } from '../recipe/stage';

/**
 * Stages that lie ahead and are not needed any more: what they are to bring the core to is reached, and the batch is lethal
 * enough already. Only the last ones of the program; one that waits for anything but heat and time is always needed.
 * @param ahead stages that have not begun, in order · @param coreC slowest credited core now, °C; null: nothing can be said
 * @param lethal the site's way of lethality is passed
 * @source usual practice of the trade: earlier than planned, the last stage is not needed
 */
export function notNeeded(
  ahead: readonly ProgramStage[],
  coreC: number | null,
  lethal: boolean,
): ProgramStage[] {
  if (coreC === null || !lethal) return [];
  const spare = (s: ProgramStage) => {
    const target = coreTargetOf(s);
    const others =
      s.ends?.dry === true || s.ends?.lossFraction !== undefined || s.ends?.ph !== undefined;
    return !s.smoke && !others && target !== undefined && coreC >= target;
  };
  const from = ahead.findLastIndex((s) => !spare(s)) + 1;
  return ahead.slice(from);
}
