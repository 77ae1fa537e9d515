import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import Papa from 'papaparse';
import { expect, once, test } from './stack';

/* What is taken along says the same as the pages do: files are read here as whoever opens them reads them. */

const saved = async (page: Page, name: RegExp | string): Promise<{ name: string; text: string }> => {
  const button = page.getByRole('button', { name });
  const [download] = await Promise.all([page.waitForEvent('download'), button.click()]);
  return { name: download.suggestedFilename(), text: readFileSync(await download.path(), 'utf8') };
};
type Row = Readonly<Record<string, string>>;
const rowsOf = async (page: Page, name: RegExp | string): Promise<readonly Row[]> => {
  const { text } = await saved(page, name);
  const { data, errors } = Papa.parse<Row>(text, { header: true, skipEmptyLines: true });
  expect(errors).toEqual([]);
  return data;
};

interface Grade {
  readonly display: number | null;
  readonly letter: string | null;
  readonly count: { readonly display: number } | null;
}
interface Course {
  readonly id: string;
  readonly studentId: string;
  readonly title: string;
  readonly grade: Grade;
  readonly figures: { readonly looseEnds: readonly unknown[] } | null;
}
interface Terms {
  readonly terms: readonly { readonly part: string; readonly title: string }[];
  readonly courses: readonly {
    readonly title: string;
    readonly grades: readonly {
      readonly part: string;
      readonly title: string | null;
      readonly grade: Grade;
    }[];
    readonly remarks: readonly { readonly part: string | null; readonly text: string }[];
  }[];
  readonly attendance: readonly {
    readonly part: string;
    readonly daysMissed: number;
    readonly late: number;
  }[];
}
const answer = async <T>(page: Page, path: string): Promise<T> =>
  (await (await page.request.get(path)).json()) as T;
const cell = (value: number | string | null | undefined): string => String(value ?? '');
const graded = ({ display, letter }: Grade): string[] => [cell(display), cell(letter)];

test('files say what the pages say', once, async ({ guardian, page }) => {
  await guardian.signsIn();
  const { courses } = await answer<{ courses: Course[] }>(page, '/api/courses');

  await test.step('every course side by side', async () => {
    await guardian.opens('/courses/compare');
    const rows = await rowsOf(page, 'Download CSV: Side by side');
    expect(rows.map((row) => [row['Course'], row['Grade'], row['Letter'], row['By our count']])).toEqual(
      courses.map(({ title, grade }) => [title, ...graded(grade), cell(grade.count?.display)]),
    );
    expect(rows.map((row) => row['Loose ends'])).toEqual(
      courses.map(({ figures }) => cell(figures?.looseEnds.length)),
    );
    const [kelp] = rows.filter((row) => row['Course'] === 'Kelp chemistry');
    expect(kelp).toMatchObject({ Grade: '80.4', Letter: 'B', 'By our count': '76.6' });
    await expect(page.getByRole('link', { name: /^Kelp chemistry\. .*80\.4.*76\.6/ })).toBeVisible();
  });

  for (const child of ['Isolde', 'Caspian', 'Pet']) {
    const id = await guardian.idOf(child);
    const years = await answer<Terms>(page, `/api/students/${id}/terms`);
    const titleOf = (part: string) => years.terms.find((term) => term.part === part)?.title;

    await test.step(`the terms of ${child}`, async () => {
      await guardian.opens(`/courses/${id}/terms`);
      const rows = await rowsOf(page, `Download CSV: Terms of ${child}`);
      expect(rows.map((row) => [row['Course'], row['Term'], row['Grade'], row['Letter']])).toEqual(
        years.courses.flatMap(({ title, grades }) =>
          grades.map(({ part, title: exam, grade }) => [
            title,
            titleOf(part) ?? exam ?? part,
            ...graded(grade),
          ]),
        ),
      );
    });

    await test.step(`the report cards of ${child}`, async () => {
      await guardian.opens(`/courses/${id}/report-cards`);
      const rows = await rowsOf(page, /^Download CSV: Report cards/);
      const ofCourses = rows.filter((row) => years.courses.some(({ title }) => title === row['Course']));
      expect(ofCourses.length).toBeGreaterThan(0);
      for (const row of ofCourses) {
        const course = years.courses.find(
          ({ title, grades }) =>
            title === row['Course'] && grades.some(({ part }) => titleOf(part) === row['Term']),
        );
        const found = course?.grades.find(({ part }) => titleOf(part) === row['Term']);
        expect([row['Grade'], row['Letter']]).toEqual(found && graded(found.grade));
        const remark = course?.remarks.find(({ part }) => part === found?.part)?.text;
        expect(row['Comment']).toBe(cell(remark));
      }
      for (const row of rows.filter((each) => !ofCourses.includes(each))) {
        const own = years.attendance.find(({ part }) => titleOf(part) === row['Term']);
        expect([row['Days missed'], row['Late arrivals']]).toEqual([cell(own?.daysMissed), cell(own?.late)]);
      }
    });
  }
  expect(guardian.complaints).toEqual([]);
});

test('lists and the whole record are taken along', once, async ({ guardian, page }) => {
  await guardian.signsIn();
  await guardian.opensCourse('Boat-building');
  const work = await saved(page, 'Download CSV: Boat-building, work');
  expect(work.name).toBe('boat-building-work.csv');
  const [head, ...rows] = work.text.trimEnd().split('\r\n');
  expect(head).toBe('Work,Category,Unit,Assigned,Due,State,Earned,Possible,Counts,Not in the grade');
  expect(rows).toContainEqual(
    'Keel model,Assessments,Ribs and frames,2026-09-28,2026-10-12,"overdue, not counted yet",,20,yes,"1 is overdue and hasn’t been graded, so it doesn’t count yet"',
  );
  const record = await saved(page, 'Download the whole record: Boat-building');
  expect(record.name).toBe('boat-building.json');
  expect(JSON.parse(record.text)).toMatchObject({ policy: { method: 'weighted', outOf: 4 } });
  expect(guardian.complaints).toEqual([]);
});
