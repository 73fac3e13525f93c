export {};

const [command, ...args] = process.argv.slice(2);

if (command === 'demo' || command === 'start') {
  const { serve } = await import('./serve');
  await serve({ demo: command === 'demo', fresh: args.includes('--fresh') });
} else if (command === 'test') {
  const { test } = await import('./test');
  await test(args);
} else if (command === 'bench') {
  const { bench } = await import('./bench');
  await bench();
} else if (command === 'verify') {
  const { verify } = await import('./verify');
  await verify();
} else if (command === 'backup') {
  const { backup } = await import('./backup');
  await backup(args[0]);
} else if (command === 'restore') {
  const { restoreFrom } = await import('./backup');
  await restoreFrom(args[0]);
} else if (command === 'fuzz') {
  const { runFuzz } = await import('./fuzz');
  await runFuzz(Number(args[0] ?? 3000), Number(args[1] ?? 1));
}
