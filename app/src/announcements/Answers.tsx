import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Announcement } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { Action, Heading, Stack, WayOn, Words } from '../ui';
import { AnswerForm } from './AnswerForm';
import { givenWords } from './words';

/** One child's answer: given by whom and how far it is, or the form to give one. */
function AnswerOf({ announcement, studentId }: { announcement: Announcement; studentId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf, mayTalk } = useChildren();
  const given = announcement.answers.find((each) => each.studentId === studentId);
  // On which answer the form was opened, 0 before any; null while it is folded.
  const [opened, setOpened] = useState(given ? null : 0);
  const [touched, setTouched] = useState(false);
  const may = announcement.open && mayTalk(studentId);
  const answeredSince = given !== undefined && given.version > (opened ?? 0);
  // What another guardian answers meanwhile takes nothing away that is being written.
  const writing = may && opened !== null && !(answeredSince && (given.mine || !touched));
  const open = (on: number | null) => {
    setOpened(on);
    setTouched(false);
  };
  return (
    <Stack space={1}>
      {given ? (
        <Stack space={0.5}>
          <Words bold live>
            {givenWords(t, given, nameOf(studentId))}
          </Words>
          {given.note ? <Words>{given.note}</Words> : null}
          <Words size="small" colour="soft">
            {[format.dayTime(given.at), ...(given.letter ? [t(`message.states.${given.letter}`)] : [])].join(
              ' · ',
            )}
          </Words>
          {given.threadId ? (
            <WayOn label={t('school.readLetter')} href={`/talk/threads/${given.threadId}`} />
          ) : null}
        </Stack>
      ) : null}
      {writing ? (
        <AnswerForm
          {...{ announcement, studentId, opened }}
          onTouched={() => setTouched(true)}
          onDone={() => open(null)}
        />
      ) : null}
      {may && given && !writing ? (
        <Action label={t('school.change')} hint={nameOf(studentId)} onPress={() => open(given.version)} />
      ) : null}
    </Stack>
  );
}

/** What is answered, of each child by itself where it is for several. */
export function Answers({ announcement }: { announcement: Announcement }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { shown, nameOf } = useChildren();
  const { studentIds, by, open, answers, wish } = announcement;
  const own = studentIds.filter((id) => shown.some((child) => child.id === id));
  if (!open && answers.length === 0) return null;
  return (
    <Stack space={2}>
      <Stack space={0.25}>
        <Heading level={2}>{t(wish.kind === 'form' ? 'school.formTitle' : 'school.answerTitle')}</Heading>
        {by && open ? (
          <Words size="small" colour="soft">
            {t('school.until', { date: format.dayTime(by) })}
          </Words>
        ) : null}
        {open ? null : <Words size="small">{t('school.over')}</Words>}
      </Stack>
      {own.map((studentId) => (
        <Stack key={studentId} space={1}>
          {own.length > 1 ? <Heading level={3}>{nameOf(studentId)}</Heading> : null}
          <AnswerOf announcement={announcement} studentId={studentId} />
        </Stack>
      ))}
    </Stack>
  );
}
