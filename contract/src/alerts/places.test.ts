import type { AlertReason } from './alerts';
import { placeOfAlert } from './places';

const common = { id: 'r', at: '2026-10-21T19:40:00Z', sourceName: 'Gannet Head' };
const scale = { outOf: 100, decimals: 1 };
const figure: AlertReason = {
  ...{ ...common, ...scale, about: 'figure', rule: 'fallen', before: 90, since: null, now: 80, ifLeft: null },
  ...{ letterBefore: null, letterNow: null, limit: null, perWeek: null, moved: [] },
};
const work: AlertReason = {
  ...{ ...common, ...scale, about: 'work', rule: 'loose-end' },
  work: {
    ...{ itemId: 'i', title: 'Keel model', kind: 'missing', was: null, dueAt: null, deadline: null },
    ...{ credit: null, impact: null, earned: null, possible: 20 },
  },
};
const comment = (itemId: string | null): AlertReason => ({
  ...{ ...common, about: 'comment', rule: 'comment', commentId: 'm', subject: 'work' },
  ...{ author: 'W. Thornwick', text: 'Lovely.', itemId, itemTitle: null },
});
const attendance: AlertReason = {
  ...{ ...common, about: 'attendance', rule: 'unexplained', days: ['2026-10-19'] },
  ...{ lessons: [], pattern: null, share: null },
};
const term: AlertReason = {
  ...{ ...common, about: 'term', rule: 'report-card', term: 'Quarter 1' },
  ...{ courseTitle: null, figure: null, letter: null },
};
const upkeep = (rule: 'source-silent' | 'not-looked'): AlertReason => ({
  ...{ ...common, about: 'upkeep', rule, since: common.at, days: 3 },
  // What is about the guardian comes from no source.
  sourceName: rule === 'source-silent' ? common.sourceName : '',
});
const ofCourse = { studentId: 's', courseId: 'c' };
const ofChild = { studentId: 's', courseId: null };
const ofNobody = { studentId: null, courseId: null };

it.each([
  ['a figure', ofCourse, [figure], '/courses/s/c'],
  ['a work', ofCourse, [work, figure], '/courses/s/c/i'],
  ['a comment on a work', ofCourse, [comment('i')], '/courses/s/c/i'],
  ['a comment on a course', ofCourse, [comment(null)], '/courses/s/c'],
  ['absences', ofChild, [attendance], '/days/attendance/s'],
  ['a term', ofChild, [term], '/courses/s/terms'],
  ['a silent source', ofNobody, [upkeep('source-silent')], '/settings'],
  ['a guardian who has not looked', ofNobody, [upkeep('not-looked')], '/brief'],
  ['nothing that stands any more', ofCourse, [], '/courses/s/c'],
  ['nothing of a child', ofChild, [], '/brief'],
])('%s leads where it is acted on', (_name, subject, reasons, place) => {
  expect(placeOfAlert(subject, reasons)).toBe(place);
});
