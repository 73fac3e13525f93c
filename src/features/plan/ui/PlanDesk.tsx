'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { batchEnds, planFigures, type BatchPlan } from '@/core';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { planTroubleWords } from '@/words/plan';
import { agendaOf } from '../agenda';
import type { Board } from '../board';
import { BoardGrid } from './board/BoardGrid';
import { BoardTools } from './board/BoardTools';
import { headsOf, linesOf, type Bar, type Line, type View } from './board/layout';
import { scaleOf, type Zoom } from './board/scale';
import { useMove, type Held, type Moved } from './board/use-move';
import { LatestOnly } from './latest-only';
import { Signal } from './signal';
import { LateList } from './LateList';
import { LeverForm } from './LeverForm';
import { Breaks, MoveBar, type Way } from './MoveBar';
import { OfferBar } from './OfferBar';
import { StepPanel } from './StepPanel';
import { StandLine } from './StandLine';
import { Still } from './Still';
import { TodayList } from './TodayList';
import { Unmanned } from './Unmanned';
import { useNames } from './use-names';
import { usePlanner } from './use-planner';

const DAY_S = 24 * 3600;
const BEFORE_S = 12 * 3600;
/** From one look at what moves to the next, ms. */
const LOOK_MS = 120;

/** What was chosen, where it is now: on its line, or on the first that it stands on. */
function heldOf(lines: readonly Line[], { key, line }: { key: string; line: string }): Held | null {
  const own = [...lines].sort((a, b) => Number(b.id === line) - Number(a.id === line));
  for (const l of own) {
    const bar = l.bars.find((b) => b.key === key);
    if (bar) return { bar, line: l.id };
  }
  return null;
}

/** The board of the plan with what is late, what is offered, and what is moved by hand. */
export function PlanDesk({ board, canWork }: { board: Board; canWork: boolean }) {
  const show = useShow();
  const names = useNames(board);
  const planner = usePlanner(board);
  const [view, setView] = useState<View>('places');
  const [zoom, setZoom] = useState<Zoom>('three_days');
  const [whole, setWhole] = useState(false);
  const [chosen, setChosen] = useState<{ key: string; line: string } | null>(null);
  const [holding, setHolding] = useState(false);
  /* What was moved by hand holds for the plan it was moved in, and for no later one. */
  const basedOn = `${board.copyId} ${board.plan?.number}`;
  const [hand, setHand] = useState<{ of: string; moved: Moved } | null>(null);
  const draft = hand?.of === basedOn ? hand.moved : null;
  const [live] = useState(() => new Signal<readonly string[]>());
  const [way] = useState(() => new Signal<Way>());
  const placed = draft?.steps ?? board.placed;
  const { pins, worker } = planner;

  const lines = useMemo(() => linesOf(board, placed, pins, view), [board, placed, pins, view]);
  const agenda = useMemo(() => agendaOf(board, placed), [board, placed]);
  const heads = useMemo(
    () =>
      headsOf(
        agenda.filter((a) => !a.besides),
        board.there,
      ),
    [agenda, board.there],
  );
  const scale = useMemo(() => {
    const ends = [...placed.map((p) => p.endS), ...board.batches.map((b) => b.readyByS)];
    const firstS = Math.min(board.nowS - BEFORE_S, ...board.behind.map((b) => b.startS));
    const startS = Math.max(board.nowS - 3 * DAY_S, firstS);
    return scaleOf(zoom, startS, Math.max(board.nowS + 3 * DAY_S, ...ends) + DAY_S);
  }, [zoom, placed, board]);

  const selected = chosen && heldOf(lines, chosen);
  const choose = useCallback((bar: Bar, line: string) => setChosen({ key: bar.key, line }), []);
  const grid = useRef<HTMLDivElement>(null);
  const showStep = (batch: string, step: string) => {
    const key = `${batch} ${step}`;
    const line = lines.find((l) => l.bars.some((b) => b.key === key));
    if (!line) return;
    setChosen({ key, line: line.id });
    grid.current?.scrollIntoView({ block: 'nearest' });
  };
  const looks = useMemo(
    () =>
      new LatestOnly(
        ({ steps }: Moved) => worker().troubles({ task: board.task, steps, pins }),
        (troubles) => live.set(troubles.map((t) => planTroubleWords(t, names, show))),
        LOOK_MS,
      ),
    [worker, board.task, pins, live, names, show],
  );
  /* What was let go is looked at where it is, and again whenever anything else has changed. */
  const settle = useCallback(() => {
    looks.forget();
    if (draft) looks.ask(draft);
    else live.set(null);
  }, [looks, live, draft]);
  useEffect(() => {
    settle();
    return () => looks.forget();
  }, [looks, settle]);
  const onMoving = (moved: Moved, { bar }: Held) => {
    way.set({ bar, startS: bar.startS + moved.byS, into: moved.into });
    looks.ask(moved);
  };
  const onMoved = (moved: Moved | null) => {
    way.set(null);
    if (!moved) return settle();
    const keys = [...new Set([...(draft?.keys ?? []), ...moved.keys])];
    const next = { ...moved, keys };
    setHand({ of: basedOn, moved: next });
    if (moved.into !== null && view === 'places')
      setChosen((c) => c && { ...c, line: moved.into! });
  };
  const move = useMove({ grid, board, placed, lines, scale, whole, onMoving, onMoved });

  const putBack = () => {
    setHand(null);
    setHolding(false);
  };
  const keepMoved = async () => {
    if (!draft) return setHolding(false);
    const now = draft.keys.map((key) => {
      const at = draft.steps.find((p) => `${p.batch} ${p.step}` === key)!;
      return { batch: at.batch, step: at.step };
    });
    const others = pins.filter((p) => !now.some((n) => n.batch === p.batch && n.step === p.step));
    const words = 'Moved and pinned. What is planned next goes round it.';
    if (await planner.keep('moved', draft.steps, [...others, ...now], words)) putBack();
  };
  const wordsOf = (plan: BatchPlan, ms: number) => {
    const ends = batchEnds(board.task, plan.steps).filter((e) => e.lateS > 0);
    const late = ends.length === 0 ? 'everything in time' : `${ends.length} late`;
    const best = plan.proven ? ', and no plan is better' : '';
    const nowhere = plan.unplaced.length > 0 ? `, ${plan.unplaced.length} without a place` : '';
    return `Planned in ${show.number(ms / 1000, 1)} s: ${late}${nowhere}${best}.`;
  };
  const broken = planner.look?.troubles.map((t) => planTroubleWords(t, names, show)) ?? [];

  return (
    <>
      <StandLine
        board={board}
        names={names}
        figures={planFigures(board.task, board.placed)}
        planned={board.plan !== null}
      />
      <div className="flex flex-col">
        <div className="max-sm:order-last">
          <BoardTools
            view={view}
            onView={setView}
            zoom={zoom}
            onZoom={setZoom}
            canWork={canWork}
            planner={planner}
            canUndo={board.plan !== null}
            onPlan={() => void planner.planAll(wordsOf)}
          />
          <Still way={way}>
            {planner.said && (
              <div className="mt-3">
                <Notice tone={planner.said.tone}>{planner.said.text}</Notice>
              </div>
            )}
            {planner.offer && canWork && (
              <OfferBar board={board} offer={planner.offer} names={names} planner={planner} />
            )}
            {!planner.offer && broken.length > 0 && (
              <div className="sheet mt-3 text-sm">
                <b>The plan breaks by now:</b>
                <Breaks words={broken} />
              </div>
            )}
          </Still>
          <div className="mt-3 hidden sm:block">
            <BoardGrid
              board={board}
              lines={lines}
              heads={heads}
              scale={scale}
              names={names}
              canWork={canWork}
              selected={selected}
              held={holding}
              grid={grid}
              move={move}
              onSelect={choose}
              onHold={setHolding}
              onKeep={() => void keepMoved()}
              onDrop={putBack}
            />
            <MoveBar
              draft={draft}
              holding={holding}
              selected={selected}
              names={names}
              live={live}
              way={way}
              onKeep={() => void keepMoved()}
              onPutBack={putBack}
            />
          </div>
          <div className="mt-3 grid items-start gap-4 lg:grid-cols-2">
            <div className="max-sm:hidden">
              <StepPanel
                key={selected?.bar.key}
                board={board}
                held={selected}
                names={names}
                canWork={canWork}
                whole={whole}
                onWhole={setWhole}
                pins={pins}
                onPut={move.put}
                onPin={(next, words) => void planner.keep('pinned', board.placed, next, words)}
              />
            </div>
            <div className="space-y-4">
              <Unmanned
                board={board}
                agenda={agenda}
                names={names}
                canWork={canWork}
                onShow={showStep}
              />
              <LateList board={board} names={names} planner={planner} canWork={canWork} />
            </div>
          </div>
          {canWork && board.copyId === null && (
            <div className="mt-3">
              <LeverForm board={board} copy={null} />
            </div>
          )}
        </div>
        <TodayList board={board} agenda={agenda} names={names} />
      </div>
    </>
  );
}
