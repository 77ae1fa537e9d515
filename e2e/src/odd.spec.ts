import { expect, test } from './stack';

/* Names and titles as they may be: as long as they may, from right to left, with pictures in them, of one long word. */
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
