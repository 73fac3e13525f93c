'use client';

import { useState } from 'react';
import { USUAL_CHILL, chillTimeS, fromBase, toBase, unitSymbol } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { PRE_CHILL } from '@/words/making';
import type { MakingSheetData } from '../sheet';

/** How long meat of this temperature has to lie in the freezer; once it lies there, until when. */
export function ChillAhead({
  fromC,
  sheet,
  putS,
}: {
  fromC: number;
  sheet: MakingSheetData;
  putS: number | null;
}) {
  const show = useShow();
  const { system } = show.settings;
  const shown = (c: number) => String(Math.round(fromBase('temperature', c, system)));
  const [deep, setDeep] = useState(() =>
    String(Number(fromBase('diameter', USUAL_CHILL.thicknessMm, system).toFixed(1))),
  );
  const [freezer, setFreezer] = useState(() => shown(USUAL_CHILL.freezerC));
  const [d, f] = [readFigure(deep), readFigure(freezer)];
  const thicknessMm = d.ok ? toBase('diameter', d.value, system) : Number.NaN;
  const freezerC = f.ok ? toBase('temperature', f.value, system) : Number.NaN;
  const known =
    thicknessMm >= 5 && thicknessMm <= 150 && freezerC >= -40 && freezerC <= 15 && fromC <= 40;
  const tS = known
    ? chillTimeS({
        massG: sheet.meatG,
        thicknessMm,
        startC: Math.max(-20, fromC),
        targetC: sheet.chillTargetC,
        freezerC,
        siteFactor: Math.min(5, Math.max(0.2, sheet.chillFactor)),
      })
    : null;
  const learned = sheet.chillRuns > 0 ? `, as ${sheet.chillRuns} chills here went` : '';
  return (
    <div className="grid grid-cols-2 gap-2">
      <NumberField
        label="Spread, deep"
        unit={unitSymbol('diameter', system)}
        value={deep}
        onChange={setDeep}
      />
      <NumberField
        label="Freezer"
        unit={unitSymbol('temperature', system)}
        value={freezer}
        onChange={setFreezer}
      />
      <p className="col-span-2 font-semibold" data-testid="chill-minutes">
        {!known
          ? 'Give a depth of 5 to 150 mm and a freezer of −40 to 15 °C.'
          : tS === null
            ? `That freezer does not get it to ${show.temp(sheet.chillTargetC)} in a day’s work.`
            : `About ${show.duration(tS)} to ${show.temp(sheet.chillTargetC)} on the surface${putS === null ? '' : `: until ${show.time(putS + tS)}`}${learned}.`}
      </p>
      <p className="small col-span-2">
        Into the cold with it: {PRE_CHILL.grinder}; {PRE_CHILL.mixer}.
      </p>
    </div>
  );
}
