export * from './api';
export * from './Comments';
export * from './CourseList';
export * from './CourseView';
export * from './ItemView';
export * from './story';
export * from './words';
