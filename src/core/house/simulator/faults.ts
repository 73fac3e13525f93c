/** What can go wrong at a simulated house; every one can be switched on and off while it runs. */
export const FAULTS = {
  fireOut: 'Fire out',
  doorOpen: 'Door open',
  fanOff: 'Fan off',
  humidifierDry: 'Humidifier empty',
  airStuck: 'Air sensor stands still',
  slidOut: 'Probe core-1 slid out',
  unplugged: 'Probe core-1 unplugged',
  noise: 'Probes noisy',
  drift: 'Probe core-2 drifts',
  linkLost: 'Link lost for ten minutes',
  clockWrong: 'Clock an hour slow',
} as const;

export type Fault = keyof typeof FAULTS;
export type Faults = Record<Fault, boolean>;

export const noFaults = (): Faults =>
  Object.fromEntries(Object.keys(FAULTS).map((f) => [f, false])) as Faults;
