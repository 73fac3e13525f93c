import { SALMONELLA, TIME_TEMPERATURE, fToC, secondsStillNeeded } from '../../src/core';
import { bandStudy } from './band-study';
import { forecastStudy } from './forecast-study';
import { houseStudy } from './house-study';

/** Prints the tables of docs/model.md as Markdown: `node_modules/.bin/tsx scripts/studies/main.ts [runs]`. */
const runs = Number(process.argv[2] ?? 60);

type Row = ReturnType<typeof forecastStudy>[number] | ReturnType<typeof bandStudy>[number];
function table(rows: readonly Row[]): void {
  console.log(
    '| product | runs | rise seen | median miss | of what is left | band, median | truth in band |',
  );
  console.log('|---|---|---|---|---|---|---|');
  for (const r of rows)
    console.log(
      `| ${r.product} | ${r.runs} | ${Math.round(r.covered * 100)} % | ${r.medianMissMin.toFixed(1)} min | ${(r.medianMissShare * 100).toFixed(1)} % | ${r.medianBandMin.toFixed(1)} min | ${Math.round(r.inBand * 100)} % |`,
    );
}

const rows = forecastStudy(runs, [0.3, 0.6, 0.75, 0.9]);
table(rows);
const late = rows.filter((r) => r.covered >= 0.6);
const all = late.reduce((n, r) => n + r.runs, 0);
const inside = late.reduce((n, r) => n + r.inBand * r.runs, 0);
console.log(
  `\nFrom 60 % of the rise on: ${all} forecasts, ${Math.round((inside / all) * 100)} % inside the band, claim kept in ${late.filter((r) => r.withinClaim).length} of ${late.length} rows.\n`,
);

table(bandStudy(2 * runs, [0.3, 0.5, 0.6, 0.75, 0.9]));
for (const learnt of [0, 8, 16]) {
  const house = houseStudy(12, 8, learnt);
  console.log(
    `\nA house worse than usual, after ${learnt} runs: ${Math.round(house.held * 100)} % of ${house.forecasts} in the band.`,
  );
}

console.log('\n| °F | °C | table 6.5 log | model | differs | table 7 log | model | differs |');
console.log('|---|---|---|---|---|---|---|---|');
const time = (s: number) => (s >= 240 ? `${(s / 60).toFixed(1)} min` : `${s.toFixed(0)} s`);
for (const row of TIME_TEMPERATURE) {
  const cells = (['meatS', 'poultryS'] as const).map((kind) => {
    const published = row[kind];
    const logs = kind === 'meatS' ? 6.5 : 7;
    const model = secondsStillNeeded(SALMONELLA, 0, logs, fToC(row.tempF));
    if (model === null) return `${time(published)} | no credit | `;
    const off = published > 0 ? `${((model / published - 1) * 100).toFixed(0)} %` : '';
    return `${published > 0 ? time(published) : 'at once'} | ${time(model)} | ${off}`;
  });
  console.log(`| ${row.tempF} | ${fToC(row.tempF).toFixed(1)} | ${cells.join(' | ')} |`);
}
