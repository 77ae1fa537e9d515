import { besideRoutes, mailRoutes, ownRoutes, sourceRoutes as routes, type BodyOf } from '@cadro/contract';
import { api, endpointsBy, nothing } from '../store';

type Sent<R extends keyof typeof ownRoutes, Params = { readonly studentId: string }> = Params & {
  readonly body: BodyOf<(typeof ownRoutes)[R]>;
};
interface OfCourse {
  readonly studentId: string;
  readonly courseId: string;
}
/** What is written down changes every page on which it stands. */
const changed = { invalidatesTags: ['Record' as const] };

const sourcesApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    sources: by.kept(routes.sources, nothing, { providesTags: ['Record'] }),
    readSource: by.mutation(routes.read, (sourceId: string) => ({ params: { sourceId } })),
    nextDay: by.mutation(routes.moveDemoClock, nothing, {
      invalidatesTags: ['Me', 'Record', 'Talk', 'Alerts'],
    }),
    ownRecord: by.kept(ownRoutes.record, (studentId: string) => ({ params: { studentId } }), {
      providesTags: ['Record'],
    }),
    addOwnChild: by.mutation(ownRoutes.addChild, (body: BodyOf<typeof ownRoutes.addChild>) => ({ body }), {
      invalidatesTags: ['Me', 'Record'],
    }),
    changeOwnChild: by.mutation(
      ownRoutes.changeChild,
      ({ studentId, body }: Sent<'changeChild'>) => ({ params: { studentId }, body }),
      { invalidatesTags: ['Me', 'Record'] },
    ),
    putOwnTerm: by.mutation(
      ownRoutes.putTerm,
      ({ studentId, body }: Sent<'putTerm'>) => ({ params: { studentId }, body }),
      changed,
    ),
    putOwnCourse: by.mutation(
      ownRoutes.putCourse,
      ({ studentId, body }: Sent<'putCourse'>) => ({ params: { studentId }, body }),
      changed,
    ),
    dropOwnCourse: by.mutation(ownRoutes.dropCourse, (params: OfCourse) => ({ params }), changed),
    putOwnWork: by.mutation(
      ownRoutes.putWork,
      ({ body, ...params }: Sent<'putWork', OfCourse>) => ({ params, body }),
      changed,
    ),
    dropOwnWork: by.mutation(
      ownRoutes.dropWork,
      (params: OfCourse & { readonly itemId: string }) => ({ params }),
      changed,
    ),
  })),
});

type Told<R extends keyof typeof besideRoutes, Params = { readonly studentId: string }> = Params & {
  readonly body: BodyOf<(typeof besideRoutes)[R]>;
};
interface OfOther {
  readonly studentId: string;
  readonly otherId: string;
}
/** Two records that become one, or two again, change who is there, too. */
const joined = { invalidatesTags: ['Me' as const, 'Record' as const, 'Alerts' as const] };

/** What a family has beside a school's record. */
const besideApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    beside: by.query(besideRoutes.beside, (studentId: string) => ({ params: { studentId } }), {
      providesTags: ['Record'],
    }),
    otherRecord: by.query(besideRoutes.other, (params: OfOther) => ({ params }), {
      providesTags: ['Record'],
    }),
    putPair: by.mutation(
      besideRoutes.pair,
      ({ studentId, body }: Told<'pair'>) => ({ params: { studentId }, body }),
      changed,
    ),
    putLead: by.mutation(
      besideRoutes.lead,
      ({ studentId, body }: Told<'lead'>) => ({ params: { studentId }, body }),
      changed,
    ),
    joinRecords: by.mutation(
      besideRoutes.join,
      ({ body, ...params }: Told<'join', OfOther>) => ({ params, body }),
      joined,
    ),
    partRecords: by.mutation(
      besideRoutes.part,
      ({ body, ...params }: Told<'part', OfOther>) => ({ params, body }),
      joined,
    ),
  })),
});

/** What comes in files and mails that a family hands over. */
const broughtApi = api.injectEndpoints({
  endpoints: endpointsBy((by) => ({
    ownSchools: by.query(ownRoutes.schools, nothing, { providesTags: ['Record'] }),
    addOwnSchool: by.mutation(
      ownRoutes.addSchool,
      (body: BodyOf<typeof ownRoutes.addSchool>) => ({ body }),
      changed,
    ),
    putExport: by.upload(
      ownRoutes.putExport,
      ({ sourceId, file }: { readonly sourceId: string; readonly file: File }) => ({
        params: { sourceId },
        query: { name: file.name.slice(0, 200) },
      }),
      changed,
    ),
    answerExport: by.mutation(
      ownRoutes.answerExport,
      ({ bundleId, answer }: { readonly bundleId: string; readonly answer: 'take' | 'stop' }) => ({
        params: { bundleId },
        body: { answer },
      }),
      changed,
    ),
    dropOwnSchool: by.mutation(ownRoutes.dropSchool, (sourceId: string) => ({ params: { sourceId } }), {
      invalidatesTags: ['Me', 'Record', 'Talk', 'Alerts'],
    }),
    forgetOwnChild: by.mutation(ownRoutes.forgetChild, (studentId: string) => ({ params: { studentId } }), {
      invalidatesTags: ['Me', 'Record', 'Talk', 'Alerts'],
    }),
    mails: by.query(mailRoutes.mails, nothing, { providesTags: ['Record'] }),
    placeMail: by.mutation(
      mailRoutes.placeMail,
      ({ mailId, ...body }: { readonly mailId: string } & BodyOf<typeof mailRoutes.placeMail>) => ({
        params: { mailId },
        body,
      }),
      changed,
    ),
    dropMail: by.mutation(mailRoutes.dropMail, (mailId: string) => ({ params: { mailId } }), changed),
  })),
});
export const {
  useSourcesQuery,
  useReadSourceMutation,
  useNextDayMutation,
  useOwnRecordQuery,
  useAddOwnChildMutation,
  useChangeOwnChildMutation,
  usePutOwnTermMutation,
  usePutOwnCourseMutation,
  useDropOwnCourseMutation,
  usePutOwnWorkMutation,
  useDropOwnWorkMutation,
} = sourcesApi;
export const {
  useMailsQuery,
  usePlaceMailMutation,
  useDropMailMutation,
  useOwnSchoolsQuery,
  useAddOwnSchoolMutation,
  usePutExportMutation,
  useAnswerExportMutation,
  useDropOwnSchoolMutation,
  useForgetOwnChildMutation,
} = broughtApi;

export const {
  useBesideQuery,
  useOtherRecordQuery,
  usePutPairMutation,
  usePutLeadMutation,
  useJoinRecordsMutation,
  usePartRecordsMutation,
} = besideApi;
