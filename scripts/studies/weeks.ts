import { dryingStudy } from './drying-study';
import { fermentStudy } from './ferment-study';

/** Prints the ferment and drying tables of docs/model.md as Markdown: `node_modules/.bin/tsx scripts/studies/weeks.ts [runs]`. */
const runs = Number(process.argv[2] ?? 200);
const percent = (share: number) => `${Math.round(share * 100)} %`;

const KINDS = {
  own: 'the model, hidden figures',
  cells: 'cells and sugar',
  two_phase: 'falls in two phases',
  cylinder: 'rings that keep their size',
  hardened: 'a rim that shuts',
};

console.log(
  '| culture | truth | batches before | runs | way seen | median miss | of what is left | band | truth in band |',
);
console.log('|---|---|---|---|---|---|---|---|---|');
for (const [kind, earlier] of [
  ['own', 8],
  ['own', 0],
  ['cells', 8],
  ['two_phase', 8],
] as const)
  for (const r of fermentStudy(Math.ceil(runs / 3), kind, { earlier, shares: [0.3, 0.5, 0.7] }))
    console.log(
      `| ${r.culture} | ${KINDS[r.kind]} | ${r.earlier} | ${r.runs} | ${percent(r.seen)} | ${r.medianMissH.toFixed(2)} h | ${percent(r.medianMissShare)} | ${r.medianBandH.toFixed(1)} h | ${percent(r.inBand)} |`,
    );

console.log('\n| piece | truth | runs | way seen | median miss | band | truth in band |');
console.log('|---|---|---|---|---|---|---|');
for (const kind of ['own', 'cylinder', 'hardened'] as const)
  for (const r of dryingStudy(Math.ceil(runs / 2), kind, [0.3, 0.5, 0.7, 0.85]))
    console.log(
      `| ${r.piece} | ${KINDS[r.kind]} | ${r.runs} | ${percent(r.seen)} | ${r.medianMissDays.toFixed(2)} d | ${r.medianBandDays.toFixed(1)} d | ${percent(r.inBand)} |`,
    );
