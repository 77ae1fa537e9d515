export { CourseForm } from './CourseForm';
export { NewChild } from './NewChild';
export { TableScreen } from './TableScreen';
export { WriteWork } from './WriteWork';
