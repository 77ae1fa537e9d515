import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import type { Brief, Child, CourseSummary } from '@cadro/contract';
import { hasGrade } from '../gradebook';
import { useCoursesQuery } from '../gradebook/api';
import { useChildren, useFormat } from '../household';
import type { Format } from '../i18n';
import { LinkAction, Stack, WayOn, Words } from '../ui';

/** What is true of a child of whom there is nothing to say yet, and the one step from there. */
interface Begun {
  readonly words: string;
  readonly step: { readonly label: string; readonly href: `/${string}` } | null;
}

interface Known {
  readonly courses: readonly CourseSummary[];
  /** Whether its school has been read at all. */
  readonly read: boolean;
  /** Whether one may write down what the school does not tell. */
  readonly may: boolean;
}

const isBegun = ({ grade, figures, scale }: CourseSummary): boolean =>
  hasGrade(grade) ||
  (scale.method === 'standards' && (figures?.standards ?? []).some(({ met }) => met !== null));

/** Null for a child with a grade: of it the Brief itself speaks. */
export function begunOf(
  t: TFunction,
  format: Format,
  child: Child,
  { courses, read, may }: Known,
): Begun | null {
  const { id, givenName, schoolName, byHand } = child;
  if (courses.some(isBegun)) return null;
  const [first] = courses;
  if (!first) {
    if (byHand)
      return {
        words: t('first.byHand', { child: givenName }),
        step: may ? { label: t('first.addCourse'), href: `/courses/${id}/new` } : null,
      };
    const words = t(read ? 'first.none' : 'first.reading', { child: givenName, school: schoolName });
    return { words, step: null };
  }
  const next = courses
    .flatMap(({ nextDue }) => (nextDue ? [nextDue] : []))
    .sort((a, b) => a.dueAt.localeCompare(b.dueAt))[0];
  const ended = courses.some((course) => course.ended);
  const begins = t(ended ? 'first.newTerm' : 'first.noGrades', { child: givenName, count: courses.length });
  if (next)
    return {
      words: `${begins} ${t('first.next', { title: next.title, date: format.day(next.dueAt) })}`,
      step: { label: t('first.seeWork'), href: '/work' },
    };
  if (byHand && may)
    return { words: begins, step: { label: t('first.write'), href: `/courses/${id}/${first.id}/write` } };
  return { words: begins, step: { label: t('first.rules'), href: '/alerts/rules' } };
}

/** In the first minutes with a child, a school or a term: what is so by now, and what one can do; nothing for anybody else. */
export function FirstMinutes({ quiet, freshness }: { quiet: string; freshness: Brief['freshness'] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { shown, mayTalk } = useChildren();
  const { data } = useCoursesQuery();
  const all = shown.map((child) =>
    begunOf(t, format, child, {
      courses: (data?.courses ?? []).filter(({ studentId }) => studentId === child.id),
      read: freshness.some(({ studentIds, readAt }) => readAt !== null && studentIds.includes(child.id)),
      may: mayTalk(child.id),
    }),
  );
  const begun = data ? all.filter((each) => each !== null) : [];
  return (
    <Stack>
      {data && begun.length < shown.length ? <Words>{quiet}</Words> : null}
      {begun.map(({ words, step }, at) => (
        <Stack key={words} space={0.5}>
          <Words>{words}</Words>
          {step ? at === 0 ? <LinkAction main {...step} /> : <WayOn {...step} /> : null}
        </Stack>
      ))}
    </Stack>
  );
}
