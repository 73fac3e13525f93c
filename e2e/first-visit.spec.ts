import { expect, test } from './support/test';
import { SETUP_CODE } from './support/app';

test.use({ fill: 'empty' });

test('the first visit makes the first release lead, once', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Welcome to Jolly Kettle' })).toBeVisible();
  await page.getByLabel('Set-up code').fill('GUESSED-1');
  await page.getByLabel('Name of the smokehouse').fill('Quiet Creek');
  await page.getByLabel('Time zone').selectOption('America/Denver');
  await page.getByLabel('Your name').fill('Ada Stone');
  await page.getByLabel('Your e-mail').fill('ada@quiet.example');
  await page.getByLabel('A password').fill('short');
  await page.getByRole('button', { name: 'Set up' }).click();
  await expect(
    page.getByText('Something is not right yet: password: At least 10 characters'),
  ).toBeVisible();
  await page.getByLabel('A password').fill('1234567890');
  await page.getByRole('button', { name: 'Set up' }).click();
  await expect(page.getByText('The start command printed another one')).toBeVisible();
  await page.getByLabel('Set-up code').fill(SETUP_CODE);
  await page.getByRole('button', { name: 'Set up' }).click();
  await expect(page.getByText('among the first that anybody would try')).toBeVisible();
  await page.getByLabel('A password').fill('smoke-and-mirrors');
  await page.getByRole('button', { name: 'Set up' }).click();
  await expect(page).toHaveURL(/sign-in/);
  await page.getByLabel('E-mail').fill('ada@quiet.example');
  await page.getByLabel('Password').fill('smoke-and-mirrors');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('The house is quiet')).toBeVisible();
  await page.goto('/welcome');
  await expect(page.getByRole('heading', { name: 'Floor' })).toBeVisible();
});
