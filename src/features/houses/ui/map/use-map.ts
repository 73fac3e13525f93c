'use client';

import { useState } from 'react';
import { arrangeLoad, perStick, type HangingGrid, type HungStick, type Spot } from '@/core';
import type { LoadMapData, MapProduct } from '../../load-map';

export const sameSpot = (a: Spot, b: Spot) => a.level === b.level && a.row === b.row;

/** A map of sticks that is arranged on the screen before it is recorded. */
export function useMap(data: LoadMapData, grid: HangingGrid) {
  const [sticks, setSticks] = useState<HungStick[]>(data.sticks);
  /* What others recorded meanwhile is taken over, unless something was moved here since. */
  const mark = JSON.stringify(data.sticks);
  const [base, setBase] = useState(mark);
  if (mark !== base) {
    setBase(mark);
    if (JSON.stringify(sticks) === base) setSticks(data.sticks);
  }
  const [chosen, setChosen] = useState<number | null>(null);
  const [said, setSaid] = useState('');
  /* A stick that was moved by a key is at another place of the page: the keys go with it. */
  const [follow, setFollow] = useState<number | null>(null);
  const at = (spot: Spot) => sticks.find((s) => sameSpot(s, spot)) ?? null;
  const of = (id: string) => data.products.find((p) => p.id === id)!;
  const spotName = ({ level, row }: Spot) => `level ${level}, row ${row}`;
  const hungOf = (p: MapProduct) =>
    sticks.filter((s) => s.productId === p.id).reduce((n, s) => n + s.pieces, 0);
  const left = (p: MapProduct) => (p.pieces === null ? null : Math.max(0, p.pieces - hungOf(p)));
  const nextNumber = () => Math.max(0, ...sticks.map((s) => s.stick)) + 1;
  /** Moves a stick to a spot; what hangs there changes places with it. */
  const move = (stick: number, to: Spot) => {
    const from = sticks.find((s) => s.stick === stick);
    const inside = to.level >= 1 && to.level <= grid.levels && to.row >= 1 && to.row <= grid.rows;
    if (!from || !inside) return setSaid(inside ? '' : 'That is outside the house.');
    const there = at(to);
    setFollow(stick);
    setSticks((all) =>
      all.map((s) =>
        s.stick === stick
          ? { ...s, level: to.level, row: to.row }
          : there && s.stick === there.stick
            ? { ...s, level: from.level, row: from.row }
            : s,
      ),
    );
    setSaid(
      `Stick ${stick} to ${spotName(to)}${there ? `, changed over with stick ${there.stick}` : ''}.`,
    );
  };
  const add = (p: MapProduct, spot: Spot) => {
    const most = perStick(p, grid.stickMm);
    const rest = left(p);
    const pieces = rest === null || rest === 0 ? most : Math.min(most, rest);
    const stick = nextNumber();
    setSticks((all) => [...all, { stick, productId: p.id, pieces, ...spot }]);
    setChosen(stick);
    setSaid(`Stick ${stick} with ${pieces} pieces of ${p.name} at ${spotName(spot)}.`);
  };
  const setPieces = (stick: number, pieces: number) =>
    setSticks((all) => all.map((s) => (s.stick === stick ? { ...s, pieces } : s)));
  const remove = (stick: number) => {
    setSticks((all) => all.filter((s) => s.stick !== stick));
    setChosen(null);
    setSaid(`Stick ${stick} taken off.`);
  };
  const arrange = () => {
    const load = data.products.flatMap((product) =>
      product.pieces === null ? [] : [{ product, pieces: product.pieces }],
    );
    const made = arrangeLoad(grid, load);
    setSticks(made.sticks);
    setChosen(null);
    setSaid(
      made.left > 0
        ? `${made.left} pieces find no place in this house.`
        : `${made.sticks.length} sticks hung.`,
    );
  };
  return {
    sticks,
    chosen,
    setChosen,
    said,
    follow,
    at,
    of,
    left,
    move,
    add,
    setPieces,
    remove,
    arrange,
  };
}
export type MapState = ReturnType<typeof useMap>;
