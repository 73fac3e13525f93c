import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { ROOT } from '../lib/paths';
import type { Edit } from './plants';

/** Files with their text, in place of what is on the disk. */
type Overlay = Map<string, string>;

const readOnDisk = (file: string) => fs.readFileSync(path.join(ROOT, file), 'utf8');

/** The files that edits make, one edit after the other. @throws Error where an anchor is not there any more */
export function edited(edits: readonly Edit[]): Overlay {
  const files: Overlay = new Map();
  for (const { file, before, text } of edits) {
    if (before === undefined) {
      files.set(file, text);
      continue;
    }
    const was = files.get(file) ?? readOnDisk(file);
    const at = was.indexOf(before);
    if (at < 0) throw new Error(`${file} has no ${JSON.stringify(before)}: mend scripts/how-to`);
    files.set(file, was.slice(0, at) + text + was.slice(at));
  }
  return files;
}

const relative = (file: string) => path.relative(ROOT, file).split(path.sep).join('/');

/** Type-checks the whole project as it would be; sources that stay as they are, are read once. */
export class TypeCheck {
  private readonly config: ts.ParsedCommandLine;
  private readonly sources = new Map<string, ts.SourceFile>();
  private last: ts.Program | undefined;

  constructor() {
    const { config } = ts.readConfigFile(path.join(ROOT, 'tsconfig.json'), (f) =>
      ts.sys.readFile(f),
    );
    this.config = ts.parseJsonConfigFileContent(config, ts.sys, ROOT, { noEmit: true });
  }

  /** @returns the files in which something does not compile, in the order of their names */
  wrong(edits: readonly Edit[]): string[] {
    const overlay = edited(edits);
    const of = (file: string) => overlay.get(relative(file));
    const host = ts.createCompilerHost(this.config.options);
    const { fileExists, readFile, getSourceFile } = host;
    host.fileExists = (f) => of(f) !== undefined || fileExists(f);
    host.readFile = (f) => of(f) ?? readFile(f);
    host.getSourceFile = (f, languageVersion, ...more) => {
      const text = of(f);
      if (text !== undefined) return ts.createSourceFile(f, text, languageVersion, true);
      const known = this.sources.get(f) ?? getSourceFile.call(host, f, languageVersion, ...more);
      if (known) this.sources.set(f, known);
      return known;
    };
    const fileNames = new Set([
      ...this.config.fileNames,
      ...[...overlay.keys()].map((f) => path.join(ROOT, f)),
    ]);
    const program = ts.createProgram([...fileNames], this.config.options, host, this.last);
    this.last = program;
    const found = [...program.getSyntacticDiagnostics(), ...program.getSemanticDiagnostics()];
    return [...new Set(found.flatMap((d) => (d.file ? [relative(d.file.fileName)] : [])))].sort();
  }
}
