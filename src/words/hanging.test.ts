import { smokeRestWords } from './hanging';
import { Show } from './show';

const show = new Show({ system: 'metric', locale: 'en-GB', timeZone: 'UTC' });
const smoke = (outS: number, unseenS: number) =>
  smokeRestWords({ countsS: 3600, outS, unseenS, spans: [], outSinceS: null, nextLookS: 0 }, show);

test.each([
  [0, 0, 'of smoke that was seen'],
  [1200, 0, 'of smoke that was seen, 20 min without'],
  [0, 600, 'of smoke that was seen, 10 min that nobody saw'],
  [1200, 600, 'of smoke that was seen, 20 min without, 10 min that nobody saw'],
])('%d s out and %d s unseen: %s', (outS, unseenS, words) =>
  expect(smoke(outS, unseenS)).toBe(words),
);
