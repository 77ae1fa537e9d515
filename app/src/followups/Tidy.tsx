import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { FollowUp } from '@cadro/contract';
import { Trouble } from '../household';
import { Action, Choice, Quietly, Row, Stack, Words } from '../ui';
import { useChangeFollowUpMutation, useUndoFollowUpMutation } from './api';
import { useNow } from './useNow';

/** Those that are one with it now, each with the way to part them. */
function Merged({ followUp: { merged } }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const [change] = useChangeFollowUpMutation();
  if (merged.length === 0) return null;
  return (
    <View>
      {merged.map(({ id, title, version }) => (
        <Row key={id} wrap>
          <Words size="small">{t('followUp.merge.isOne', { title })}</Words>
          <Quietly
            label={t('followUp.merge.part')}
            hint={title}
            onPress={() => void change({ followUpId: id, change: { version, mergeInto: null } })}
          />
        </Row>
      ))}
    </View>
  );
}

/** With which other one it is to be one. */
function MergeInto({ followUp, onDone }: { followUp: FollowUp; onDone: () => void }) {
  const { t } = useTranslation();
  const router = useRouter();
  const { now, isLoading, error } = useNow(followUp);
  const { beside } = followUp;
  const [chosen, setChosen] = useState(beside[0]?.id ?? '');
  const merge = async () => {
    if (await now({ mergeInto: chosen })) router.replace(`/talk/follow-ups/${chosen}`);
  };
  return (
    <Stack space={1}>
      <Choice
        titled
        label={t('followUp.merge.which')}
        options={beside.map(({ id, title }) => ({ value: id, label: title }))}
        value={chosen}
        onChange={setChosen}
      />
      <Trouble error={error} />
      <Row wrap space={2}>
        <Action label={t('followUp.merge.now')} busy={isLoading} onPress={() => void merge()} />
        <Quietly label={t('followUp.keepIt')} onPress={onDone} />
      </Row>
    </Stack>
  );
}

/** Begun twice, or by mistake: one with another, or forgotten; as long as nothing has come of it, undone. */
export function Tidy({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const router = useRouter();
  const [undo] = useUndoFollowUpMutation();
  const { now, error } = useNow(followUp);
  const [merging, setMerging] = useState(false);
  const { undoable, beside, step, id } = followUp;
  const gone = async () => {
    // Left first: it would be asked for once more, and is not there any more.
    router.replace('/talk');
    await undo(id);
  };
  return (
    <Stack space={0.5}>
      <Merged followUp={followUp} />
      {merging ? (
        <MergeInto followUp={followUp} onDone={() => setMerging(false)} />
      ) : (
        <Row wrap space={2}>
          {step !== 'settled' && beside.length > 0 ? (
            <Quietly label={t('followUp.merge.begin')} onPress={() => setMerging(true)} />
          ) : null}
          {undoable ? (
            <Quietly label={t('begun.undoFollowUp')} onPress={() => void gone()} />
          ) : (
            <Quietly label={t('followUp.forget')} onPress={() => void now({ forgotten: true })} />
          )}
        </Row>
      )}
      <Trouble error={error} />
    </Stack>
  );
}

/** It was begun by mistake: that it is gone, and the way to bring it back. */
export function Forgotten({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const { now, isLoading, error } = useNow(followUp);
  return (
    <Stack space={0.5}>
      <Words live>{t('followUp.forgotten')}</Words>
      <Trouble error={error} />
      <Action
        label={t('followUp.bringBack')}
        busy={isLoading}
        onPress={() => void now({ forgotten: false })}
      />
    </Stack>
  );
}
