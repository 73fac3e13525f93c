import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from '../lib/paths';
import { PLANTS, type Plant } from './plants';
import { edited } from './edited';

const DOC = fs.readFileSync(path.join(ROOT, 'docs/how-to-add.md'), 'utf8');

/** Files of a section of the page, in its order, and what asks for each. */
function told(heading: string): [file: string, by: string][] {
  const section = DOC.split(/^## /m).find((s) => s.startsWith(`${heading}\n`));
  if (!section) throw new Error(`docs/how-to-add.md has no section ${heading}`);
  const rows = [...section.matchAll(/^\d+\. `([^`]+)`.*?(?:\((the compiler|a test|nobody)\))/gms)];
  return rows.map((r) => [r[1]!, r[2]!]);
}

const filesOf = (p: Plant) => [...new Set(p.edits.map((e) => e.file))];

test.each(PLANTS)(
  '$heading: the page names its files in their order, and every place is still there',
  (p) => {
    expect(() => edited(p.edits)).not.toThrow();
    const named = told(p.heading).map(([file]) => file.replace('NNNN-', '9999-'));
    expect(named.filter((f) => filesOf(p).includes(f))).toEqual(filesOf(p));
  },
);
