import { keepPostgres } from './keep-postgres';

/** A server that is down, and starts at the given try. */
function server(startsAt: number) {
  const state = { up: true, tries: 0 };
  return {
    state,
    log: 'server.log',
    alive: () => state.up,
    restart: () => {
      state.tries += 1;
      if (state.tries < startsAt) throw new Error('lock file exists');
      state.up = true;
    },
  };
}

beforeEach(() => {
  jest.useFakeTimers();
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
});
afterEach(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
});

test('a start that fails at first is tried again, and counts as one end', () => {
  const gaveUp: string[] = [];
  const s = server(8);
  const stop = keepPostgres(s, (w) => gaveUp.push(w));
  s.state.up = false;
  jest.advanceTimersByTime(20_000);
  expect([s.state.up, s.state.tries, gaveUp]).toEqual([true, 8, []]);
  stop();
});

test('one that never starts is given up with words', () => {
  const gaveUp: string[] = [];
  const s = server(Infinity);
  const stop = keepPostgres(s, (w) => gaveUp.push(w));
  s.state.up = false;
  jest.advanceTimersByTime(130_000);
  stop();
  expect(gaveUp[0]).toMatch(/does not start; see server.log/);
});

test('one that ends again and again is given up with words', () => {
  const gaveUp: string[] = [];
  const s = server(0);
  const stop = keepPostgres(s, (w) => gaveUp.push(w));
  for (let i = 0; i < 6; i += 1) {
    s.state.up = false;
    jest.advanceTimersByTime(4000);
  }
  stop();
  expect(gaveUp[0]).toMatch(/again and again/);
});
