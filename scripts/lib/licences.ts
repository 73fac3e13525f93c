import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths';

/** Licences that the product may be built with. */
const ALLOWED = new Set([
  'MIT',
  'ISC',
  'Apache-2.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  '0BSD',
  'CC0-1.0',
  'Unlicense',
  'BlueOak-1.0.0',
]);

/** What cannot be avoided, with the reason. A name may end in * for a family of platform packages. */
export const EXCEPTIONS: Record<string, string> = {
  '@img/sharp-*':
    'LGPL-3.0 parts of an image library that the framework brings; no image is ever optimised',
  'png-js': 'MIT by its licence file; its package file states none',
  'lightningcss*': 'MPL-2.0: compiles style sheets at build time; nothing of it is shipped',
  'caniuse-lite': 'CC-BY-4.0: a table of browsers, read at build time',
  '@fontsource/atkinson-hyperlegible-next': 'OFL-1.1: the font, made to be shipped with programs',
};

type Locked = {
  version?: string;
  license?: string;
  dev?: boolean;
  optional?: boolean;
  link?: boolean;
};

const excepted = (name: string) =>
  Object.keys(EXCEPTIONS).some((e) =>
    e.endsWith('*') ? name.startsWith(e.slice(0, -1)) : e === name,
  );

/** Is every part of "(MIT OR X) AND Y" one that may be used, given that of an OR one is chosen? */
export function mayUse(expression: string): boolean {
  const plain = expression.replace(/[()]/g, ' ').trim();
  return plain
    .split(/\s+AND\s+/i)
    .every((part) => part.split(/\s+OR\s+/i).some((one) => ALLOWED.has(one.trim())));
}

/** Packages of the production tree whose licence is neither allowed nor excepted: "name version: licence". */
export function badLicences(lock: { packages: Record<string, Locked> }): string[] {
  return Object.entries(lock.packages)
    .filter(([at, p]) => at.includes('node_modules/') && !p.dev && !p.link)
    .flatMap(([at, p]) => {
      const name = at.slice(at.lastIndexOf('node_modules/') + 'node_modules/'.length);
      const licence = p.license ?? 'none stated';
      return mayUse(licence) || excepted(name) ? [] : [`${name} ${p.version ?? ''}: ${licence}`];
    });
}

/** The same for this project's own lock file. */
export const ownBadLicences = (): string[] =>
  badLicences(
    JSON.parse(fs.readFileSync(path.join(ROOT, 'package-lock.json'), 'utf8')) as {
      packages: Record<string, Locked>;
    },
  );
