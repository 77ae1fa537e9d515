import { View } from 'react-native';
import { useRouter, type Href } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { messageRoutes, type Message, type MessageFile } from '@cadro/contract';
import { Trouble, useFormat, useKeepDraftMutation } from '../household';
import { addressOf } from '../store';
import { Action, OutLink, Quietly, Row, Stack, themed, Words } from '../ui';
import { sizeWords, stretchesOf, takenBack } from './answered';
import { useSaySenderMutation, useTakeBackMutation } from './api';

/** What came with a letter; of what is not kept, why. */
function File({ threadId, file }: { threadId: string; file: MessageFile }) {
  const { t } = useTranslation();
  const { id, name, size, withheld } = file;
  const said = `${name} (${sizeWords(size)})`;
  if (withheld)
    return (
      <Words size="small" colour="soft">
        {t(`message.withheld.${withheld}`, { name: said })}
      </Words>
    );
  return <OutLink label={said} href={addressOf(messageRoutes.file, { params: { threadId, fileId: id } })} />;
}

/** Whether a letter is from the teacher: said by somebody of the family, who knows. */
function WhoWrote({ threadId, message, name }: { threadId: string; message: Message; name: string }) {
  const { t } = useTranslation();
  const [say, { isLoading, error }] = useSaySenderMutation();
  const { id, doubt } = message;
  if (!doubt) return null;
  const answer = (known: boolean) => void say({ threadId, messageId: id, known });
  return (
    <Stack space={0.5}>
      <Words size="small" colour="plum">
        {t(`message.doubts.${doubt.reason}`, { sender: doubt.sender, name })}
      </Words>
      {doubt.deniedBy ? (
        <Words size="small">{t('message.denied', { who: doubt.deniedBy, name })}</Words>
      ) : null}
      <Row wrap space={2}>
        <Action label={t('message.isThem', { name })} busy={isLoading} onPress={() => answer(true)} />
        {doubt.deniedBy ? null : (
          <Quietly label={t('message.isNotThem')} hint={doubt.sender} onPress={() => answer(false)} />
        )}
      </Row>
      <Trouble error={error} />
    </Stack>
  );
}

/** What goes out within this was not meant for later. */
const soonMs = 60_000;

/** A letter that has not gone out: when it does, and the way to take it back into a draft. */
function StillHere({ message: { id, at, goesAt } }: { message: Message }) {
  const { t } = useTranslation();
  const format = useFormat();
  const router = useRouter();
  const [takeBack, { isLoading, error }] = useTakeBackMutation();
  const [keepDraft] = useKeepDraftMutation();
  if (goesAt === null) return null;
  const isSoon = Date.parse(goesAt) - Date.parse(at) <= soonMs;
  const back = async () => {
    const { data } = await takeBack(id);
    if (!data) return;
    const draft = takenBack(data);
    await keepDraft(draft);
    router.push(draft.place as Href); // an address of the app, made here
  };
  return (
    <Stack space={0.5}>
      <Words size="small" live>
        {isSoon ? t('message.goesSoon') : t('message.goesAt', { date: format.dayTime(goesAt) })}
      </Words>
      <Action label={t('message.takeBack')} busy={isLoading} onPress={() => void back()} />
      <Trouble error={error} />
    </Stack>
  );
}

/** How far a letter is: gone, answered, or waiting for so many days. */
function useStateWords(): (message: Message) => string {
  const { t } = useTranslation();
  return ({ state, answered, waitsDays }) => {
    if (state !== 'sent') return t(`message.states.${state}`);
    if (answered) return t('message.wasAnswered');
    return waitsDays ? t('message.waits', { count: waitsDays }) : t('message.states.sent');
  };
}

/** One letter of a thread: who wrote it and when, what it says, and what came with it. */
export function OneLetter({
  threadId,
  message,
  mayTalk,
}: {
  threadId: string;
  message: Message;
  mayTalk: boolean;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  const stateWords = useStateWords();
  const { author, fromTeacher, doubt, automatic, text, at, state, files } = message;
  const standing = stateWords(message);
  const heading = [
    doubt ? t('message.notConfirmed', { name: author }) : author,
    ...(automatic ? [t('message.automatic')] : []),
    format.dayTime(at),
    ...(standing ? [standing] : []),
  ].join(' · ');
  const stretches = stretchesOf(text);
  return (
    <View role="listitem" style={[looks.letter, fromTeacher && !doubt && looks.fromTeacher]}>
      <Words size="small" colour={state === 'failed' ? 'plum' : 'soft'}>
        {heading}
      </Words>
      {doubt && mayTalk ? <WhoWrote {...{ threadId, message }} name={author} /> : null}
      {stretches.map(({ quoted, text: words }, index) => (
        <View key={index} style={quoted && looks.quoted}>
          <Words {...(quoted ? { size: 'small' as const, colour: 'soft' as const } : {})}>{words}</Words>
        </View>
      ))}
      {stretches.length === 0 && files.length === 0 ? (
        <Words colour="soft">{t('message.noText')}</Words>
      ) : null}
      {mayTalk ? <StillHere message={message} /> : null}
      {files.map((file) => (
        <File key={file.id} threadId={threadId} file={file} />
      ))}
    </View>
  );
}

const useLooks = themed((palette) => ({
  letter: { borderLeftWidth: 3, borderColor: palette.line, paddingLeft: 14, gap: 4 },
  fromTeacher: { borderColor: palette.teal },
  quoted: { borderLeftWidth: 2, borderColor: palette.line, paddingLeft: 10 },
}));
