import { Secret, TOTP } from 'otpauth';
import type { Page } from '@playwright/test';
import { another, expect, signIn, stranger, test } from './hall.ts';

const PASSWORD = 'kestrel-quay';

async function again(page: Page): Promise<void> {
  const dialog = page.getByRole('dialog', { name: 'Your password again' });
  await dialog.getByLabel('Password').fill(PASSWORD);
  await dialog.getByRole('button', { name: 'Go on' }).click();
  await expect(dialog).toHaveCount(0);
}

test('a coach takes a shared tablet over by PIN; it opens the floor alone', async ({ page, browser }) => {
  const relief = await another(browser, 'relief');
  await relief.goto('/me');
  const pin = relief.getByRole('region', { name: 'PIN', exact: true });
  await pin.getByLabel('PIN, four to eight digits').fill('1234');
  await pin.getByRole('button', { name: 'Set it' }).click();
  await again(relief);
  await expect(pin.getByRole('alert')).toContainText('among the first that anybody would try');
  await pin.getByLabel('PIN, four to eight digits').fill('4719');
  await pin.getByRole('button', { name: 'Set it' }).click();
  await expect(pin.getByText('You have one.')).toBeVisible();

  await page.setViewportSize({ width: 820, height: 1180 });
  await signIn(page, 'coach');
  await page.goto('/floor');
  await page.getByRole('link', { name: 'Jonas Brightwater: account' }).click();
  await page.getByRole('button', { name: 'Asel Tarn' }).click();
  const pad = page.getByRole('dialog', { name: 'Asel Tarn: your PIN' });
  await pad.getByLabel('PIN').fill('0000');
  await pad.getByRole('button', { name: 'Take the tablet over' }).click();
  await expect(pad.getByRole('alert')).toContainText('The PIN is wrong');
  await pad.getByLabel('PIN').fill('4719');
  await pad.getByRole('button', { name: 'Take the tablet over' }).click();
  await expect(page.getByText('Asel Tarn, floor only')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Rescue volunteers' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Juniors' })).toHaveCount(0);
  await expect(page.getByRole('navigation', { name: 'Rooms' }).getByRole('link')).toHaveText([
    'Floor',
    'Faults',
    'Library',
  ]);
  await page.goto('/overview');
  await expect(page.getByText('only the floor is open').first()).toBeVisible();
});

test('codes beside the password, the own sign-ins, and another password', async ({ page, browser }) => {
  await signIn(page, 'head');
  await page.goto('/me');
  const codes = page.getByRole('region', { name: 'Codes of an authenticator' });
  await codes.getByRole('button', { name: 'Set it up' }).click();
  await again(page);
  const secret = await codes.getByLabel('Or enter the secret there').inputValue();
  const totp = new TOTP({ secret: Secret.fromBase32(secret) });
  await codes.getByLabel('Code that it shows').fill(totp.generate());
  await codes.getByRole('button', { name: 'Ask for codes from now on' }).click();
  await expect(codes.getByText('They are not shown again')).toBeVisible();
  const recovery = await codes.getByRole('listitem').first().textContent();

  const phone = await stranger(browser);
  await phone.goto('/');
  await phone.getByLabel('Sign-in name').fill('head');
  await phone.getByLabel('Password').fill(PASSWORD);
  await phone.getByRole('button', { name: 'Sign in', exact: true }).click();
  await phone.getByLabel('Code of your authenticator, or a recovery code').fill(recovery!);
  await phone.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(phone.getByRole('navigation', { name: 'Rooms' })).toBeVisible();

  await page.reload();
  await expect(codes.getByText('9 recovery codes are left')).toBeVisible();
  const sessions = page.getByRole('region', { name: 'Where you are signed in' });
  await expect(sessions.getByRole('listitem')).toHaveCount(2);
  await sessions.getByRole('button', { name: 'Sign out there' }).click();
  await expect(sessions.getByRole('listitem')).toHaveCount(1);
  await phone.reload();
  await expect(phone.getByRole('heading', { name: 'Sign in', exact: true })).toBeVisible();

  const password = page.getByRole('region', { name: 'Password', exact: true });
  await password.getByLabel('Password now').fill(PASSWORD);
  await password.getByLabel('New password', { exact: true }).fill('password123');
  await password.getByLabel('New password again').fill('password123');
  await password.getByRole('button', { name: 'Change the password' }).click();
  await expect(password.getByText('among the first that anybody would try').first()).toBeVisible();
  await password.getByLabel('New password', { exact: true }).fill('seven-grey-herons');
  await password.getByLabel('New password again').fill('seven-grey-herons');
  await password.getByRole('button', { name: 'Change the password' }).click();
  await expect(password.getByText('Changed. Everywhere else you are signed out.')).toBeVisible();
});
