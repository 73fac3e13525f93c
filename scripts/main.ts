export {};

const [command, ...args] = process.argv.slice(2);

if (command === 'demo' || command === 'dev' || command === 'start') {
  const { serve } = await import('./serve');
  const [demo, dev] = [command !== 'start', command === 'dev'];
  await serve({ demo, dev, fresh: args.includes('--fresh') });
} else if (command === 'test') {
  const { test } = await import('./test');
  await test(args);
} else if (command === 'build') {
  const { buildIfNeeded } = await import('./lib/build');
  buildIfNeeded();
} else if (command === 'bench') {
  const { bench, benchOfYears } = await import('./bench');
  await (args.includes('--years') ? benchOfYears() : bench());
} else if (command === 'verify') {
  const { verify } = await import('./verify');
  const since = args.indexOf('--since');
  await verify(since < 0 ? undefined : args[since + 1], args.includes('--evidence'));
} else if (command === 'backup') {
  const { backup } = await import('./backup');
  await backup(args[0]);
} else if (command === 'restore') {
  const { restoreFrom } = await import('./backup');
  await restoreFrom(args[0]);
} else if (command === 'rotate-key') {
  const { addLedgerKey } = await import('./lib/secret');
  addLedgerKey();
  console.log('A new key of the ledger writes from the next start on.');
} else if (command === 'push-keys') {
  const { newPushKeys } = await import('./lib/secret');
  try {
    newPushKeys(args[0]);
    console.log('Made. From the next start on alarms can be sent to devices.');
  } catch (error) {
    console.error(`${(error as Error).message}.`);
    process.exitCode = 1;
  }
} else if (command === 'kill') {
  process.env.JOLLY_DATA ??= '.data/kill';
  const { killRounds } = await import('./kill/rounds');
  await killRounds(Number(args[0] ?? 60), Number(args[1] ?? 1));
} else if (command === 'kill-device') {
  process.env.JOLLY_DATA ??= '.data/kill';
  const { killDevice } = await import('./kill/device');
  await killDevice(Number(args[0] ?? 50), Number(args[1] ?? 1));
} else if (command === 'fuzz') {
  const { runFuzz } = await import('./fuzz');
  await runFuzz(Number(args[0] ?? 3000), Number(args[1] ?? 1));
}
