import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from '../lib/paths';
import { edited } from './edited';
import { PLANTS, filesOf } from './plants';

const DOC = fs.readFileSync(path.join(ROOT, 'docs/how-to-add.md'), 'utf8');

/** Files of a section of the page, in its order, and what asks for each. */
function told(heading: string): [file: string, by: string][] {
  const section = DOC.split(/^## /m).find((s) => s.startsWith(`${heading}\n`));
  if (!section) throw new Error(`docs/how-to-add.md has no section ${heading}`);
  const rows = [...section.matchAll(/^\d+\. `([^`]+)`.*?(?:\((the compiler|a test|nobody)\))/gms)];
  return rows.map((r) => [r[1]!.replace('NNNN-', '9999-'), r[2]!]);
}

test.each(PLANTS)(
  '$heading: the page names its files in their order, and every place is still there',
  (p) => {
    expect(() => edited(p.edits)).not.toThrow();
    const rows = told(p.heading).filter(([file]) => filesOf(p).includes(file));
    expect(rows).toEqual(filesOf(p).map((f) => [f, p.elsewhere[f] ?? 'the compiler']));
  },
);
