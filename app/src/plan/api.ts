import {
  planRoutes as routes,
  type ChosenBody,
  type EveningsBody,
  type Plan,
  type TaskChange,
} from '@cadro/contract';
import { api } from '../store/api';

type OfChild = { readonly studentId: string };
type OfTask = OfChild & { readonly itemId: string };

export const planApi = api.injectEndpoints({
  endpoints: (build) => ({
    plan: build.query<Plan, string>({
      query: (studentId) => ({ route: routes.read, params: { studentId } }),
      providesTags: ['Record', 'Talk'],
    }),
    setEvenings: build.mutation<Plan, OfChild & EveningsBody>({
      query: ({ studentId, ...body }) => ({ route: routes.evenings, params: { studentId }, body }),
      invalidatesTags: ['Talk'],
    }),
    chooseTasks: build.mutation<Plan, OfChild & ChosenBody>({
      query: ({ studentId, ...body }) => ({ route: routes.choose, params: { studentId }, body }),
      invalidatesTags: ['Talk'],
    }),
    changeTask: build.mutation<Plan, OfTask & TaskChange>({
      query: ({ studentId, itemId, ...body }) => ({
        route: routes.change,
        params: { studentId, itemId },
        body,
      }),
      // A card stays where it was dropped while the server is told.
      async onQueryStarted({ studentId, itemId, evening, done }, { dispatch, queryFulfilled }) {
        const patch = dispatch(
          planApi.util.updateQueryData('plan', studentId, (plan) => {
            const task = plan.tasks.find((each) => each.itemId === itemId);
            if (!task) return;
            if (evening !== undefined) Object.assign(task, { evening, movedFrom: null });
            if (done !== undefined) task.doneAt = done ? plan.today : null;
          }),
        );
        await queryFulfilled.catch(patch.undo);
      },
      invalidatesTags: ['Talk'],
    }),
    dropTask: build.mutation<Plan, OfTask>({
      query: (params) => ({ route: routes.drop, params }),
      invalidatesTags: ['Talk'],
    }),
    propose: build.mutation<Plan, string>({
      query: (studentId) => ({ route: routes.propose, params: { studentId } }),
      invalidatesTags: ['Talk'],
    }),
  }),
});
export const {
  usePlanQuery,
  useSetEveningsMutation,
  useChooseTasksMutation,
  useChangeTaskMutation,
  useDropTaskMutation,
  useProposeMutation,
} = planApi;
