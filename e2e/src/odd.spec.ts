import type { Page } from '@playwright/test';
import { expect, once, test } from './stack';

/*
 * What is rare: names and titles as long as they may be, from right to left, with pictures in them, of one long word; a school
 * and a term that only begin; and what fingers do.
 */
test.use({ story: 'odd' });

const long = (text: string, length: number): string =>
  text
    .repeat(Math.ceil(length / text.length))
    .slice(0, length)
    .trim();
const odd = {
  child: long('Perpetua Wilhelmina Rosalind ', 60),
  family: long('Aldervane-Quillfeather-', 60),
  turned: 'يوسف 🐚',
  course: long('Rowing geometry for island families and their cousins, ', 120),
  word: 'Unterwasserbeobachtungsstationsprotokoll',
  teacher: long('Aldous Quillfeather of Gannet Head ', 120),
  work: long('Currents, eddies and the drawing of both: field notes, ', 120),
};

test('five children with long names, and titles of every kind, push nothing off the screen', async ({
  guardian,
  page,
}) => {
  await guardian.signsIn();
  const post = async (path: string, data: object) => {
    const answer = await page.request.post(`/api/own/children${path}`, { data });
    expect(answer.status(), await answer.text()).toBeLessThan(300);
    return (await answer.json()) as { id: string };
  };
  const term = { title: 'Fall', startsOn: '2026-09-01', endsOn: '2026-12-18' };
  const child = (givenName: string, familyName: string) => ({
    ...{ givenName, familyName, year: '6', schoolName: odd.teacher, timeZone: 'America/Halifax', term },
  });
  const { id: studentId } = await post('', child(odd.child, odd.family));
  await post('', child(odd.turned, ''));
  const record = async () =>
    (await (await page.request.get(`/api/own/children/${studentId}`)).json()) as {
      terms: { id: string }[];
      courses: { id: string }[];
    };
  const course = (title: string) => async () => ({
    ...{ id: null, title, teacher: odd.teacher, teacherEmail: null, termId: (await record()).terms[0]?.id },
    ...{ adds: 'together', missing: 'zero', scale: 'letters', categories: [] },
  });
  for (const title of [odd.course, odd.word]) await post(`/${studentId}/courses`, await course(title)());
  const [first] = (await record()).courses;
  const row = (title: string, dueOn: string, more: object) => ({
    ...{ itemId: null, title, dueOn, category: null, earned: null, possible: 20 },
    ...{ percent: null, letter: null, status: 'open', comment: null, ...more },
  });
  await post(`/${studentId}/courses/${first?.id}/work`, {
    rows: [
      row(odd.work, '2026-10-12', { status: 'missing' }),
      row(`${odd.word} ${odd.turned}`, '2026-10-22', {}),
      row('Quiz', '2026-10-01', { status: 'scored', earned: 17 }),
    ],
  });

  await page.goto('/brief');
  await expect(page.getByRole('radio')).toHaveCount(6);
  await expect(page.getByRole('radio', { name: odd.turned })).toBeAttached();
  for (const [name, open] of [
    ['Brief', () => guardian.opens('/courses')],
    ['Courses', () => guardian.opens(`/courses/${studentId}/${first?.id}`)],
    ['the course', () => guardian.opens('/work')],
    ['Work', () => guardian.opens('/days?on=2026-10-22')],
    ['Days', () => guardian.opens('/settings')],
    ['Settings', () => guardian.opens('/brief')],
  ] as const) {
    await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
    await guardian.findsScreenInOrder(`${name}, with odd names`);
    await open();
  }
  expect(guardian.complaints).toEqual([]);
});

/** The answer at an address, with something else in it. */
const answers = <T extends object>(page: Page, address: string, change: (told: T) => T) =>
  page.route(address, async (route) => {
    // All of it, whatever the page has already.
    const { 'if-none-match': _, ...headers } = route.request().headers();
    const response = await route.fetch({ headers });
    await route.fulfill({ response, json: change((await response.json()) as T) });
  });

interface Briefly {
  readonly freshness: readonly object[];
}
interface Listed {
  readonly courses: readonly object[];
}
const nothing = { matters: [], goodNews: [], inHand: [], closed: [], coming: [] };

test(
  'a school that was just added says what happens, and that there is nothing to do',
  once,
  async ({ guardian, page }) => {
    await guardian.signsIn();
    await answers<Briefly>(page, '**/api/brief', (told) => ({
      ...told,
      ...nothing,
      freshness: told.freshness.map((each) => ({ ...each, readAt: null })),
    }));
    await answers<Listed>(page, '**/api/courses', (told) => ({ ...told, courses: [] }));
    await page.goto('/brief');
    await expect(
      page.getByText(/^Cadro is reading Isolde’s records from Gannet Head Upper School for the first time\./),
    ).toBeVisible();
    await guardian.findsScreenInOrder('a school that was just added');
  },
);

test('a new term says so, and leads to what is due first', once, async ({ guardian, page }) => {
  await guardian.signsIn();
  await answers<Briefly>(page, '**/api/brief', (told) => ({ ...told, ...nothing }));
  const none = { figure: null, display: null, letter: null, at: null, count: null, by: 'count', decimals: 1 };
  const ended = { title: 'First quarter', endedOn: '2026-10-16', grade: none, closed: [], decided: [] };
  const nextDue = { title: 'Harbour sketch', dueAt: '2026-10-26T02:59:00.000Z' };
  await answers<Listed>(page, '**/api/courses', (told) => ({
    ...told,
    courses: told.courses.map((course) => ({ ...course, figures: null, grade: none, ended, nextDue })),
  }));
  await page.goto('/brief');
  await expect(
    page.getByText(
      /^A new term for Isolde: \d+ courses, nothing graded yet\. First due: Harbour sketch, Sun, Oct 25\.$/,
    ),
  ).toBeVisible();
  await guardian.findsScreenInOrder('a new term');
  await page.getByRole('link', { name: 'See what’s coming' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Work' })).toBeVisible();
});

test(
  'a finger sweeps to the next child and back, and pulls for everything anew',
  once,
  async ({ guardian, page }) => {
    await guardian.signsIn();
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    const devtools = await page.context().newCDPSession(page);
    const goes = async (from: [number, number], to: [number, number]) => {
      const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', at: readonly [number, number][]) =>
        devtools.send('Input.dispatchTouchEvent', { type, touchPoints: at.map(([x, y]) => ({ x, y })) });
      await send('touchStart', [from]);
      await send('touchMove', [to]);
      await send('touchEnd', []);
    };
    const chosen = (name: string) => expect(page.getByRole('radio', { name })).toBeChecked();
    await chosen('Everyone');
    await goes([320, 400], [120, 410]);
    await chosen('Isolde');
    await goes([320, 400], [120, 410]);
    await chosen('Caspian');
    await goes([120, 400], [320, 410]);
    await chosen('Isolde');
    // What goes aslant, or begins at the edge, means nothing.
    await goes([320, 300], [200, 420]);
    await goes([10, 400], [250, 405]);
    await chosen('Isolde');
    const asked = page.waitForRequest('**/api/brief');
    await goes([200, 150], [205, 420]);
    await asked;
  },
);
