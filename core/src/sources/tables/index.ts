/* Tables of assignments, as people paste them. An entry of its own: few pages need it. */
export { readScore, type Said } from './cells';
export type { Column } from './columns';
export type { Order } from './days';
export { gridOf, type Grid } from './grid';
export { readCourses, type TableCourse } from './courses';
export { markOfWord, readMarks, type MarksTable, type TableMark } from './marks';
export { readGrid, readTable, type Asked, type Table, type TableProblem, type TableRow } from './readTable';
