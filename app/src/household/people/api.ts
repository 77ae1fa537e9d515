import { peopleRoutes as seeing, trailRoutes, type BodyOf } from '@cadro/contract';
import { api, endpointsBy, nothing } from '../../store';
import { body } from '../api';

interface OneLink {
  readonly studentId: string;
  readonly personId: string;
}

const peopleApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    people: by.query(seeing.people, nothing, { providesTags: ['People'] }),
    trail: by.query(trailRoutes.trail, (studentId: string) => ({ params: { studentId } })),
    showHousehold: by.mutation(seeing.showItself, body<BodyOf<typeof seeing.showItself>>, {
      invalidatesTags: ['People'],
    }),
    invite: by.mutation(seeing.invite, body<BodyOf<typeof seeing.invite>>, { invalidatesTags: ['People'] }),
    withdrawInvitation: by.mutation(
      seeing.withdraw,
      (invitationId: string) => ({ params: { invitationId } }),
      { invalidatesTags: ['People'] },
    ),
    endLink: by.mutation(seeing.end, (params: OneLink) => ({ params }), {
      invalidatesTags: ['People', 'Me', 'Record', 'Talk'],
    }),
    changeRole: by.mutation(
      seeing.changeRole,
      ({ role, ...params }: OneLink & { role: 'guardian' | 'look-only' }) => ({ params, body: { role } }),
      { invalidatesTags: ['People'] },
    ),
    objectToLink: by.mutation(seeing.object, (params: OneLink) => ({ params }), {
      invalidatesTags: ['People'],
    }),
    readNotices: by.mutation(seeing.noticesRead, nothing, { invalidatesTags: ['People'] }),
  })),
});
export const {
  usePeopleQuery,
  useTrailQuery,
  useShowHouseholdMutation,
  useInviteMutation,
  useWithdrawInvitationMutation,
  useEndLinkMutation,
  useChangeRoleMutation,
  useObjectToLinkMutation,
  useReadNoticesMutation,
} = peopleApi;
