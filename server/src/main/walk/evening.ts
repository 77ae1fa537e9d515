import {
  alertRoutes,
  calendarRoutes,
  elsewhereRoutes,
  gradebookRoutes,
  householdRoutes,
  newsRoutes,
  outlookRoutes,
  termRoutes,
  workRoutes,
  type Alert,
  type Brief,
  type CalendarEvent,
  type CalendarFeed,
  type ChildTerms,
  type CourseDetail,
  type CourseSummary,
  type Digest,
  type ItemDetail,
  type Me,
  type News,
  type Work,
} from '@cadro/contract';
import { daysAfter } from '@cadro/core';
import type { Agent } from 'supertest';
import type { PaperReader, Printed } from '../../testing/paper';

/** What an address for calendar programs is asked to hold. */
export const addressLayers = ['test', 'due', 'school', 'meeting', 'own', 'attendance', 'closed'] as const;

const forChild = (path: string, studentId: string) => path.replace(':studentId', studentId);

/** A child's printed pages, as their letters stand there. */
export interface Papers {
  readonly studentId: string;
  /** The page of the term. */
  readonly term: readonly Printed[][];
  /** The report cards of the year. */
  readonly cards: readonly Printed[][];
}

/** All that the family can read on a day. */
export interface Seen {
  readonly now: string;
  /** The day it is, and the first that Days shows. */
  readonly on: string;
  readonly brief: Brief;
  readonly courses: readonly CourseSummary[];
  readonly details: readonly CourseDetail[];
  readonly items: readonly ItemDetail[];
  readonly work: Work;
  readonly events: readonly CalendarEvent[];
  readonly alerts: readonly Alert[];
  readonly digest: Digest;
  readonly news: News;
  readonly terms: readonly ChildTerms[];
  readonly papers: readonly Papers[];
  readonly children: Me['children'];
  /** What a calendar program gets. */
  readonly address: string;
}

/** One guardian's evening: every place is opened once. */
export class Evening {
  private address: Promise<string> | null = null;

  constructor(
    private readonly guardian: Agent,
    private readonly studentIds: readonly string[],
    private readonly paper: PaperReader,
  ) {}

  private async get<T>(path: string, query: Record<string, string> = {}): Promise<T> {
    return (await this.guardian.get(path).query(query).expect(200)).body as T;
  }

  /** The address that calendar programs read: it is made once. */
  private async addressOf(): Promise<string> {
    this.address ??= this.guardian
      .post(elsewhereRoutes.create.path)
      .send({ name: 'Kitchen', layers: addressLayers, studentIds: [] })
      .expect(201)
      .then(({ body }) => new URL((body as CalendarFeed).url).pathname);
    return this.address;
  }

  private async printed(path: string): Promise<Printed[][]> {
    const { body } = await this.guardian.get(path).expect(200).buffer();
    return this.paper.read(body as Buffer);
  }

  /** A household that uses what it is offered: every offer on Work is confirmed on the evening it is seen. */
  async confirmAll(): Promise<number> {
    const { offers } = await this.get<Work>(workRoutes.work.path);
    const fresh = offers.filter(({ answer }) => answer === null);
    for (const { studentId, commentId, place } of fresh) {
      const path = forChild(workRoutes.offer.path, studentId).replace(':commentId', commentId);
      await this.guardian.post(path).send({ place, answer: 'confirmed' }).expect(200);
    }
    return fresh.length;
  }

  /** @param print whether every paper is printed, too. */
  async read(on: string, { print }: { readonly print: boolean }): Promise<Seen> {
    const [brief, { courses }, work, { events }, { alerts }, digest, news] = await Promise.all([
      this.get<Brief>(outlookRoutes.brief.path),
      this.get<{ courses: CourseSummary[] }>(gradebookRoutes.courses.path),
      this.get<Work>(workRoutes.work.path),
      this.get<{ events: CalendarEvent[] }>(calendarRoutes.calendar.path, {
        from: on,
        to: daysAfter(on, 14),
      }),
      this.get<{ alerts: Alert[] }>(alertRoutes.list.path, { state: 'open' }),
      this.get<Digest>(alertRoutes.digest.path),
      this.get<News>(newsRoutes.news.path),
    ]);
    const details = await Promise.all(
      courses.map(({ studentId, id }) =>
        this.get<CourseDetail>(forChild(gradebookRoutes.course.path, studentId).replace(':courseId', id)),
      ),
    );
    // The pages of all that is open, doubtful, or can be done again.
    const open = details.flatMap(({ studentId, items: own }) =>
      own
        .filter(({ looseEnd, chance, classroom }) => looseEnd ?? chance ?? classroom?.doubt)
        .map(({ id }) => [studentId, id] as const),
    );
    const items = await Promise.all(
      open.map(([studentId, itemId]) =>
        this.get<ItemDetail>(forChild(gradebookRoutes.item.path, studentId).replace(':itemId', itemId)),
      ),
    );
    const terms = await Promise.all(
      this.studentIds.map((id) => this.get<ChildTerms>(forChild(termRoutes.terms.path, id))),
    );
    const papers = await Promise.all(
      (print ? this.studentIds : []).map(async (studentId) => ({
        studentId,
        term: await this.printed(forChild(termRoutes.report.path, studentId)),
        cards: await this.printed(forChild(termRoutes.cards.path, studentId)),
      })),
    );
    const { asOf: now } = brief;
    const address = (await this.guardian.get(await this.addressOf()).expect(200)).text;
    const { children } = await this.get<Me>(householdRoutes.me.path);
    const told = { alerts, digest, news, terms, papers, address, children };
    return { now, on, brief, courses, details, items, work, events, ...told };
  }
}
