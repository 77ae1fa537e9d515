/**
 * An endpoint takes its types from its route: these pairings must not compile, and the types' check fails when one does.
 * @jest-environment node
 */
import { gradebookRoutes, outlookRoutes, workRoutes, type Brief, type Work } from '@cadro/contract';
import { addressOf, api, endpointsBy, nothing } from '.';

const planted = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    plantedBrief: by.query(outlookRoutes.brief, nothing),
    plantedWork: by.query(workRoutes.work, nothing),
    // @ts-expect-error a course's page needs to be told whose, and which
    plantedCourse: by.query(gradebookRoutes.course, nothing),
    // @ts-expect-error the Brief is asked for without a body
    plantedBody: by.query(outlookRoutes.brief, () => ({ body: { picks: [] } })),
  })),
});
type AnswerOf<Name extends keyof typeof planted.endpoints> = NonNullable<
  (typeof planted.endpoints)[Name]['Types']['ResultType']
>;

it('an endpoint’s answer is that of its route, and of no other', () => {
  const brief: (answer: AnswerOf<'plantedBrief'>) => Brief = (answer) => answer;
  const work: (answer: AnswerOf<'plantedWork'>) => Work = (answer) => answer;
  // @ts-expect-error the Brief's endpoint does not answer Work
  const wrong: (answer: AnswerOf<'plantedBrief'>) => Work = (answer) => answer;
  expect([brief, work, wrong]).toHaveLength(3);
  expect(planted.endpoints).toHaveProperty('plantedBrief');
});

it('an address holds what its route is told, and what is left out is left out', () => {
  const params = { studentId: 'a b', courseId: 'c' };
  expect(addressOf(gradebookRoutes.course, { params, query: { termId: 't' } })).toBe(
    gradebookRoutes.course.path.replace(':studentId', 'a%20b').replace(':courseId', 'c') + '?termId=t',
  );
  expect(addressOf(gradebookRoutes.course, { params, query: {} })).not.toContain('?');
});
