import { inCourses } from '../../../places';

export default inCourses((courses) => courses.SideBySide);
