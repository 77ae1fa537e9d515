import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { FollowUp } from '@cadro/contract';
import { Trouble, useChildren } from '../household';
import { Action, Field, Heading, Quietly, Row, Stack, styles, Tick, Words } from '../ui';
import { freshId } from './freshId';
import { useNow } from './useNow';

type Listed = Pick<FollowUp['checklist'][number], 'id' | 'text' | 'done'>;

/** What is to be done for it, in the family's own words: each ticked off by whoever did it. */
export function Checklist({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const { mayTalk } = useChildren();
  const { now, isLoading, error } = useNow(followUp);
  const [text, setText] = useState('');
  const { checklist, studentId, step } = followUp;
  const may = mayTalk(studentId) && step !== 'settled';
  if (!may && checklist.length === 0) return null;
  const keep = (make: (list: readonly Listed[]) => readonly Listed[]) =>
    now((newest) => ({
      checklist: make(newest.checklist).map(({ id, text: words, done }) => ({ id, text: words, done })),
    }));
  const add = async () => {
    const line = { text: text.trim(), done: false };
    if (await keep((list) => [...list, { id: freshId(list), ...line }])) setText('');
  };
  const tick = (ticked: string, done: boolean) =>
    void keep((list) => list.map((each) => (each.id === ticked ? { ...each, done } : each)));
  return (
    <Stack space={1}>
      <Heading level={2}>{t('followUp.checklist')}</Heading>
      {checklist.map(({ id: each, text: words, done, by }) => (
        <Row key={each} space={1}>
          {may ? <Tick label={words} on={done} onChange={(on) => tick(each, on)} /> : null}
          <Words style={styles.shrink} colour={done ? 'soft' : 'ink'}>
            {done && by ? t('followUp.doneBy', { text: words, by }) : words}
          </Words>
          {may && !done ? (
            <Quietly
              label={t('followUp.removeCheck')}
              hint={words}
              onPress={() => void keep((list) => list.filter((other) => other.id !== each))}
            />
          ) : null}
        </Row>
      ))}
      {may ? (
        <Stack space={0.5}>
          <Field
            label={t('followUp.addCheck')}
            value={text}
            onChange={setText}
            longest={200}
            onSubmit={() => void (text.trim() && add())}
          />
          <Action
            label={t('followUp.addIt')}
            busy={isLoading}
            disabled={!text.trim()}
            onPress={() => void add()}
          />
        </Stack>
      ) : null}
      <Trouble error={error} />
    </Stack>
  );
}
