import {
  gradebookRoutes as routes,
  type CourseDetail,
  type CourseSummary,
  type ItemDetail,
} from '@cadro/contract';
import { api } from '../store/api';

export const gradebookApi = api.injectEndpoints({
  endpoints: (build) => ({
    courses: build.query<{ courses: CourseSummary[] }, void>({
      query: () => ({ route: routes.courses }),
      providesTags: ['Record'],
    }),
    course: build.query<CourseDetail, { studentId: string; courseId: string }>({
      query: (params) => ({ route: routes.course, params }),
      providesTags: ['Record'],
    }),
    item: build.query<ItemDetail, { studentId: string; itemId: string }>({
      query: (params) => ({ route: routes.item, params }),
      providesTags: ['Record', 'Talk'],
    }),
  }),
});
export const { useCoursesQuery, useCourseQuery, useItemQuery } = gradebookApi;
