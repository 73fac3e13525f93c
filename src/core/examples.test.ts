import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import * as core from './index';
import { SHELF_STRICT } from './rules/tables/shelf';

type Example = { file: string; line: number; call: string; gives: string };

const ROOM = path.join(process.cwd(), 'src/core');

/** Examples of one file: what is called, and after `//` what it gives. They may go over several lines. */
function examplesOf(file: string): Example[] {
  const text = readFileSync(path.join(ROOM, file), 'utf8');
  return [...text.matchAll(/@example ((?:(?!\*\/|\n \* @)[\s\S])*)/g)].map((found) => {
    const said = found[1]!.replace(/\n \*/g, ' ').trim();
    const at = said.lastIndexOf(' // ');
    const line = text.slice(0, found.index).split('\n').length;
    return { file, line, call: said.slice(0, at), gives: at < 0 ? '' : said.slice(at + 4).trim() };
  });
}

const EXAMPLES = readdirSync(ROOM, { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
  .sort()
  .flatMap(examplesOf);

/** What an expression comes to where these names are known; the marks of types are no part of it. */
function valueOf(expression: string, names: Record<string, unknown>): unknown {
  const plain = expression.replace(/!(?=[.[)]|$)/g, '');
  return new Function(...Object.keys(names), `return (${plain});`)(...Object.values(names));
}

const decimalsOf = (shown: number) => String(shown).split('.')[1]?.length ?? 0;

/** Numbers agree when they round to what is shown; objects, when they have what is shown. */
function agrees(is: unknown, shown: unknown): boolean {
  if (typeof shown === 'number')
    return typeof is === 'number' && Number(is.toFixed(decimalsOf(shown))) === shown;
  if (Array.isArray(shown))
    return (
      Array.isArray(is) && is.length === shown.length && shown.every((s, i) => agrees(is[i], s))
    );
  if (shown !== null && typeof shown === 'object')
    return Object.entries(shown).every(([k, s]) => agrees((is as Record<string, unknown>)?.[k], s));
  return is === shown;
}

test('there are examples', () => expect(EXAMPLES.length).toBeGreaterThan(50));

test.each(EXAMPLES)('$file:$line $call', async ({ file, call, gives }) => {
  const own = (await import(path.join(ROOM, file))) as Record<string, unknown>;
  const names = { ...core, SHELF_STRICT, ...own };
  const is = valueOf(call, names);
  const shown = valueOf(gives, names);
  expect({ is, agrees: agrees(is, shown) }).toEqual({ is, agrees: true });
});
