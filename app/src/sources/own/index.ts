export { CourseForm } from './CourseForm';
export { Exports, useOwnSchools } from './Exports';
export { NewChild } from './NewChild';
export { TableScreen } from './TableScreen';
export { WriteWork, type AboutWork } from './WriteWork';
