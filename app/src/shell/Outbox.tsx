import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useMeQuery } from '../household';
import { leftOutbox, sendWaiting, useAppDispatch, useAppSelector, type Waiting } from '../store';
import { Action, Notice, Quietly, Row, Stack, Words } from '../ui';

const tryEveryMs = 10_000;

/** Sends what waits: when it is put there, when the network is back, and now and then in between. */
function useSending(personId: string, waits: number): () => void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (waits === 0) return;
    const send = () => void dispatch(sendWaiting(personId));
    const again = setInterval(send, tryEveryMs);
    window.addEventListener('online', send);
    send();
    return () => {
      clearInterval(again);
      window.removeEventListener('online', send);
    };
  }, [dispatch, personId, waits]);
  return () => void dispatch(sendWaiting(personId));
}

function OneWaiting({ waiting }: { waiting: Waiting }) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { key, kind, says, refused } = waiting;
  const name = t(`outbox.kinds.${kind}`);
  return (
    <Row space={1} wrap>
      <Stack>
        <Words size="small">{says === '' ? name : t('outbox.one', { kind: name, says })}</Words>
        {refused ? (
          <Words size="small" colour="plum">
            {t('outbox.refused', { why: t(`problems.${refused}`) })}
          </Words>
        ) : null}
      </Stack>
      <Quietly label={t('outbox.drop')} hint={says || name} onPress={() => dispatch(leftOutbox(key))} />
    </Row>
  );
}

/** What was written while Cadro could not be reached, until it has gone out. */
export function Outbox() {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const personId = me?.id ?? '';
  const mine = useAppSelector((state) => state.outbox.waiting).filter((each) => each.personId === personId);
  const open = mine.filter(({ refused }) => refused === null);
  const [shown, setShown] = useState(false);
  const sendNow = useSending(personId, open.length);
  if (mine.length === 0) return null;
  return (
    <Notice>
      <Words>
        {open.length > 0
          ? t('outbox.waits', { count: open.length })
          : t('outbox.notTaken', { count: mine.length })}
      </Words>
      {shown ? mine.map((waiting) => <OneWaiting key={waiting.key} waiting={waiting} />) : null}
      <Row space={1} wrap>
        {open.length > 0 ? <Action label={t('outbox.now')} onPress={sendNow} /> : null}
        <Quietly
          label={t(shown ? 'outbox.fold' : 'outbox.show')}
          onPress={() => setShown(!shown)}
          open={shown}
        />
      </Row>
    </Notice>
  );
}
