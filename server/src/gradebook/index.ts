export { courseRecords, dueSql } from './records';
export { gradebookRouter } from './routes';
export {
  comingWork,
  commentsOf,
  coursesOf,
  itemNames,
  itemOf,
  type ComingRow,
  type CourseRow,
} from './store';
export { courseSummary } from './views';
