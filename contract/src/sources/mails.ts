import { Type, type Static } from '@sinclair/typebox';
import { resultStatuses } from '../gradebook/record';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { OwnTaken } from './own';

const strict = { additionalProperties: false };
const one = <T extends string>(of: readonly T[]) => Type.Union(of.map((each) => Type.Literal(each)));
const Points = Nullable(Type.Number());

/** What a forwarded mail seems to say of an assignment, on its words; nothing is taken for true before a tap. */
export const MailProposal = Type.Object({
  words: Type.String(),
  title: Type.String(),
  ...{ dueOn: Nullable(DateOnly), category: Nullable(Type.String()), course: Nullable(Type.String()) },
  ...{ earned: Points, possible: Points, percent: Points, letter: Nullable(Type.String()) },
  ...{ status: one(resultStatuses), comment: Nullable(Type.String()) },
});
export type MailProposal = Static<typeof MailProposal>;

export const ForwardedMail = Type.Object({
  ...{ id: Uuid, cameAt: Instant, from: Type.String(), subject: Type.String(), text: Type.String() },
  proposals: Type.Array(MailProposal),
  /** Waiting to be looked at, or put where it belongs. */
  state: one(['new', 'placed'] as const),
  /** Whose and which course it is about: as somebody has said, or as it seems to be. */
  ...{ studentId: Nullable(Uuid), courseId: Nullable(Uuid) },
});
export type ForwardedMail = Static<typeof ForwardedMail>;

const of = { room: 'sources', access: 'signed-in' } as const;
const Mail = Type.Object({ mailId: Uuid });

export const mailRoutes = {
  mails: route({
    ...{ ...of, method: 'get', path: '/api/own/mails', status: 200 },
    answer: Type.Object({
      /** Where the household forwards to. */
      address: Type.String(),
      /** Newest first, those that wait before the others; a hundred at most. */
      mails: Type.Array(ForwardedMail),
    }),
    summary: 'What the household has forwarded, with what each mail seems to say',
  }),
  placeMail: route({
    ...{ ...of, method: 'post', path: '/api/own/mails/:mailId', params: Mail, status: 200 },
    body: Type.Object(
      {
        ...{ studentId: Uuid, courseId: Nullable(Uuid) },
        /** Which of its proposals are so, by their places; of a record that the family writes. */
        take: Type.Array(Type.Integer({ minimum: 0, maximum: 99 }), { maxItems: 100, uniqueItems: true }),
        /** Whether its words are kept as a teacher's remark on the course. */
        remark: Type.Boolean(),
      },
      strict,
    ),
    answer: Type.Object({ taken: Nullable(OwnTaken) }),
    summary: 'Say whose a mail is, and what of it is so',
  }),
  dropMail: route({
    ...{ ...of, method: 'delete', path: '/api/own/mails/:mailId', params: Mail, status: 204 },
    summary: 'Throw a forwarded mail away',
  }),
};
