import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Desk, Wish } from '@cadro/contract';
import { useFormat } from '../household';
import { Action, Field, Quietly, Row, Stack, Words } from '../ui';
import { useSayMutation, useUnsayMutation } from './api';

/** What a word of the child's is about: one of the three. */
export type About =
  { readonly itemId: string } | { readonly courseId: string } | { readonly commentId: string };

/** Whether a word is about that very thing: an assignment's own, and not what a teacher wrote about it. */
const isAbout = (word: Desk['words'][number], about: About): boolean => {
  if ('commentId' in about) return word.comment?.id === about.commentId;
  if (word.comment) return false;
  return 'itemId' in about
    ? word.itemId === about.itemId
    : word.itemId === null && word.courseId === about.courseId;
};

/** What the child has said of something, who has seen it, and the way to take it back. */
function Said({ desk, word }: { desk: Desk; word: Desk['words'][number] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [unsay] = useUnsayMutation();
  const { seen, text, wish } = word;
  return (
    <Stack space={0}>
      <Words size="small" colour="teal" live>
        {[
          t(`desk.${wish}Said`),
          ...(text ? [t('matter.quote', { text })] : []),
          ...(seen ? [t('desk.seen', { name: seen.by, date: format.day(seen.at) })] : []),
        ].join(' ')}
      </Words>
      <Quietly
        label={t('desk.unsay')}
        hint={t(`desk.${wish}`)}
        onPress={() => void unsay({ studentId: desk.studentId, wordId: word.id })}
      />
    </Stack>
  );
}

/** 'I'd like to talk about this' and 'show it to my family': each said once, with a word if one likes. */
export function Tell({ desk, about, hint }: { desk: Desk; about: About; hint: string }) {
  const { t } = useTranslation();
  const [wish, setWish] = useState<Wish | null>(null);
  const [text, setText] = useState('');
  const [say, { isLoading }] = useSayMutation();
  const said = desk.words.filter((word) => isAbout(word, about));
  const send = async () => {
    if (!wish) return;
    const written = text.trim();
    const { studentId } = desk;
    const answer = await say({ studentId, wish, ...about, ...(written ? { text: written } : {}) });
    if ('data' in answer) {
      setWish(null);
      setText('');
    }
  };
  const left = (['talk', 'show'] as const).filter((each) => !said.some((word) => word.wish === each));
  return (
    <Stack space={0.5}>
      {said.map((word) => (
        <Said key={word.id} desk={desk} word={word} />
      ))}
      {wish ? (
        <Stack>
          <Words bold>{t(`desk.${wish}`)}</Words>
          <Field label={t('desk.note')} value={text} onChange={setText} lines={2} longest={1000} />
          <Row wrap>
            <Action main label={t('desk.send')} busy={isLoading} onPress={() => void send()} />
            <Quietly label={t('desk.cancel')} onPress={() => setWish(null)} />
          </Row>
        </Stack>
      ) : (
        <Row wrap space={2}>
          {left.map((each) => (
            <Quietly key={each} label={t(`desk.${each}`)} hint={hint} onPress={() => setWish(each)} />
          ))}
        </Row>
      )}
    </Stack>
  );
}
