import { envelopeStudy } from './envelope-study';

/** Prints the envelope's tables of docs/model.md: `node_modules/.bin/tsx scripts/studies/envelope.ts [runs]`. */
const { rows, faults } = envelopeStudy(Number(process.argv[2] ?? 500));
const share = (n: number, of: number) =>
  of === 0 ? '' : `${((100 * n) / of).toFixed(n === of ? 0 : 2)} %`;

console.log('| a reading every | runs | true readings | refused | share | runs without one |');
console.log('|---|---|---|---|---|---|');
for (const r of rows)
  console.log(
    `| ${r.everyS} s | ${r.runs} | ${r.readings} | ${r.refused} | ${share(r.refused, r.readings)} | ${r.wholeRuns} |`,
  );
console.log(
  '\n| fault of a batch that was pulled at 56 °C | caught, air logged | caught, not logged |',
);
console.log('|---|---|---|');
for (const f of faults)
  console.log(
    `| ${f.fault} | ${f.caught} of ${f.logged}, ${share(f.caught, f.logged)} | ${f.caughtUnlogged} of ${f.unlogged}, ${share(f.caughtUnlogged, f.unlogged)} |`,
  );
const [caught, logged] = [
  faults.reduce((n, f) => n + f.caught, 0),
  faults.reduce((n, f) => n + f.logged, 0),
];
console.log(`\nAll faults with a logged house: ${share(caught, logged)} of ${logged} caught.`);
