import { once as listening } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Page } from '@playwright/test';
import type { Guardian } from './guardian';
import { islandSchool, zip } from './islandSchool';
import { begins, newcomer } from './newcomers';
import { hasAccount, hasOwnChild } from './setup/families';
import { expect, once, test } from './stack';

/* Families whose school hands nothing over: they write the record down, or bring it as a table, on a phone. */
test.use({ story: 'bundle', fresh: true });

const dayMs = 24 * 60 * 60 * 1000;
/** The day so many days from now, as a table has it: this Cadro lives by the calendar on the wall. */
const day = (from: number): string => new Date(Date.now() + from * dayMs).toISOString().slice(0, 10);

/** Whatever day it is, the term goes on: what follows has days before it and after it. */
const aroundToday = { startsOn: day(-90), endsOn: day(90) };

async function addsChild(page: Page, name: string, school: string): Promise<void> {
  await page.getByRole('link', { name: 'My school gives no code: add a child yourself' }).click();
  await page.getByLabel('First name').fill(name);
  await page.getByLabel('School', { exact: true }).fill(school);
  await page.getByRole('button', { name: `Add ${name}` }).click();
  await expect(page.getByRole('heading', { level: 1, name: `Add a course for ${name}` })).toBeVisible();
  const child = `/api/own/children/${new URL(page.url()).pathname.split('/')[2] ?? ''}`;
  const { terms } = (await (await page.request.get(child)).json()) as {
    terms: { id: string; title: string }[];
  };
  const term = { id: terms[0]?.id, title: terms[0]?.title, ...aroundToday };
  expect((await page.request.post(`${child}/terms`, { data: term })).status()).toBe(200);
  await page.reload();
}

test(
  'a school that has nothing: a course with five assignments, line by line, and where it stands',
  once,
  async ({ browser, running }) => {
    const parent = await newcomer(browser, running, false);
    const { page } = parent;
    await begins(page, running, { name: 'Hedda Skerry', email: 'hedda@test.example' });
    await expect(page.getByRole('link', { name: /^My school gives no code/ })).toBeVisible();
    await parent.findsScreenInOrder('nobody is linked yet');
    await addsChild(page, 'Wren', 'Skerry Cove School');
    // In the first minutes the Brief says what is so, and the one step from there.
    await parent.goesTo('Brief');
    await expect(page.getByText(/^There’s nothing written down for Wren yet\./)).toBeVisible();
    await parent.findsScreenInOrder('a child without a course');
    await page.getByRole('link', { name: 'Add a course', exact: true }).click();
    await page.getByLabel('Course', { exact: true }).fill('Mathematics');
    // What a rule does is seen before it is chosen for good.
    await expect(page.getByText(/counts as 0 of 10\. The grade is 72\.5 \(C\)\.$/)).toBeVisible();
    await page.getByRole('radio', { name: 'It doesn’t count' }).click();
    await expect(page.getByText(/doesn’t count\. The grade is 82\.9 \(B\)\.$/)).toBeVisible();
    await page.getByRole('radio', { name: 'As 0' }).click();
    await parent.findsScreenInOrder('a course that is written down');
    await page.getByRole('button', { name: 'Add the course' }).click();
    const line = page.getByLabel('An assignment in one line');
    await expect(line).toBeVisible();
    await parent.goesTo('Brief');
    await expect(page.getByText('Wren has 1 course and no grade yet.')).toBeVisible();
    await parent.findsScreenInOrder('a course without a score');
    await page.getByRole('link', { name: 'Write down the first score' }).click();
    for (const [text, said] of [
      ['quiz yesterday 17/20', 'Quiz, 17 of 20'],
      [`worksheet 4 due ${day(-6)} missing, 10 points`, 'Worksheet 4, worth 10'],
      [`test ${day(-3)} 40/50`, 'Test, 40 of 50'],
      [`project due ${day(5)} worth 50`, 'Project, worth 50'],
      ['quiz 3 9 of 10', 'Quiz 3, 9 of 10'],
    ] as const) {
      await line.fill(text);
      await line.press('Enter');
      await expect(page.getByText(`Added ${said}.`)).toBeVisible();
    }
    await expect(page.getByRole('heading', { name: '5 assignments so far' })).toBeVisible();
    await parent.findsScreenInOrder('assignments that are written down');
    // A slip of the pen is mended where it stands.
    await page.getByRole('button', { name: /^Change Quiz\. / }).click();
    await page.getByLabel('Assignment', { exact: true }).fill('Quiz 2');
    await page.getByLabel('Points earned').fill('19');
    await page.getByRole('button', { name: 'Save the assignment' }).click();
    await expect(page.getByRole('button', { name: /^Change Quiz 2\. / })).toBeVisible();
    await page.getByRole('button', { name: /^Change Quiz 3\. / }).click();
    await page.getByRole('button', { name: 'Remove this assignment: Quiz 3' }).click();
    await expect(page.getByText('Removed Quiz 3.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo: Quiz 3' }).click();
    await expect(page.getByRole('heading', { name: '5 assignments so far' })).toBeVisible();
    await page.getByRole('link', { name: 'Change how it’s graded' }).click();
    await page.getByRole('button', { name: 'Remove this course: Mathematics' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Course removed' })).toBeVisible();
    await page.getByRole('button', { name: 'Undo: Mathematics' }).click();
    await expect(page.getByRole('heading', { name: '5 assignments so far' })).toBeVisible();
    await page.getByRole('link', { name: 'See where Mathematics stands' }).click();
    // 19 + 0 + 40 + 9 of 90.
    await expect(page.getByText('75.6', { exact: true }).first()).toBeVisible();
    await expect(page.getByText(/^You keep this record yourself/)).toBeVisible();
    await parent.findsScreenInOrder('a course that its family writes down');
    await parent.goesTo('Work');
    await expect(page.getByText('Worksheet 4').first()).toBeVisible();
    await parent.goesTo('Brief');
    await expect(page.getByText('Project').first()).toBeVisible();
    await page.goto('/days/attendance');
    await page.getByRole('link', { name: 'Write down an absence' }).click();
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText(/is written down\.$/)).toBeVisible();
    await page.goto('/days/attendance');
    await expect(page.getByRole('link', { name: 'Day by day' })).toBeVisible();
    await parent.findsScreenInOrder('attendance that its family writes down');
    await page.goto('/settings/sources');
    await page.getByRole('button', { name: /^Change the name, grade or school/ }).click();
    await page.getByLabel('Last name (optional)').fill('Tern-Reef');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('button', { name: /^Change the name, grade or school/ })).toBeVisible();
    expect(parent.complaints).toEqual([]);
  },
);

test(
  'an export of the school: only the own child’s rows, and where it stands',
  once,
  async ({ browser, running }) => {
    const parent = await newcomer(browser, running, false);
    const { page } = parent;
    await hasAccount(page, running, { name: 'Ina Wrack', email: 'ina.wrack@test.example' });
    await page.goto('/brief');
    await page.getByRole('link', { name: 'My school gives no code: add a child yourself' }).click();
    await page.getByRole('radio', { name: 'An export file (OneRoster, .zip)' }).click();
    await page.getByLabel('Child’s first name, as the school writes it').fill('Una');
    await page.getByLabel('Child’s last name').fill('Wrack');
    await page.getByLabel('School', { exact: true }).fill('Wrack Island School');
    await parent.findsScreenInOrder('an export is asked for');
    const send = async (name: string, buffer: Buffer) => {
      const asked = page.waitForEvent('filechooser');
      await page.getByRole('button', { name: /^Choose the export/ }).click();
      await (await asked).setFiles({ name, mimeType: 'application/zip', buffer });
    };
    const file = await zip(islandSchool(day));
    await send('fall.zip', file);
    await expect(page.getByText(/^We found no student of that name in this file/)).toBeVisible();
    await page.getByLabel('Child’s first name, as the school writes it').fill('Odo');
    await send('fall.zip', file);
    await page.getByRole('link', { name: 'See the courses' }).click();
    await page.getByRole('link', { name: /^Knots and splices/ }).click();
    // 17 of 20 in the quizzes at 60, and nothing turned in at 40.
    await expect(page.getByText('51.0', { exact: true }).first()).toBeVisible();
    await parent.goesTo('Work');
    await expect(page.getByText('Bowline sheet').first()).toBeVisible();
    await page.goto('/settings/sources');
    await expect(page.getByText('Exports that you bring in yourself. About Odo.')).toBeVisible();
    await parent.findsScreenInOrder('the sources of a family');
    await page.getByRole('button', { name: 'Remove this source: Wrack Island School' }).click();
    await expect(page.getByText(/^This deletes the whole record of Odo/)).toBeVisible();
    await page.getByRole('button', { name: 'Delete it for good: Wrack Island School' }).click();
    await expect(page.getByText(/^There’s no source yet/)).toBeVisible();
    // The name that is not in the file was refused, as it is said above.
    expect(parent.complaints.filter((words) => !words.includes('422'))).toEqual([]);
  },
);

test('a table out of a page and a file: read, corrected, taken once', once, async ({ browser, running }) => {
  const parent = await newcomer(browser, running, false);
  const { page } = parent;
  await hasAccount(page, running, { name: 'Ivo Tern', email: 'ivo@test.example' });
  await hasOwnChild(page, { name: 'Lark', school: 'Tern Rock School' }, aroundToday);
  await page.goto('/courses');
  await page.getByRole('link', { name: 'Import a table' }).click();
  const rows = [
    ['Tide log', day(-20), 'Homework', '8/10', ''],
    ['Harbour map', day(-12), 'Homework', 'M', ''],
    ['Wind test', day(-4), 'Tests', '45/50', 'Well reasoned'],
    ['Knots essay', day(9), 'Projects', '', ''],
    ['Total', '', '', '53/70', ''],
  ];
  const csv = [['Assignment', 'Due', 'Kind of work', 'Score', 'Remarks'], ...rows]
    .map((cells) => cells.join('\t'))
    .join('\n');
  await page.getByLabel('Paste the table here').fill(csv);
  await page.getByRole('button', { name: 'Read the table' }).click();
  await expect(page.getByText('4 assignments, as Cadro understands them')).toBeVisible();
  await expect(page.getByText('8 of 10', { exact: true })).toBeVisible();
  await parent.findsScreenInOrder('a table as it is understood');
  await page.getByRole('button', { name: 'Add 4 assignments' }).click();
  await expect(page.getByText('4 added, 0 changed, 0 were there already.')).toBeVisible();
  await page.getByRole('link', { name: 'See where the course stands' }).click();
  // 8 + 0 + 45 of 70.
  await expect(page.getByText('75.7', { exact: true }).first()).toBeVisible();

  // The next table of the course, as a file: what was there is there once, and a better score is a change.
  await page.goto('/courses');
  await page.getByRole('link', { name: 'Import a table' }).click();
  const better = csv.replace('8/10', '10/10').replace('\tM\t', '\t6/10\t');
  const asked = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a file' }).click();
  await (await asked).setFiles({ name: 'term.tsv', mimeType: 'text/plain', buffer: Buffer.from(better) });
  await page.getByRole('radio', { name: 'New course', exact: true }).click();
  await page.getByRole('button', { name: 'Add 4 assignments' }).click();
  await expect(page.getByText('0 added, 2 changed, 2 were there already.')).toBeVisible();
  await page.getByRole('link', { name: 'See where the course stands' }).click();
  await expect(page.getByText('87.1', { exact: true }).first()).toBeVisible();

  // What is no table says so, and nothing is taken.
  await page.goto('/courses');
  await page.getByRole('link', { name: 'Import a table' }).click();
  const photo = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a file' }).click();
  await (
    await photo
  ).setFiles({ name: 'boat.xlsx', mimeType: 'x', buffer: Buffer.from('PK\u0003\u0004 a boat') });
  await expect(page.getByText(/^This can’t be read as a table/)).toBeVisible();
  await otherTables(parent);
  expect(parent.complaints).toEqual([]);
});

/** A list of courses and a table of attendance, given where any table is. */
async function otherTables(parent: Guardian) {
  const { page } = parent;
  const courses =
    'Period\tClass\tTeacher\n1\tNew course\tMs. Eider\n2\tChart drawing\tMr. Lugg\n3\tBoat building\t\n';
  await page.getByLabel('Paste the table here').fill(courses);
  await page.getByRole('button', { name: 'Read the table' }).click();
  await expect(page.getByRole('heading', { name: '3 courses' })).toBeVisible();
  await expect(page.getByText('New course · Ms. Eider · there already')).toBeVisible();
  await parent.findsScreenInOrder('a list of courses');
  await page.getByRole('button', { name: 'Add 2 courses' }).click();
  await expect(page.getByRole('heading', { name: '2 courses added' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Chart drawing' })).toBeVisible();

  const attendance = `Date\tClass\tAttendance\n${day(-8)}\tNew course\tAbsent – excused\n${day(-7)}\tNew course\tQ4\n`;
  await page.getByLabel('Paste the table here').fill(attendance);
  await page.getByRole('button', { name: 'Read the table' }).click();
  await expect(page.getByRole('heading', { name: '2 attendance entries' })).toBeVisible();
  await page.getByRole('button', { name: 'Check them and add them' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Add attendance' })).toBeVisible();
  await expect(page.getByText('Q4, in 1 row')).toBeVisible();
  await parent.findsScreenInOrder('marks out of a table');
  await page.getByRole('radio', { name: /late/ }).click();
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByText('2 entries were added.')).toBeVisible();
}

test('mails that are forwarded: what they say, taken by a tap', once, async ({ browser, running }) => {
  const parent = await newcomer(browser, running, false);
  const { page } = parent;
  await hasAccount(page, running, { name: 'Runa Shoal', email: 'runa@test.example' });
  const teal = { name: 'Teal', school: 'Shoal Point School', course: 'Sailing' };
  await hasOwnChild(page, teal, aroundToday);
  await page.goto('/settings/mails');
  const address = (await page.getByText(/^family\+\S+@\S+$/).textContent()) ?? '';
  await page.request.post(`${running.url}/api/inbound-mail`, {
    headers: {
      authorization: `Bearer ${running.env['CADRO_INBOUND_MAIL_KEY'] ?? ''}`,
      'content-type': 'message/rfc822',
    },
    data: [
      ...['From: Runa <runa@test.example>', `To: ${address}`, 'Subject: Fwd: Teal in sailing', ''],
      ...['---------- Forwarded message ---------', 'From: Ms. Luff <luff@shoal.example>'],
      ...['Subject: Teal in sailing', '', 'Hello,', '- Knots quiz: 18/20', '- Missing: Tide log, 10 points'],
      'She can turn in the tide log until Friday for half credit.',
    ].join('\r\n'),
  });
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Teal in sailing' })).toBeVisible();
  await page.getByRole('radio', { name: 'Sailing' }).click();
  await expect(page.getByText('“Knots quiz: 18/20”')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Keep it as a comment from the teacher' }).click();
  await parent.findsScreenInOrder('a forwarded mail');
  await page.getByRole('button', { name: 'Add 2 assignments: Teal in sailing' }).click();
  await page.getByRole('link', { name: 'Kept for Teal' }).click();
  // 18 + 0 of 30.
  await expect(page.getByText('60.0', { exact: true }).first()).toBeVisible();
  await expect(page.getByText(/She can turn in the tide log until Friday/)).toBeVisible();
  await parent.goesTo('Work');
  await expect(page.getByText('Tide log').first()).toBeVisible();
  expect(parent.complaints).toEqual([]);
});

test(
  'a class calendar: followed at its address, as events and as work',
  once,
  async ({ browser, running }) => {
    const on = day(2).replaceAll('-', '');
    const calendar = [
      ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Brant//EN'],
      ...['BEGIN:VEVENT', 'UID:a', 'SUMMARY:Rowing: Stroke log', `DTSTART;VALUE=DATE:${on}`, 'END:VEVENT'],
      ...['BEGIN:VEVENT', 'UID:b', 'SUMMARY:Boathouse cleaning', `DTSTART;VALUE=DATE:${on}`, 'END:VEVENT'],
      ...['END:VCALENDAR', ''],
    ].join('\r\n');
    const school = createServer((_request, response) => response.end(calendar)).listen(0, '127.0.0.1');
    await listening(school, 'listening');
    const { port } = school.address() as AddressInfo;
    const parent = await newcomer(browser, running, false);
    const { page } = parent;
    await hasAccount(page, running, { name: 'Orla Reach', email: 'orla@test.example' });
    const brant = { name: 'Brant', school: 'Reach Island School', course: 'Rowing' };
    await hasOwnChild(page, brant, aroundToday);
    await page.goto('/days/elsewhere');
    await page.getByRole('button', { name: 'Subscribe to a calendar' }).click();
    await page.getByLabel('Address of the calendar').fill(`http://127.0.0.1:${port}/rowing.ics`);
    await page.getByLabel('Name', { exact: true }).fill('Rowing class');
    await page.getByRole('radio', { name: 'Brant' }).click();
    await parent.findsScreenInOrder('a calendar that is followed');
    await page.getByRole('button', { name: 'Subscribe to this calendar' }).click();
    await expect(
      page.getByText('2 entries added. Cadro checks the calendar every hour. One of them is an assignment.'),
    ).toBeVisible();
    await parent.goesTo('Work');
    await expect(page.getByText('Stroke log').first()).toBeVisible();
    expect(parent.complaints).toEqual([]);
    school.close();
  },
);
