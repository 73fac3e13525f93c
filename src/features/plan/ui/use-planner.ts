'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { BatchPlan, PinnedStep, PlacedStep } from '@/core';
import { problemWords } from '@/words/problems';
import { PlanClient } from '@/workers/plan/client';
import type { PlanLook, Progress } from '@/workers/plan/protocol';
import { savePlanAction, undoPlanAction } from '../actions';
import type { Board } from '../board';
import type { SavePlan } from '../contract';

/** How long is planned, ms; it can be stopped at any time, and takes the best so far. */
const PLAN_MS = 4000;
const OFFER_MS = 1200;
/** What time alone changes is looked at so often, s. */
const QUARTER_S = 900;

/** What is asked of a plan, without what goes on with the clock. */
const askedOf = ({ task, there }: Board) => [
  task.batches.map((b) => [b.id, b.readyByS, b.weight]),
  there.slice(1, -1),
];

/** What a plan breaks, without figures that go on with the clock. */
const brokenKey = (basedOn: number, troubles: PlanLook['troubles']) =>
  JSON.stringify([basedOn, troubles.map((t) => [t.code, t.batch, t.step])]);

export type Busy = { progress: Progress | null; stop: () => void };
export type Offer = { plan: BatchPlan; broken: PlanLook['troubles'] };

/** The worker behind a board: it plans, looks at what a plan breaks, and what it makes is kept on the server. */
export function usePlanner(board: Board) {
  const router = useRouter();
  const client = useRef<PlanClient | null>(null);
  const [busy, setBusy] = useState<Busy | null>(null);
  const [said, setSaid] = useState<{ tone: 'bad' | 'good'; text: string } | null>(null);
  const [seen, setSeen] = useState<{ of: string; look: PlanLook } | null>(null);
  /* It stays until it is answered, the plan is another one, or it would break something itself. */
  const [offered, setOffered] = useState<{ basedOn: number; offer: Offer } | null>(null);
  const answered = useRef<string | null>(null);
  const { task, copyId, plan, placed, unplanned } = board;
  const pins = plan?.pins ?? NO_PINS;
  const basedOn = plan?.number ?? 0;

  /* Refused since another plan was kept meanwhile: nothing is done before that one is here. */
  const [refused, setRefused] = useState<number | null>(null);
  const worker = useCallback(() => (client.current ??= new PlanClient()), []);
  useEffect(
    () => () => {
      client.current?.close();
      client.current = null;
    },
    [],
  );

  /* Pages are made anew whenever something is logged; what is the same is not looked at again. */
  const quarter = Math.floor(board.nowS / QUARTER_S);
  const key = useMemo(
    () => JSON.stringify([quarter, placed, pins, askedOf(board)]),
    [quarter, placed, pins, board],
  );
  const latest = useRef({ task, placed, pins, plan, offered });
  useEffect(() => {
    latest.current = { task, placed, pins, plan, offered };
  });

  /* What the plan breaks by now; where it does, a changed one is made and offered. */
  useEffect(() => {
    let gone = false;
    const { task, placed, pins, plan, offered: before } = latest.current;
    const stand = { task, steps: placed, pins };
    void worker()
      .look(stand)
      .then(async (now) => {
        if (gone) return;
        setSeen({ of: key, look: now });
        if (plan === null || now.troubles.length === 0) return setOffered(null);
        if (brokenKey(plan.number, now.troubles) === answered.current) return;
        const kept = before?.basedOn === plan.number ? before.offer.plan : null;
        const holds =
          kept !== null &&
          (await worker().look({ task, steps: kept.steps, pins })).troubles.length === 0;
        if (gone || holds) return;
        const made = await worker().plan(stand, { timeMs: OFFER_MS, movesCost: true }).answer;
        const then = await worker().look({ task, steps: made.plan.steps, pins });
        const better = then.troubles.length < now.troubles.length;
        if (gone) return;
        setOffered(
          better
            ? { basedOn: plan.number, offer: { plan: made.plan, broken: now.troubles } }
            : null,
        );
      })
      .catch(() => undefined);
    return () => void (gone = true);
  }, [key, worker]);

  const keep = async (
    why: SavePlan['why'],
    steps: readonly PlacedStep[],
    kept: readonly PinnedStep[],
    words: string,
  ): Promise<boolean> => {
    const answer = await savePlanAction({ copyId, basedOn, why, steps, pins: kept }).catch(
      () => null,
    );
    if (answer && !answer.ok && answer.code === 'plan_changed') setRefused(basedOn);
    setSaid(
      answer?.ok
        ? { tone: 'good', text: words }
        : { tone: 'bad', text: problemWords(answer?.code ?? 'no_link') },
    );
    if (answer) router.refresh();
    return answer?.ok === true;
  };

  const planAll = async (wordsOf: (plan: BatchPlan, ms: number) => string) => {
    setSaid(null);
    const stand = { task, steps: placed, pins };
    /* A batch without a place comes in whatever has to move; otherwise what was promised moves only where it helps. */
    const movesCost = plan !== null && unplanned.length === 0;
    const going = worker().plan(stand, { timeMs: PLAN_MS, movesCost }, (progress) =>
      setBusy((b) => b && { ...b, progress }),
    );
    setBusy({ progress: null, stop: going.stop });
    try {
      const { plan: made, ms } = await going.answer;
      await keep('planned', made.steps, pins, wordsOf(made, ms));
    } catch (error) {
      setSaid({ tone: 'bad', text: error instanceof Error ? error.message : String(error) });
    }
    setBusy(null);
  };

  const undo = async () => {
    const answer = await undoPlanAction({ copyId, basedOn }).catch(() => null);
    setSaid(
      answer?.ok
        ? { tone: 'good', text: 'Taken back.' }
        : { tone: 'bad', text: problemWords(answer?.code ?? 'no_link') },
    );
    if (answer) router.refresh();
  };

  return {
    worker,
    isStale: refused !== null && refused === basedOn,
    busy,
    said,
    /* Of what is shown, and of nothing older. */
    look: seen?.of === key ? seen.look : null,
    offer: offered?.basedOn === basedOn ? offered.offer : null,
    pins,
    keep,
    planAll,
    undo,
    /* The same is not offered again; something else that breaks is. */
    dropOffer: () => {
      answered.current = offered && brokenKey(offered.basedOn, offered.offer.broken);
      setOffered(null);
    },
  };
}

const NO_PINS: PinnedStep[] = [];
