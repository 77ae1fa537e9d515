export { CourseForm } from './CourseForm';
export { Exports, useOwnSchools } from './Exports';
export { GiveTable } from './GiveTable';
export { marksText } from './marksText';
export { NewChild } from './NewChild';
export { DateOrder } from './TableColumns';
export { TableScreen } from './TableScreen';
export { useTable } from './useTable';
export { WriteWork, type AboutWork } from './WriteWork';
