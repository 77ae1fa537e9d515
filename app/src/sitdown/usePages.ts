import { useTranslation } from 'react-i18next';
import type { Child, Sitdown, SitdownPage } from '@cadro/contract';
import { useAnnouncementsQuery } from '../announcements/api';
import { useSuppliesQuery } from '../calendar/api';
import { useFollowUpsQuery } from '../followups/api';
import { useChildren, useFormat } from '../household';
import { useBriefQuery, useNewsQuery } from '../outlook/api';
import { matterWords } from '../outlook';
import { usePlanQuery } from '../plan/api';
import { useAppSelector } from '../store';
import { composePage, type Section } from './compose';

export interface ChildPage {
  readonly child: Child;
  readonly page: SitdownPage;
  readonly sections: readonly Section[];
}

/** What Cadro knows that a page is made of, besides each child's plan. */
export function useKnown() {
  const brief = useBriefQuery();
  const news = useNewsQuery({});
  const followUps = useFollowUpsQuery();
  const announcements = useAnnouncementsQuery();
  const supplies = useSuppliesQuery();
  if (!brief.data || !news.data || !followUps.data || !announcements.data || !supplies.data) return null;
  return {
    brief: brief.data,
    news: [...news.data.fresh, ...news.data.earlier].flatMap(({ lines }) => lines),
    followUps: followUps.data.followUps,
    announcements: announcements.data.announcements,
    supplies: supplies.data.supplies,
  };
}
export type Known = NonNullable<ReturnType<typeof useKnown>>;

/** A child's page as it stands now. @param before the sit-down before this one. */
export function usePage(child: Child, page: SitdownPage, known: Known, before: Sitdown | null): ChildPage {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const language = useAppSelector((state) => state.prefs.language);
  const { data: plan } = usePlanQuery(child.id);
  const tools = {
    ...{ t, format },
    say: (matter: Parameters<typeof matterWords>[0]) =>
      matterWords(matter, {
        ...{ t, format, child: child.givenName, mayTalk: mayTalk(child.id), language },
        timeZone: child.timeZone,
      }),
  };
  const facts = {
    ...known,
    ...{ childId: child.id, child: child.givenName, plan: plan ?? null },
    news: known.news.filter((line) => 'studentId' in line && line.studentId === child.id),
    followUps: known.followUps.filter(({ studentId }) => studentId === child.id),
    before: before?.pages.find(({ studentId }) => studentId === child.id) ?? null,
  };
  return { child, page, sections: composePage(tools, facts, page) };
}
