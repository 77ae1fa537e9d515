import { record, writing, type Statuses, type Table } from './callers';

/** The child's desk: its family looks at it, and it alone writes on it. */
const desk: Statuses = { ...record, helper: 403 };
const childs = (done: number): Statuses => ({
  ...{ nobody: 401, stranger: 404, ended: 404, looker: 403, helper: 403, apart: 403, guardian: 403 },
  student: done,
});
export const deskTable: Table = {
  'get /api/students/:studentId/on-file': { statuses: desk },
  'get /api/students/:studentId/desk': { statuses: desk },
  'post /api/students/:studentId/desk/words': {
    statuses: childs(201),
    body: (ids) => ({ wish: 'show', courseId: ids.courseId }),
  },
  // Another household's desk is another desk; and before the guardian asks, the child has taken it back.
  'post /api/students/:studentId/desk/words/:wordId/seen': {
    statuses: { ...writing(200), apart: 404, guardian: 404 },
  },
  'delete /api/students/:studentId/desk/words/:wordId': { statuses: childs(200) },
  'post /api/students/:studentId/desk/pieces': {
    statuses: childs(201),
    body: (ids) => ({ itemId: ids.itemId, why: 'It floats', shown: false }),
  },
  'patch /api/students/:studentId/desk/pieces/:pieceId': {
    statuses: childs(200),
    body: () => ({ shown: true }),
  },
  // What is in hand is the guardian's, not the child's.
  'patch /api/students/:studentId/desk/agreed/:followUpId': {
    statuses: { ...childs(404), guardian: 403 },
    body: () => ({ done: true }),
  },
  'delete /api/students/:studentId/desk/pieces/:pieceId': { statuses: childs(200) },
  'post /api/students/:studentId/desk/shares': {
    statuses: writing(200),
    body: () => ({ what: 'evenings', shown: true }),
  },
};
