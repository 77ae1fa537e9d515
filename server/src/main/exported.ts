import {
  type Child,
  calendarLayers,
  ChildTerms,
  CourseRecord,
  Desk,
  FollowUp,
  keepingRoutes,
  Me,
  Meeting,
  Note,
  OnFile,
  People,
  rolesAllowed,
  Sitdown,
} from '@cadro/contract';
import { Type } from '@sinclair/typebox';
import { daysAfter } from '@cadro/core';
import type { Router } from 'express';
import { marksCsv } from '../attendance';
import { downloadOf } from '../calendar';
import { deskOf, openDesk } from '../desk';
import { listFollowUps, readFollowUp } from '../followups';
import { exportedCourses, schoolYears } from '../gradebook';
import { childrenFor, meOf, onFile, peopleOf, putExported } from '../household';
import { fileNameOf, mount, newRouter, Produced, zipOf, type PackedFile, type ServerDeps } from '../kit';
import { listMeetings } from '../meetings';
import { exportedLetters, threadWith } from '../messages';
import { exportedNotes } from '../notes';
import { answersAbout } from '../outlook';
import { listSitdowns } from '../sitdown';

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;
/** What each JSON file of the archive is made of, as JSON Schema beside it. */
const schemas = {
  me: Me,
  people: People,
  course: CourseRecord,
  desk: Desk,
  terms: ChildTerms,
  'on-file': OnFile,
  'follow-ups': Type.Array(FollowUp),
  notes: Type.Array(Note),
  meetings: Type.Array(Meeting),
  'sit-downs': Type.Array(Sitdown),
} as const;

/** So many days before and after today go into the calendar. */
const calendarDays = 183;

async function ofChild(deps: ServerDeps, guardianId: string, child: Child): Promise<PackedFile[]> {
  const folder = fileNameOf(child.givenName);
  const courses = await exportedCourses(deps, guardianId, child.id);
  const mayDesk = rolesAllowed('read-desk').includes(child.role);
  const desk = mayDesk
    ? await deskOf(deps, await openDesk(deps.db, guardianId, child.id, 'read-desk'))
    : null;
  const file = rolesAllowed('read-file').includes(child.role)
    ? await onFile(deps.db, guardianId, child)
    : null;
  const { answer: terms } = await schoolYears(deps.db, guardianId, child, await deps.clock.now());
  const own = (name: keyof typeof schemas, value: object | null): PackedFile[] =>
    value
      ? [
          {
            path: `${folder}/${name}.json`,
            content: json({ $schema: `../schemas/${name}.json`, ...value }),
          },
        ]
      : [];
  return [
    ...own('desk', desk),
    ...own('on-file', file),
    // The grades of every year, also of those of which no more than the report is kept.
    ...own('terms', terms),
    { path: `${folder}/attendance.csv`, content: await marksCsv(deps, guardianId, child) },
    ...courses.map(({ title, record }) => ({
      path: `${folder}/courses/${fileNameOf(title)}.json`,
      content: json({ $schema: '../../schemas/course.json', ...record }),
    })),
  ];
}

async function ownFiles(deps: ServerDeps, guardianId: string): Promise<PackedFile[]> {
  const followUps: FollowUp[] = [];
  const handed = { ...deps, threadWith, answersAbout };
  for (const { id } of await listFollowUps(handed, guardianId))
    followUps.push(await readFollowUp(handed, guardianId, id));
  const today = (await deps.clock.now()).toISOString().slice(0, 10);
  const range = { from: daysAfter(today, -calendarDays), to: daysAfter(today, calendarDays) };
  return [
    { path: 'me.json', content: json({ $schema: 'schemas/me.json', ...(await meOf(deps, guardianId)) }) },
    {
      path: 'people.json',
      content: json({ $schema: 'schemas/people.json', ...(await peopleOf(deps, guardianId)) }),
    },
    { path: 'follow-ups.json', content: json(followUps) },
    { path: 'notes.json', content: json(await exportedNotes(deps, guardianId)) },
    { path: 'meetings.json', content: json(await listMeetings(deps, guardianId)) },
    { path: 'sit-downs.json', content: json((await listSitdowns(deps, guardianId)).sitdowns) },
    { path: 'calendar.ics', content: await downloadOf(deps, guardianId, range, [...calendarLayers]) },
  ];
}

/** Everything about a person and the linked children, as far as the person may see it, in one archive. */
async function exportOf(deps: ServerDeps, guardianId: string): Promise<Buffer> {
  const children = await childrenFor(deps.db, guardianId, 'read-record');
  const files = [...(await ownFiles(deps, guardianId)), ...(await exportedLetters(deps.db, guardianId))];
  for (const child of children) files.push(...(await ofChild(deps, guardianId, child)));
  for (const [name, schema] of Object.entries(schemas))
    files.push({ path: `schemas/${name}.json`, content: json(schema) });
  const now = await deps.clock.now();
  await putExported(
    deps.db,
    guardianId,
    children.map(({ id }) => id),
    now,
  );
  return zipOf(files, now);
}

export function exportRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(
    router,
    keepingRoutes.exported,
    async ({ deps, guardianId }) => new Produced(await exportOf(deps, guardianId), 'cadro.zip'),
  );
  return router;
}
