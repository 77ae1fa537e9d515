import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { AnnouncedPart, Announcement } from '@cadro/contract';
import { Trouble, useChildren, useFormat } from '../household';
import { Action, Heading, Quietly, Row, Stack, Words } from '../ui';
import { useLeavePartMutation, useTakePartMutation } from './api';

/** A part in words: a day with its hours, a last day, or what to bring and for when. */
function usePartWords(): (part: AnnouncedPart) => string {
  const { t } = useTranslation();
  const format = useFormat();
  return ({ kind, on, lastOn, startsAt, endsAt, what }) => {
    const day = on ? format.day(on) : '';
    if (kind === 'bring')
      return on ? t('school.parts.bringOn', { what, date: day }) : t('school.parts.bring', { what });
    if (kind === 'deadline') return t('school.parts.deadline', { date: day });
    const days =
      lastOn && lastOn !== on ? t('school.parts.days', { from: day, to: format.day(lastOn) }) : day;
    if (!startsAt) return days;
    const from = format.clock(startsAt);
    const hours = endsAt ? t('school.parts.hours', { from, to: format.clock(endsAt) }) : from;
    return t('school.parts.at', { day: days, hours });
  };
}

function Part({ announcement, part }: { announcement: Announcement; part: AnnouncedPart }) {
  const { t } = useTranslation();
  const { mayTalk } = useChildren();
  const wordsOf = usePartWords();
  const [take, taking] = useTakePartMutation();
  const [leave, leaving] = useLeavePartMutation();
  const { id, studentIds } = announcement;
  const said = wordsOf(part);
  const where = { announcementId: id, part: part.key };
  const may = studentIds.some(mayTalk);
  return (
    <Stack space={0.5}>
      <Words bold>{said}</Words>
      {part.entryId ? (
        <Row wrap space={2}>
          <Words size="small" colour="teal" live>
            {t(`school.taken.${part.kind}`)}
          </Words>
          {may ? <Quietly label={t('school.undo')} hint={said} onPress={() => void leave(where)} /> : null}
        </Row>
      ) : may ? (
        <Action
          label={t(`school.take.${part.kind}`)}
          hint={said}
          busy={taking.isLoading}
          onPress={() => void take(where)}
        />
      ) : null}
      <Trouble error={taking.error ?? leaving.error} />
    </Stack>
  );
}

/** What was read out of the words, each to be taken with one tap. */
export function Parts({ announcement }: { announcement: Announcement }) {
  const { t } = useTranslation();
  const { parts } = announcement;
  if (parts.length === 0) return null;
  return (
    <Stack space={2}>
      <View>
        <Heading level={2}>{t('school.inIt')}</Heading>
        <Words size="small" colour="soft">
          {t('school.readOut')}
        </Words>
      </View>
      {parts.map((part) => (
        <Part key={part.key} announcement={announcement} part={part} />
      ))}
    </Stack>
  );
}
