import { panelAllows } from './panel';

const PORT = 4000;
test.each<[string, string, Record<string, string>, boolean]>([
  ['opened here', 'GET', { host: '127.0.0.1:4000' }, true],
  ['opened by the other name', 'GET', { host: 'localhost:4000' }, true],
  ['opened by a name that leads here', 'GET', { host: 'evil.example:4000' }, false],
  ['without a name', 'GET', {}, false],
  [
    'switched from its own page',
    'POST',
    { host: '127.0.0.1:4000', origin: 'http://127.0.0.1:4000' },
    true,
  ],
  [
    'switched from another site',
    'POST',
    { host: '127.0.0.1:4000', origin: 'http://evil.example' },
    false,
  ],
  ['switched without saying from where', 'POST', { host: '127.0.0.1:4000' }, false],
  [
    'switched from a page without an origin',
    'POST',
    { host: '127.0.0.1:4000', origin: 'null' },
    false,
  ],
])('%s', (_, method, headers, allowed) => expect(panelAllows(method, headers, PORT)).toBe(allowed));
