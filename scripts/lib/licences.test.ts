import fs from 'node:fs';
import path from 'node:path';
import { badLicences, mayUse, ownBadLicences } from './licences';

test.each([
  ['MIT', true],
  ['(MIT OR GPL-3.0)', true],
  ['Apache-2.0 AND LGPL-3.0-or-later', false],
  ['(MIT AND BSD-3-Clause)', true],
  ['GPL-3.0', false],
  ['none stated', false],
])('%s may be used: %s', (expression, may) => expect(mayUse(expression)).toBe(may));

test('what stands in the production tree alone counts, and an exception is one by its name', () =>
  expect(
    badLicences({
      packages: {
        '': {},
        'node_modules/good': { version: '1.0.0', license: 'MIT' },
        'node_modules/bad': { version: '2.0.0', license: 'GPL-3.0' },
        'node_modules/a/node_modules/@b/bad': { version: '3.0.0' },
        'node_modules/tool': { version: '1.0.0', license: 'GPL-3.0', dev: true },
        'node_modules/lightningcss-linux-x64-gnu': { version: '1.0.0', license: 'MPL-2.0' },
      },
    }),
  ).toEqual(['bad 2.0.0: GPL-3.0', '@b/bad 3.0.0: none stated']));

test('everything that the product is built with may be used', () =>
  expect(ownBadLicences()).toEqual([]));

test('no key stands twice in package.json', () => {
  const root = path.resolve(__dirname, '../..');
  const text = fs.readFileSync(path.join(root, 'package.json'), 'utf8');
  const keys = [...text.matchAll(/^ {2}"([^"]+)":/gm)].map((m) => m[1]);
  expect(new Set(keys).size).toBe(keys.length);
});
