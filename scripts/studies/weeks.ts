import { dryingRow, dryingStudy, type DryingCase } from './drying-study';
import { fermentRow, fermentStudy, type FermentCase } from './ferment-study';

/** Prints the ferment and drying tables of docs/model.md as Markdown: `node_modules/.bin/tsx scripts/studies/weeks.ts [runs] [ferment|drying]`. */
const runs = Number(process.argv[2] ?? 200);
const only = process.argv[3];
const percent = (share: number) => `${Math.round(share * 100)} %`;

const KINDS = {
  own: 'the model, hidden figures',
  cells: 'cells and sugar',
  two_phase: 'falls in two phases',
  cylinder: 'rings that keep their size',
  hardened: 'a rim that shuts',
};
const SEEN = { ferment: [0.3, 0.5, 0.7], drying: [0.3, 0.5, 0.7, 0.85] };

/** Cases by what they are of and how much was seen, then all of them together. */
function grouped<C extends { seen: number }>(cases: C[], nameOf: (c: C) => string) {
  const groups: { of: C[]; name: string; seen: string }[] = [];
  for (const c of cases) {
    const [name, seen] = [nameOf(c), percent(c.seen)];
    const group = groups.find((g) => g.name === name && g.seen === seen);
    if (group) group.of.push(c);
    else groups.push({ of: [c], name, seen });
  }
  return [...groups, { of: cases, name: '**all**', seen: 'all' }];
}

function ferments(): void {
  console.log(
    '| culture | truth | batches before | forecasts | way seen | median miss | as pH | of what is left | band | truth in band |',
  );
  console.log('|---|---|---|---|---|---|---|---|---|---|');
  for (const [kind, earlier] of [
    ['own', 8],
    ['own', 0],
    ['cells', 8],
    ['two_phase', 8],
  ] as const)
    for (const { of, name, seen } of grouped<FermentCase>(
      fermentStudy(Math.ceil(runs / 3), kind, { earlier, shares: SEEN.ferment }),
      (c) => c.culture,
    )) {
      const r = fermentRow(of);
      console.log(
        `| ${name} | ${KINDS[kind]} | ${earlier} | ${r.runs} | ${seen} | ${r.medianMissH.toFixed(2)} h | ${r.medianMissPh.toFixed(3)} | ${percent(r.medianMissShare)} | ${r.medianBandH.toFixed(1)} h | ${percent(r.inBand)} |`,
      );
    }
}

function dryings(): void {
  console.log('\n| piece | truth | forecasts | way seen | median miss | band | truth in band |');
  console.log('|---|---|---|---|---|---|---|');
  for (const kind of ['own', 'cylinder', 'hardened'] as const)
    for (const { of, name, seen } of grouped<DryingCase>(
      dryingStudy(Math.ceil(runs / 2), kind, SEEN.drying),
      (c) => c.piece,
    )) {
      const r = dryingRow(of);
      console.log(
        `| ${name} | ${KINDS[kind]} | ${r.runs} | ${seen} | ${r.medianMissDays.toFixed(2)} d | ${r.medianBandDays.toFixed(1)} d | ${percent(r.inBand)} |`,
      );
    }
}

if (only !== 'drying') ferments();
if (only !== 'ferment') dryings();
