import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useChildren, useFormat } from '../household';
import { BackLink, Heading, LinkAction, Loaded, Page, Quiet, Stack, styles, themed, Words } from '../ui';
import { useThreadQuery } from './api';

/** All letters with one teacher about one child, oldest first. */
export function ThreadView({ threadId }: { threadId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  const query = useThreadQuery(threadId, { pollingInterval: 15_000 });
  const { nameOf, mayTalk } = useChildren();
  return (
    <Loaded query={query}>
      {({ teacher, studentId, courseTitle, messages }) => (
        <Page sheet>
          <BackLink href="/talk" label={t('places.talk')} />
          <Stack space={0.25}>
            <Words size="small" colour="soft">
              {[nameOf(studentId), ...(courseTitle ? [courseTitle] : [])].join(' · ')}
            </Words>
            <Heading level={1}>{teacher.name}</Heading>
          </Stack>
          {messages.length === 0 ? <Quiet>{t('message.empty')}</Quiet> : null}
          <View role="list" style={styles.gap16}>
            {messages.map(({ id, author, fromTeacher, doubt, automatic, text, at, state }) => (
              <View
                key={id}
                role="listitem"
                style={[looks.letter, fromTeacher && !doubt && looks.fromTeacher]}
              >
                <Words size="small" colour={state === 'failed' ? 'plum' : 'soft'}>
                  {[
                    doubt ? t('message.notConfirmed', { name: author }) : author,
                    ...(automatic ? [t('message.automatic')] : []),
                    format.dayTime(at),
                    ...(t(`message.states.${state}`) ? [t(`message.states.${state}`)] : []),
                  ].join(' · ')}
                </Words>
                {doubt ? (
                  <Words size="small" colour="plum">
                    {t(`message.doubts.${doubt.reason}`, { sender: doubt.sender, name: author })}
                  </Words>
                ) : null}
                <Words>{text}</Words>
              </View>
            ))}
          </View>
          {teacher.contactable && mayTalk(studentId) ? (
            <LinkAction
              label={t('message.reply')}
              href={`/talk/write?studentId=${studentId}&teacherId=${teacher.id}`}
            />
          ) : null}
        </Page>
      )}
    </Loaded>
  );
}

const useLooks = themed((palette) => ({
  letter: { borderLeftWidth: 3, borderColor: palette.line, paddingLeft: 14 },
  fromTeacher: { borderColor: palette.teal },
}));
