import { expect, test, type Page } from './support/test';
import { makePushKeys } from '../src/platform/push-keys';
import { PushService } from '../tests/support/push-service';
import { LAUNCH_WHOLE } from './support/browser';
import { signIn } from './support/people';

/** A push service of the site's own network that never answers. */
const AWAY = 'https://127.0.0.1:9';
test.use({
  launchOptions: LAUNCH_WHOLE,
  appEnv: {
    JOLLY_PUSH_KEYS: makePushKeys('mailto:site@test.example'),
    JOLLY_PUSH_ORIGINS: AWAY,
  },
});

/** The browser of the tests has no push service: in its place stands one that names a device and is never there. */
async function withPush(page: Page): Promise<void> {
  const { endpoint, keys } = new PushService().device('phone').input;
  const device = { endpoint: AWAY + new URL(endpoint).pathname, keys };
  await page.addInitScript((d) => {
    const KEY = 'test-push';
    const made = () => ({
      endpoint: d.endpoint,
      toJSON: () => d,
      unsubscribe: async () => (localStorage.removeItem(KEY), true),
    });
    Object.assign(PushManager.prototype, {
      getSubscription: async () => (localStorage.getItem(KEY) ? made() : null),
      subscribe: async () => (localStorage.setItem(KEY, '1'), made()),
    });
  }, device);
}

/** Waits for the worker of this device, and for what it shows. */
const shown = (page: Page) =>
  page.evaluate(async () => {
    const worker = await navigator.serviceWorker.ready;
    return (await worker.getNotifications()).map((n) => [n.title, n.body]);
  });

test('who is told, in what order, and when; half an hour is no span', async ({ page }) => {
  await signIn(page, 'maud');
  await page.goto('/settings/people');
  await page.getByLabel('Tomas Reed', { exact: true }).selectOption('first');
  await page.getByLabel('Ines Quill', { exact: true }).selectOption('second');
  await page.getByLabel('Ines Quill from').fill('07:00');
  const save = page.getByRole('button', { name: 'Save who is told' });
  await save.click();
  await expect(page.getByText(/a time such as 07:30/)).toBeVisible();
  await page.getByLabel('Ines Quill to').fill('06:59');
  await save.click();
  await expect(page.getByText('Now: Tomas Reed, then Ines Quill.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Ines Quill from')).toHaveValue('07:00');
  /* Who only reads is told nothing, and changes nothing. */
  await expect(page.getByLabel('Pia Lund', { exact: true })).toHaveCount(0);
});

test('a device is switched on, is shown what comes while no page is looked at, and is left at signing out', async ({
  page,
  context,
}) => {
  test.setTimeout(600_000);
  await context.grantPermissions(['notifications']);
  await withPush(page);
  await signIn(page, 'ines');
  await page.goto('/account');
  await page.getByRole('button', { name: 'Send alarms to this device' }).click();
  await expect(page.getByText('Alarms reach this device while you are on duty')).toBeVisible();
  /* Its push service does not answer: said so, and nothing breaks. */
  await page.getByRole('button', { name: 'Send a message to try it' }).click();
  await expect(page.getByText(/push service of this device does not answer/)).toBeVisible();

  /* The worker is up. A page that was on its way while it came up is not in its hands yet, and need not be. */
  await expect
    .poll(() => page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state))
    .toBe('activated');
  const devtools = await context.newCDPSession(page);
  const found = new Promise<string>((known) =>
    devtools.on('ServiceWorker.workerRegistrationUpdated', ({ registrations }) =>
      registrations.forEach((r) => known(r.registrationId)),
    ),
  );
  await devtools.send('ServiceWorker.enable');
  await devtools.send('ServiceWorker.deliverPushMessage', {
    origin: new URL(page.url()).origin,
    registrationId: await found,
    data: JSON.stringify({
      title: 'Act now: fire out',
      body: 'Look at the fire.',
      url: '/house/big',
      tag: 'x',
    }),
  });
  await expect.poll(() => shown(page)).toEqual([['Act now: fire out', 'Look at the fire.']]);

  await page.goto('/');
  await page.getByRole('button', { name: /^Ines/ }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await signIn(page, 'tomas');
  await page.goto('/account');
  await expect(page.getByText('Alarms are shown here only while a page is open')).toBeVisible();
});
