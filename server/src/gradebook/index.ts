export { comingWork, itemNames, type ComingRow } from './coming';
export { commentsOf } from './comments';
export { standingCorrections } from './corrections';
export { courseRecords, dueSql } from './records';
export { gradebookRouter } from './routes';
export { coursesOf, itemOf, ofThisYear, type CourseRow } from './store';
export { termRouter } from './termRoutes';
export { courseSummary } from './views';
