import { WHOLE_CHROMIUM, CHROMIUM } from '../../scripts/lib/paths';

const args = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** How the browser of the tests is started. */
export const LAUNCH = { executablePath: CHROMIUM, args };

/** For what the one without a window leaves out: messages that a device shows while no page is open. */
export const LAUNCH_WHOLE = { executablePath: WHOLE_CHROMIUM, args };
