import { spawn, spawnSync } from 'node:child_process';
import { ROOT } from './paths';

/** Runs a command to its end; throws with its output when it fails. */
export function run(
  command: string,
  args: string[],
  options: { env?: NodeJS.ProcessEnv; quiet?: boolean } = {},
): string {
  const result = spawnSync(command, args, {
    cwd: ROOT,
    env: options.env ?? process.env,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
    stdio: options.quiet === false ? 'inherit' : 'pipe',
  });
  if (result.status !== 0)
    throw new Error(
      `${command} ${args.join(' ')} failed:\n${result.stdout ?? ''}${result.stderr ?? ''}`,
    );
  return result.stdout ?? '';
}

export const succeeds = (command: string, args: string[]) =>
  spawnSync(command, args, { cwd: ROOT, stdio: 'ignore' }).status === 0;

/**
 * Starts a command that goes on; in a group of its own, so that Ctrl-C reaches only the one who started
 * it. What it prints goes to our standard error: standard output is for results.
 */
export const start = (command: string, args: string[], env: NodeJS.ProcessEnv) =>
  spawn(command, args, { cwd: ROOT, env, stdio: ['ignore', 2, 2], detached: true });
