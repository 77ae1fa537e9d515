import { Type, type Static } from '@sinclair/typebox';
import { Agreement } from '../shared/agreement';
import { route } from '../shared/route';
import { AskedDay, DateOnly, Instant, Line, LineId, Nullable, Uuid, Version } from '../shared/scalars';

/** The parts of a child's page, in their order. */
export const sitdownSections = ['good', 'question', 'things', 'agreed', 'week', 'bring'] as const;
export type SitdownSection = (typeof sitdownSections)[number];
const Section = Type.Union(sitdownSections.map((section) => Type.Literal(section)));

/** A line that the family has written itself. */
export const OwnLine = Type.Object(
  { id: LineId, section: Section, text: Line },
  { additionalProperties: false },
);
export type OwnLine = Static<typeof OwnLine>;

/** A page as it was when the family got up. */
export const KeptSection = Type.Object(
  { section: Section, lines: Type.Array(Line, { maxItems: 60 }) },
  { additionalProperties: false },
);
export type KeptSection = Static<typeof KeptSection>;

/** What the family has changed of a child's page, and what was said. */
export const SitdownPage = Type.Object({
  studentId: Uuid,
  /** Lines of Cadro's that are left out, by their ids. */
  hidden: Type.Array(LineId),
  own: Type.Array(OwnLine),
  /** Lines that the family has put in an order of its own, by their ids; those that are not named follow as they come. */
  order: Type.Array(LineId),
  /** The question for the child to answer first; null for Cadro's own. */
  question: Nullable(Line),
  /** What the child answered. */
  answer: Nullable(Type.String({ maxLength: 2000 })),
  agreed: Type.Array(Agreement),
  /** Null until the sit-down is over. */
  kept: Nullable(Type.Array(KeptSection)),
  version: Version,
});
export type SitdownPage = Static<typeof SitdownPage>;

export const sitdownStates = ['open', 'under-way', 'held'] as const;
export const Sitdown = Type.Object({
  id: Uuid,
  on: DateOnly,
  state: Type.Union(sitdownStates.map((state) => Type.Literal(state))),
  startedAt: Nullable(Instant),
  endedAt: Nullable(Instant),
  /** Of the children whose talk one reads. */
  pages: Type.Array(SitdownPage),
});
export type Sitdown = Static<typeof Sitdown>;

const strict = { additionalProperties: false };
export const PageChange = Type.Object(
  {
    version: Version,
    hidden: Type.Optional(Type.Array(LineId, { maxItems: 200, uniqueItems: true })),
    own: Type.Optional(Type.Array(OwnLine, { maxItems: 60 })),
    order: Type.Optional(Type.Array(LineId, { maxItems: 200, uniqueItems: true })),
    question: Type.Optional(Nullable(Line)),
    answer: Type.Optional(Nullable(Type.String({ maxLength: 2000 }))),
    agreed: Type.Optional(Type.Array(Agreement, { maxItems: 30 })),
  },
  { ...strict, minProperties: 2 },
);
export type PageChange = Static<typeof PageChange>;

/** What stands on paper: a page for each child, made for the door of a fridge. */
export const PaperPages = Type.Object(
  {
    title: Type.String({ minLength: 1, maxLength: 200 }),
    pages: Type.Array(
      Type.Object(
        {
          name: Type.String({ minLength: 1, maxLength: 100 }),
          sections: Type.Array(
            Type.Object(
              {
                title: Type.String({ minLength: 1, maxLength: 200 }),
                /** Whether each line is to be ticked off by hand. */
                ticks: Type.Boolean(),
                lines: Type.Array(Line, { maxItems: 60 }),
              },
              strict,
            ),
            { maxItems: 10 },
          ),
        },
        strict,
      ),
      { minItems: 1, maxItems: 12 },
    ),
  },
  strict,
);
export type PaperPages = Static<typeof PaperPages>;

const room = 'sitdown';
const One = Type.Object({ sitdownId: Uuid });
export const sitdownRoutes = {
  list: route({
    method: 'get',
    path: '/api/sitdowns',
    room,
    access: 'signed-in',
    summary: 'The family’s sit-downs, the latest first',
    status: 200,
    answer: Type.Object({
      sitdowns: Type.Array(Sitdown),
      /** The entry of the family's calendar by which it comes every week; null where there is none. */
      rhythmEntryId: Nullable(Uuid),
    }),
  }),
  begin: route({
    method: 'post',
    path: '/api/sitdowns',
    room,
    access: 'signed-in',
    summary: 'Open the page of the next sit-down; the one that is open where there is one',
    body: Type.Object({ on: AskedDay }, strict),
    status: 201,
    answer: Sitdown,
  }),
  change: route({
    method: 'patch',
    path: '/api/sitdowns/:sitdownId/pages/:studentId',
    room,
    access: 'signed-in',
    summary:
      'Change a child’s page: leave lines out, add some, ask something else, write down what was agreed',
    params: Type.Object({ sitdownId: Uuid, studentId: Uuid }),
    body: PageChange,
    status: 200,
    answer: Sitdown,
  }),
  start: route({
    method: 'post',
    path: '/api/sitdowns/:sitdownId/start',
    room,
    access: 'signed-in',
    summary: 'The family sits down: the time runs',
    params: One,
    status: 200,
    answer: Sitdown,
  }),
  end: route({
    method: 'post',
    path: '/api/sitdowns/:sitdownId/end',
    room,
    access: 'signed-in',
    summary: 'The family gets up: its pages are kept as they are',
    params: One,
    body: Type.Object(
      {
        pages: Type.Array(
          Type.Object({ studentId: Uuid, sections: Type.Array(KeptSection, { maxItems: 10 }) }, strict),
          { maxItems: 20 },
        ),
      },
      strict,
    ),
    status: 200,
    answer: Sitdown,
  }),
  drop: route({
    method: 'delete',
    path: '/api/sitdowns/:sitdownId',
    room,
    access: 'signed-in',
    summary: 'Throw away a page that was opened and not sat down with',
    params: One,
    status: 204,
  }),
  rhythm: route({
    method: 'post',
    path: '/api/sitdowns/rhythm',
    room,
    access: 'signed-in',
    summary: 'Say which entry of the family’s calendar is the weekly sit-down; null for none',
    body: Type.Object({ entryId: Nullable(Uuid) }, strict),
    status: 204,
  }),
  paper: route({
    method: 'post',
    path: '/api/sitdowns/paper',
    room,
    access: 'signed-in',
    summary: 'The pages as PDF, one for each child',
    body: PaperPages,
    status: 200,
    produces: 'application/pdf',
    heavy: true,
  }),
};
