import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useChildren, useFormat } from '../household';
import { Action, BackLink, Heading, LinkAction, Loaded, Page, Quiet, Stack, styles, Words } from '../ui';
import { useTeachersQuery, useThreadQuery } from './api';
import { OneLetter } from './OneLetter';

/** The letters before one, once they are wanted; and the way to those before them. */
function Earlier({ threadId, before, mayTalk }: { threadId: string; before: string; mayTalk: boolean }) {
  const { t } = useTranslation();
  const [wanted, setWanted] = useState(false);
  const query = useThreadQuery({ threadId, before }, { skip: !wanted });
  if (!wanted)
    return (
      <View role="listitem">
        <Action label={t('message.earlier')} onPress={() => setWanted(true)} />
      </View>
    );
  return (
    <Loaded query={query}>
      {({ messages, earlier }) => (
        <>
          {earlier && messages[0] ? <Earlier {...{ threadId, before: messages[0].id, mayTalk }} /> : null}
          {messages.map((message) => (
            <OneLetter key={message.id} {...{ threadId, message, mayTalk }} />
          ))}
        </>
      )}
    </Loaded>
  );
}

/** The way to the next letter; to somebody who has left there is none. */
function WriteAgain({
  studentId,
  teacher,
}: {
  studentId: string;
  teacher: { readonly id: string; readonly name: string };
}) {
  const { t } = useTranslation();
  const { data } = useTeachersQuery(studentId);
  if (!data) return null;
  if (!data.teachers.some(({ id }) => id === teacher.id))
    return <Words colour="soft">{t('message.left', { name: teacher.name })}</Words>;
  return (
    <LinkAction
      label={t('message.reply')}
      href={`/talk/write?studentId=${studentId}&teacherId=${teacher.id}`}
    />
  );
}

/** All letters with one teacher about one child, oldest first. */
export function ThreadView({ threadId }: { threadId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const query = useThreadQuery({ threadId }, { pollingInterval: 15_000 });
  const { nameOf, mayTalk } = useChildren();
  return (
    <Loaded query={query}>
      {({ teacher, studentId, courseTitle, messages, earlier, readers }) => (
        <Page sheet>
          <BackLink href="/talk" label={t('places.talk')} />
          <Stack space={0.25}>
            <Words size="small" colour="soft">
              {[nameOf(studentId), ...(courseTitle ? [courseTitle] : [])].join(' · ')}
            </Words>
            <Heading level={1}>{teacher.name}</Heading>
            <Words size="small" colour="soft">
              {t('message.readers', { who: format.list([...readers, teacher.name]) })}
            </Words>
          </Stack>
          {messages.length === 0 ? <Quiet>{t('message.empty')}</Quiet> : null}
          <View role="list" style={styles.gap16}>
            {earlier && messages[0] ? (
              <Earlier {...{ threadId, before: messages[0].id }} mayTalk={mayTalk(studentId)} />
            ) : null}
            {messages.map((message) => (
              <OneLetter key={message.id} {...{ threadId, message }} mayTalk={mayTalk(studentId)} />
            ))}
          </View>
          {mayTalk(studentId) ? <WriteAgain studentId={studentId} teacher={teacher} /> : null}
        </Page>
      )}
    </Loaded>
  );
}
