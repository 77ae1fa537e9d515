import { useTranslation } from 'react-i18next';
import type { Desk } from '@cadro/contract';
import { useChildren, useSelf } from '../household';
import { WayOn } from '../ui';
import { useDeskQuery } from './api';

export type Word = Desk['words'][number];

/** The screen of what a child shows its family. */
const fromHref = (studentId: string) => `/talk/from/${studentId}` as const;

/** What a word is about, as one would say it. */
export function useAbout(): (word: Word) => string {
  const { t } = useTranslation();
  return ({ comment, itemTitle, courseTitle }) => {
    const title = itemTitle ?? courseTitle;
    return comment ? t('desk.from.ofComment', { author: comment.author, title }) : title;
  };
}

/** So many words stand on the Brief; all of them on the child's page. */
const onBrief = 3;

function OnBrief({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const about = useAbout();
  const { data: desk } = useDeskQuery(studentId);
  const fresh = desk?.words.filter(({ seen }) => seen === null) ?? [];
  return fresh
    .slice(0, onBrief)
    .map((word) => (
      <WayOn
        key={word.id}
        label={t(`desk.from.wishes.${word.wish}`, { child: nameOf(studentId), title: about(word) })}
        href={fromHref(studentId)}
      />
    ));
}

/** On the Brief: what the children have said and nobody of the family has seen yet. */
export function FromChildren() {
  const { shown } = useChildren();
  const self = useSelf();
  if (self) return null;
  return shown
    .filter(({ role }) => role === 'guardian' || role === 'look-only')
    .map(({ id }) => <OnBrief key={id} studentId={id} />);
}
