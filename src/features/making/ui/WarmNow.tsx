'use client';

import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { warmWords } from '@/words/making';
import type { MakingSheetData } from '../sheet';

/** What came out of a step too warm, for as long as it waits to be chilled. */
export function WarmNow({ warm }: Pick<MakingSheetData, 'warm'>) {
  const show = useShow();
  return warm.map((w) => (
    <Notice key={w.task} tone={w.does === 'chill_first' ? 'wait' : 'bad'}>
      {warmWords(w, show)}
    </Notice>
  ));
}
