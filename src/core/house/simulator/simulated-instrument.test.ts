import type { InstrumentKind } from '../../units/instruments';
import { SimulatedInstrument, type InstrumentFault } from './simulated-instrument';

const rested = (
  what: InstrumentKind,
  truth: number,
  faults: InstrumentFault[] = [],
  minutes = 1,
) => {
  const it = new SimulatedInstrument(what, () => 0.5);
  for (const f of faults) it.faults[f] = true;
  let shown = it.step(truth, 2);
  for (let i = 0; i < minutes * 30; i += 1) shown = it.step(truth, 2);
  return { it, shown };
};

test('a meter comes to rest on a figure that its buffers tell right: offset and slope are its own', () => {
  const first = new SimulatedInstrument('ph_meter', () => 0.5).step(4.01, 1);
  expect(first).toMatchObject({ steady: false });
  const [seven, four] = [rested('ph_meter', 7).shown!, rested('ph_meter', 4.01).shown!];
  expect([seven.steady, four.steady]).toEqual([true, true]);
  const slope = (seven.value - four.value) / (7 - 4.01);
  expect(slope).toBeCloseTo(0.997, 2);
  expect(seven.value).toBeCloseTo(7.02, 2);
  const shown = rested('ph_meter', 5.2).shown!.value;
  expect(7 + (shown - seven.value) / slope).toBeCloseTo(5.2, 2);
});

test.each<[string, InstrumentKind, number, InstrumentFault, (v: number) => boolean]>([
  ['drifts away by the minute', 'ph_meter', 5, 'drift', (v) => v > 5.15],
  ['a scale too', 'scale', 800, 'drift', (v) => v > 815],
  ['says grams and means ounces', 'scale', 800, 'otherUnit', (v) => v > 28 && v < 29],
])('%s', (_what, what, truth, fault, ok) => {
  expect(ok(rested(what, truth, [fault], 10).shown!.value)).toBe(true);
});

test('one that does not come to rest is never steady, and a loose cable shows nothing', () => {
  expect(rested('scale', 800, ['unsteady']).shown!.steady).toBe(false);
  expect(rested('scale', 800, ['silent']).shown).toBeNull();
});

test('what is put on it anew has to come to rest again', () => {
  const { it, shown } = rested('scale', 800);
  expect(shown).toEqual({ value: 802, steady: true });
  it.changed();
  expect(it.step(500, 1)).toMatchObject({ steady: false });
});
