import fs from 'node:fs';
import path from 'node:path';
import { FIRST_STEPS } from './first-steps';

const SITE = path.join(__dirname, '../app/(site)');

test.each(Object.values(FIRST_STEPS).flat())('$what: $href is a page', ({ href }) => {
  expect(fs.existsSync(path.join(SITE, href, 'page.tsx'))).toBe(true);
});
