import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

/** Rooms whose sums others call: what is given to them has its unit and its interval in the docstring. */
const ROOMS = [
  'formula',
  'recipe',
  'review',
  'heat',
  'lethality',
  'cooling',
  'fermentation',
  'drying',
  'schedule/many',
];

/** The function that a statement exports, where it takes something. */
function exportedFunction(node: ts.Statement): string | null {
  const exported =
    ts.canHaveModifiers(node) &&
    ts.getModifiers(node)?.some((m) => m.kind === ts.SyntaxKind.ExportKeyword);
  if (!exported) return null;
  if (ts.isFunctionDeclaration(node)) return node.parameters.length > 0 ? node.name!.text : null;
  if (!ts.isVariableStatement(node)) return null;
  const [made] = node.declarationList.declarations;
  const isFunction = made?.initializer && ts.isArrowFunction(made.initializer);
  return isFunction && made.initializer.parameters.length > 0 ? made.name.getText() : null;
}

function functionsOf(room: string): { name: string; said: boolean }[] {
  const from = path.join('src/core', room);
  const files = readdirSync(from, { recursive: true, encoding: 'utf8' });
  return files
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .flatMap((f) => {
      const file = path.join(from, f);
      const text = readFileSync(file, 'utf8');
      const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true);
      return source.statements.flatMap((node) => {
        const name = exportedFunction(node);
        const doc = ts.getJSDocCommentsAndTags(node).map((d) => d.getText());
        return name === null ? [] : [{ name: `${f} ${name}`, said: /@param/.test(doc.join()) }];
      });
    });
}

test.each(ROOMS)(
  '%s: every exported function says units and intervals of what it takes',
  (room) => {
    const all = functionsOf(room);
    expect(all.length).toBeGreaterThan(2);
    expect(all.filter((f) => !f.said).map((f) => f.name)).toEqual([]);
  },
);
