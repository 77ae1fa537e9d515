import { Guardian } from './guardian';
import { expect, once, test } from './stack';

test('a wrong password is told in words, and nothing opens', once, async ({ page }) => {
  await page.goto('/brief');
  await expect(page).toHaveURL(/\/sign-in$/);
  await page.getByLabel('E-mail address').fill('maren@aldervane.example');
  await page.getByLabel('Password').fill('low-tide');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('That e-mail address and password don’t match.')).toBeVisible();
  await expect(page).toHaveURL(/\/sign-in$/);
});

test('an empty form says what it needs', once, async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Please type your e-mail address and your password.')).toBeVisible();
});

test('the language is chosen before signing in, and stays', once, async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByRole('radio', { name: 'Español' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Buenas tardes' })).toBeVisible();
  await page.getByLabel('Correo electrónico').fill('ottoline@aldervane.example');
  await page.getByLabel('Contraseña').fill('tide-and-lantern');
  await page.getByRole('button', { name: 'Entrar' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /cosas le esperan, Ottoline/ })).toBeVisible();
  await expect(page.getByText('3.1 sin contar una tarea pendiente')).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('lang', 'es');
  // What the server says itself is said in it, too; and on another device, without being chosen again.
  await page.goto('/days?on=2026-10-15');
  await expect(page.getByText(/^Faltó a 6 clases/).first()).toBeVisible();
  await page.evaluate(() => localStorage.clear());
  await page.goto('/brief');
  await expect(page.getByRole('heading', { level: 1, name: /cosas le esperan, Ottoline/ })).toBeVisible();
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Idioma, Español' }).click();
  await page.getByRole('radio', { name: 'English' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Settings' })).toBeVisible();
  await page.goto('/days?on=2026-10-15');
  await expect(page.getByText(/^Missed 6 classes/).first()).toBeVisible();
});

test('who may only look is shown no way to write', once, async ({ guardian, page }) => {
  await guardian.signsIn('ottoline');
  await expect(guardian.matter('Boat-building').first()).toContainText('Open the course');
  await expect(page.getByRole('link', { name: /^Talk with/ })).toHaveCount(0);
  await guardian.goesTo('Talk');
  await expect(page.getByRole('link', { name: 'Write to the school' })).toHaveCount(0);
});

test('a child is linked by code, after one has seen whose record it is', once, async ({ guardian, page }) => {
  await guardian.signsIn('tobiah');
  await expect(page.getByRole('radio', { name: 'Pet' })).toHaveCount(0);
  await page.goto('/link');
  const code = page.getByLabel('Your code');
  await code.fill('C8SN-0F2B-6WQA-1DVP');
  await page.getByRole('button', { name: 'See whose it is' }).click();
  await expect(page.getByText('This code has expired.')).toBeVisible();
  await code.fill('3qpt 7k9m xr2d v6hb');
  await page.getByRole('button', { name: 'See whose it is' }).click();
  await expect(page.getByText('Pet', { exact: true })).toBeVisible();
  await expect(page.getByText('Little Fathom Primary')).toBeVisible();
  await page.getByRole('button', { name: 'Yes, add Pet' }).click();
  await expect(page.getByRole('heading', { name: 'Pet is added.' })).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Pet' })).toBeVisible();
});

test(
  'two guardians write at once, and nothing is lost',
  once,
  async ({ guardian, page, browser, running }) => {
    await guardian.signsIn();
    await guardian.goesTo('Work');
    await guardian.opensWork('Reef survey');
    await page.getByRole('link', { name: 'Talk with Isolde' }).last().click();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('heading', { level: 2, name: 'Add to the story' })).toBeVisible();
    await page.getByLabel('What was said').fill('Maren: half of it is done.');

    const other = await browser.newContext({ baseURL: running.url });
    const tobiah = new Guardian(await other.newPage(), guardian.wide);
    await tobiah.signsIn('tobiah', new URL(page.url()).pathname);
    await tobiah.page.getByLabel('What was said').fill('Tobiah: she asked Mr Quillfeather.');
    await tobiah.page.getByRole('button', { name: 'Save the change' }).click();
    await expect(tobiah.page.getByLabel('What was said')).toHaveValue('');
    await other.close();

    const keep = page.getByRole('button', { name: 'Save the change' });
    await keep.click();
    await expect(page.getByText(/^In the meantime: .*Tobiah: she asked Mr Quillfeather\./)).toBeVisible();
    await expect(page.getByLabel('What was said')).toHaveValue('Maren: half of it is done.');
    await keep.click();
    await expect(page.getByText('Maren: half of it is done.', { exact: true })).toBeVisible();
    await expect(page.getByText('Tobiah: she asked Mr Quillfeather.', { exact: true })).toBeVisible();
  },
);

test('text of another kind stays text', once, async ({ guardian, page }) => {
  await guardian.signsIn('tobiah');
  await guardian.goesTo('Work');
  await guardian.opensWork('Harbour map key');
  await page.getByRole('link', { name: 'Talk with Caspian' }).click();
  const note = '<img src=x onerror="document.title=1"> =SUM(A1) \u202Ereversed';
  await page.getByLabel('What was said').fill(note);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(note, { exact: true })).toBeVisible();
  await expect(page).toHaveTitle(/ · Cadro$/);
});
