import { spawn } from 'node:child_process';
import fs from 'node:fs';
import { ROOT } from '../lib/paths';
import { PARTS, resultFile, type Part, type PartName } from './parts';
import type { PartResult } from './results';

/**
 * Runs a command and collects its output, so that parts side by side stay readable.
 * @param isAlone prints it as it comes instead
 */
export function runQuietly(
  command: string,
  args: string[],
  env: NodeJS.ProcessEnv,
  isAlone = false,
): Promise<{ ok: boolean; output: string }> {
  return new Promise((resolve) => {
    const stdio = isAlone ? 'inherit' : ('pipe' as const);
    const child = spawn(command, args, { cwd: ROOT, env, stdio: ['ignore', stdio, stdio] });
    let output = '';
    for (const stream of [child.stdout, child.stderr])
      stream?.setEncoding('utf8').on('data', (text: string) => (output += text));
    child.once('error', (error) => resolve({ ok: false, output: `${output}${error.message}\n` }));
    child.once('close', (code) => resolve({ ok: code === 0, output }));
  });
}

/** Runs one part. A runner that failed without naming a failed test, or wrote no report, counts as one failure. */
export async function runPart(
  name: PartName,
  patterns: string[],
  env: NodeJS.ProcessEnv,
  isAlone: boolean,
): Promise<PartResult> {
  const part: Part = PARTS[name];
  const file = resultFile(name);
  fs.rmSync(file, { force: true });
  const startedMs = Date.now();
  const { ok, output } = await runQuietly(
    part.command,
    part.args(patterns),
    { ...env, ...part.env?.(file) },
    isAlone,
  );
  console.log(`\n# ${name}: ${Math.round((Date.now() - startedMs) / 1000)} s\n${output.trimEnd()}`);
  if (!part.read) return { passed: ok ? 1 : 0, failed: ok ? 0 : 1, files: [] };
  if (!fs.existsSync(file)) return { passed: 0, failed: 1, files: [] };
  const result = part.read(JSON.parse(fs.readFileSync(file, 'utf8')) as never);
  return !ok && result.failed === 0 ? { ...result, failed: 1 } : result;
}
