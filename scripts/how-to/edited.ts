import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from '../lib/paths';
import type { Edit } from './plants';

/** The files that edits make, one edit after the other. @throws Error where an anchor is not there any more */
export function edited(edits: readonly Edit[]): Map<string, string> {
  const files = new Map<string, string>();
  for (const { file, before, text } of edits) {
    if (before === undefined) {
      files.set(file, text);
      continue;
    }
    const was = files.get(file) ?? fs.readFileSync(path.join(ROOT, file), 'utf8');
    const at = was.indexOf(before);
    if (at < 0) throw new Error(`${file} has no ${JSON.stringify(before)}: mend scripts/how-to`);
    files.set(file, was.slice(0, at) + text + was.slice(at));
  }
  return files;
}
