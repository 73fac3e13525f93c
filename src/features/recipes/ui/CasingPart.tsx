'use client';

import { unitSymbol } from '@/core';
import { useShow } from '@/ui/show-context';
import { Part, Pick, Text, wordPairs } from './fields';
import { OwnCasingPick } from './OwnCasingPick';
import { CASING_WORDS } from '@/words/recipe';

const CASINGS = [['', 'not said'], ...wordPairs(CASING_WORDS)] as const;

export function CasingPart() {
  const { system } = useShow().settings;
  const length = unitSymbol('diameter', system);
  const casingCostUnit = unitSymbol('costPerLength', system);
  return (
    <Part title="Casing and yield">
      <div className="flex flex-wrap items-end gap-2">
        <Text name="casing" label="Casing" numeric={false} className="min-w-40 flex-[2]" />
        <Pick name="casingKind" label="Kind" options={CASINGS} />
        <OwnCasingPick at={null} />
        <Text name="diameter" label="Diameter" unit={length} />
        <Text name="piece" label="Piece length" unit={length} />
        <Text name="waste" label="Waste" unit="%" />
        <Text name="casingCost" label="Cost" unit={casingCostUnit} />
        <Text name="yield" label="Finished of batter" unit="%" />
      </div>
    </Part>
  );
}
