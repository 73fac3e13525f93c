import fc from 'fast-check';
import { bandLanes } from './band-lanes';

const names = (lanes: ReturnType<typeof bandLanes>) => lanes.map((l) => `${l.lane}${l.anchor[0]}`);

test('long bands share a line; a short one that is followed at once goes a line lower', () => {
  const bands = [
    { name: 'Dry', from: 0, to: 1 },
    { name: 'Oak smoke', from: 1, to: 3 },
    { name: 'Cook', from: 3, to: 3.3 },
    { name: 'Ice bath', from: 3.3, to: 3.6 },
    { name: 'Cooler', from: 3.6, to: 8 },
  ];
  expect(names(bandLanes(bands, 0, 8, 560))).toEqual(['0s', '0s', '0s', '1s', '0s']);
});

test('a name that would leave the chart ends at its band', () => {
  expect(names(bandLanes([{ name: 'A long last stage', from: 7.9, to: 8 }], 0, 8, 560))).toEqual([
    '0e',
  ]);
});

test('no two names of a line ever touch', () => {
  const starts = fc.array(
    fc.tuple(fc.float({ min: 0, max: 100, noNaN: true }), fc.string({ maxLength: 20 })),
    {
      maxLength: 12,
    },
  );
  fc.assert(
    fc.property(starts, fc.integer({ min: 100, max: 1200 }), (list, px) => {
      const bands = list
        .sort((a, b) => a[0] - b[0])
        .map(([from, name]) => ({ name, from, to: from + 1 }));
      const spans = bandLanes(bands, 0, 100, px).map((l, i) => {
        const at = (bands[i]!.from / 100) * px;
        const long = bands[i]!.name.length * 6.6;
        return { lane: l.lane, left: l.anchor === 'start' ? at : at - long, long };
      });
      spans.forEach((a, i) =>
        spans.slice(i + 1).forEach((b) => {
          if (a.lane !== b.lane) return;
          const [first, then] = a.left <= b.left ? [a, b] : [b, a];
          expect(first.left + first.long).toBeLessThanOrEqual(then.left + 1e-6);
        }),
      );
    }),
  );
});
