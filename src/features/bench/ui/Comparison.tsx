'use client';

import type { Show } from '@/words/show';
import { PlainTable } from '@/ui/plain-table';
import { useShow } from '@/ui/show-context';
import type { BenchLine } from './BenchChart';

/** End of the last stage that still heats: when it would be pulled, s. */
export function cookedS(line: Pick<BenchLine, 'answer'>): number {
  const { stageEnds, samples } = line.answer.run;
  const heated = stageEnds.filter((e) => {
    const at = samples.findLast((s) => s.stage === e.stage);
    return at !== undefined && at.mediumC > 30;
  });
  return heated.at(-1)?.tS ?? samples.at(-1)!.tS;
}

/** What one program does to its product, figure by figure. */
export function benchFigures(line: Pick<BenchLine, 'answer'>, show: Show): [string, string][] {
  const { run, energyKwhPerKg, troubles } = line.answer;
  const end = run.samples.at(-1)!;
  const pulledS = cookedS(line);
  const peak = run.samples.reduce((a, b) => (b.coreC > a.coreC ? b : a));
  const atPull = run.samples.findLast((s) => s.tS <= pulledS) ?? end;
  return [
    ['Pull after', show.duration(pulledS)],
    ['In all', show.duration(end.tS)],
    ['Core at the pull', show.temp(atPull.coreC)],
    ['Highest core', show.temp(peak.coreC)],
    ['Logs', show.logs(end.logs)],
    ['Weight lost', `${show.number(end.lossFraction * 100, 1)} %`],
    ['Heat, rough', `${show.number(energyKwhPerKg, 2)} kWh/kg`],
    ['Troubles', String(troubles.length)],
  ];
}

/** Figures of all variants side by side, one column each. */
export function Comparison({ lines }: { lines: readonly BenchLine[] }) {
  const show = useShow();
  const columns = lines.map((l) => benchFigures(l, show));
  if (columns.length === 0) return null;
  return (
    <div className="overflow-x-auto">
      <table className="plain-table plain-table-dense">
        <caption className="sr-only">Variants compared</caption>
        <thead>
          <tr>
            <th scope="col">Figure</th>
            {lines.map((l) => (
              <th key={l.name} scope="col">
                {l.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {columns[0]!.map(([label], row) => (
            <tr key={label}>
              <th scope="row" className="font-normal">
                {label}
              </th>
              {columns.map((c, k) => (
                <td key={k} className="font-semibold">
                  {c[row]![1]}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** When each stage of the chosen variant ends and why, with its figures. */
export function StageEnds({ line, names }: { line: BenchLine; names: readonly string[] }) {
  const show = useShow();
  const WHY: Record<string, string> = {
    time: 'time',
    core: 'core',
    logs: 'logs',
    loss: 'weight loss',
    dry: 'surface dry',
    all: 'all reached',
    max: 'longest time',
  };
  const { stageEnds, samples } = line.answer.run;
  return (
    <PlainTable
      caption={`Stages of ${line.name}`}
      head={['Stage', 'Ends after', 'By', 'Core', 'Lost']}
      rows={stageEnds.map((e) => {
        const at = samples.findLast((s) => s.tS <= e.tS + 1e-6)!;
        const lost = `${show.number(at.lossFraction * 100, 1)} %`;
        return [names[e.stage], show.duration(e.tS), WHY[e.reason], show.temp(at.coreC), lost];
      })}
    />
  );
}
