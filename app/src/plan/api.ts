import { planRoutes as routes, type ChosenBody, type EveningsBody, type TaskChange } from '@cadro/contract';
import { api, endpointsBy } from '../store';

type OfChild = { readonly studentId: string };
type OfTask = OfChild & { readonly itemId: string };

const planApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    plan: by.kept(routes.read, (studentId: string) => ({ params: { studentId } }), {
      providesTags: ['Record', 'Talk'],
    }),
    setEvenings: by.mutation(
      routes.evenings,
      ({ studentId, ...body }: OfChild & EveningsBody) => ({ params: { studentId }, body }),
      {
        // The new minutes stand there while the server is told.
        async onQueryStarted({ studentId, pattern, exceptions = [] }, { dispatch, queryFulfilled }) {
          const patch = dispatch(
            planApi.util.updateQueryData('plan', studentId, (plan) => {
              if (pattern) plan.pattern = [...pattern];
              for (const { date, minutes } of exceptions) {
                const evening = plan.evenings.find((each) => each.date === date);
                if (evening && minutes !== null) evening.minutes = minutes;
              }
            }),
          );
          await queryFulfilled.catch(patch.undo);
        },
        invalidatesTags: ['Talk'],
      },
    ),
    chooseTasks: by.mutation(
      routes.choose,
      ({ studentId, ...body }: OfChild & ChosenBody) => ({ params: { studentId }, body }),
      { invalidatesTags: ['Talk'] },
    ),
    changeTask: by.mutation(
      routes.change,
      ({ studentId, itemId, ...body }: OfTask & TaskChange) => ({ params: { studentId, itemId }, body }),
      {
        // A card stays where it was dropped while the server is told.
        async onQueryStarted({ studentId, itemId, evening, minutes, done }, { dispatch, queryFulfilled }) {
          const patch = dispatch(
            planApi.util.updateQueryData('plan', studentId, (plan) => {
              const task = plan.tasks.find((each) => each.itemId === itemId);
              if (!task) return;
              if (evening !== undefined) Object.assign(task, { evening, movedFrom: null });
              if (minutes !== undefined) task.minutes = minutes;
              if (done !== undefined) task.doneAt = done ? plan.today : null;
            }),
          );
          await queryFulfilled.catch(patch.undo);
        },
        invalidatesTags: ['Talk'],
      },
    ),
    dropTask: by.mutation(routes.drop, (params: OfTask) => ({ params }), { invalidatesTags: ['Talk'] }),
    propose: by.mutation(routes.propose, (studentId: string) => ({ params: { studentId } }), {
      invalidatesTags: ['Talk'],
    }),
  })),
});
export const {
  usePlanQuery,
  useSetEveningsMutation,
  useChooseTasksMutation,
  useChangeTaskMutation,
  useDropTaskMutation,
  useProposeMutation,
} = planApi;
