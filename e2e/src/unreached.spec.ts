import { expect, once, test } from './stack';

// Days pass in it, which the other screens are not to see.
test.use({ story: 'unreached' });

test(
  'a school that can’t be reached leaves its records there, with their age',
  once,
  async ({ guardian, page, running }) => {
    const schoolFails = (faults: object[]) =>
      fetch(`${running.schoolUrl}/demo/faults`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ faults }),
      });
    const told = page.getByText(/^No new records from Millrace Middle School since/);
    await guardian.signsIn();
    await schoolFails([{ school: 'millrace', collection: 'results', kind: 'down' }]);
    await guardian.movesOnOneDay();
    await expect(told).toBeVisible();
    await page.getByRole('link', { name: 'Settings' }).click();
    await expect(
      page
        .getByRole('list', { name: 'Linked children' })
        .getByRole('listitem')
        .filter({ hasText: 'Caspian' }),
    ).toContainText(/Millrace Middle SchoolNo new records from Millrace Middle School since .*, .*\./);
    await guardian.opensCourse('Boat-building');
    await expect(page.getByRole('img', { name: /Posted 3\.\d of 4\./ }).last()).toBeVisible();
    await schoolFails([]);
    await guardian.movesOnOneDay();
    await expect(told).toHaveCount(0);
  },
);
