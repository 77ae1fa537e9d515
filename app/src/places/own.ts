export { CourseForm, NewChild, TableScreen, WriteWork } from '../sources';
