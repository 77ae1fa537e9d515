import { ownRoutes, type OwnCourse, type OwnRecord } from '@cadro/contract';
import type { Agent } from 'supertest';

/** A child whose school hands nothing over. The story opens on Wednesday, October 21, 2026. */
export const ownChild = {
  ...{ givenName: 'Wren', familyName: 'Aldervane', year: '6', schoolName: 'Skerry Cove School' },
  timeZone: 'America/Halifax',
  term: { title: 'Fall', startsOn: '2026-09-01', endsOn: '2026-12-18' },
};

/** @returns the child's id. */
export async function addOwnChild(agent: Agent, change: Partial<typeof ownChild> = {}): Promise<string> {
  const { body } = await agent
    .post(ownRoutes.addChild.path)
    .send({ ...ownChild, ...change })
    .expect(201);
  return body.id as string;
}

export async function ownRecordOf(agent: Agent, studentId: string): Promise<OwnRecord> {
  const { body } = await agent.get(ownRoutes.record.path.replace(':studentId', studentId)).expect(200);
  return body as OwnRecord;
}

/** Writes a course down, or changes one. @returns its id. */
export async function putOwnCourse(
  agent: Agent,
  studentId: string,
  change: Partial<OwnCourse & { id: string }> = {},
): Promise<string> {
  const { terms } = await ownRecordOf(agent, studentId);
  const { body } = await agent
    .post(ownRoutes.putCourse.path.replace(':studentId', studentId))
    .send({
      ...{ id: null, title: 'Mathematics', teacher: 'Ada Brill', teacherEmail: null },
      ...{ termId: terms[0]?.id, adds: 'together', missing: 'zero', scale: 'letters', categories: [] },
      ...change,
    })
    .expect(200);
  return body.courseId as string;
}
