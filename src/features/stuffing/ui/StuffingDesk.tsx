'use client';

import { useShow } from '@/ui/show-context';
import { stuffDueWords } from '@/words/casing';
import type { StuffingData } from '../sheet';
import { FaultPart } from './FaultPart';
import { LinkPart } from './LinkPart';
import { OutPart } from './OutPart';
import { SoakPart } from './SoakPart';
import { When } from '@/ui/when';

/** Casing, links, in and out, pieces: the stuffing of one batch, with what is due of it on top. */
export function StuffingDesk({ data, nowS }: { data: StuffingData; nowS: number }) {
  const show = useShow();
  return (
    <div className="space-y-4">
      {data.due.length > 0 && (
        <ul className="space-y-2" aria-label="Due">
          {data.due.map((d) => (
            <li key={d.code}>
              <p
                className={`rounded-md px-3 py-2 ${d.dueS <= nowS ? 'bg-wait-wash font-semibold text-wait' : 'bg-accent-wash'}`}
              >
                {stuffDueWords(d, show)} {d.dueS > nowS && <When at={d.dueS} nowS={nowS} />}
              </p>
            </li>
          ))}
        </ul>
      )}
      {data.people > 1 && !data.stuffed && (
        <p className="font-semibold">{data.people} people are needed for the stuffing.</p>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <div className="space-y-4">
          <SoakPart key={data.lots.length} data={data} />
          <LinkPart data={data} />
        </div>
        <div className="space-y-4">
          <FaultPart data={data} />
          <OutPart data={data} />
        </div>
      </div>
    </div>
  );
}
