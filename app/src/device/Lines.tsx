import { useCallback, useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormat } from '../household';
import { api, oldestShown, tags, useAppDispatch, useAppSelector, wentAway } from '../store';
import { Action, Notice, Quietly, Row, Words } from '../ui';
import { setUp, takeOver } from './version';

/** So often it is tried again while nobody is heard, and what is said of its age is said anew. */
const tryEveryMs = 15_000;

/** The time, as it goes on. @returns ms since 1970 */
function useNow(everyMs: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const goesOn = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(goesOn);
  }, [everyMs]);
  return now;
}

/** Asks for all that is in sight again: when the browser says that there is a network, and now and then. */
function useTrying(): () => void {
  const dispatch = useAppDispatch();
  const ask = useCallback(() => void dispatch(api.util.invalidateTags([...tags])), [dispatch]);
  useEffect(() => {
    const now = setInterval(ask, tryEveryMs);
    window.addEventListener('online', ask);
    return () => {
      clearInterval(now);
      window.removeEventListener('online', ask);
    };
  }, [ask]);
  return ask;
}

function Away() {
  const { t } = useTranslation();
  const format = useFormat();
  const reach = useAppSelector((state) => state.reach);
  const queries = useAppSelector((state) => state.api.queries);
  const answered = Object.keys(queries).filter((key) => queries[key]?.data !== undefined);
  const oldest = oldestShown(reach, answered);
  const now = useNow(tryEveryMs);
  const again = useTrying();
  return (
    <Notice>
      <Row space={2} wrap>
        <Words>
          {oldest === null ? t('device.away') : t('device.awaySince', { age: format.ago(now - oldest) })}
        </Words>
        <Quietly label={t('state.again')} onPress={again} />
      </Row>
    </Notice>
  );
}

/** While Cadro cannot be reached: how old what is shown is. */
export function AwayLine() {
  const dispatch = useAppDispatch();
  const away = useAppSelector((state) => state.reach.away);
  useEffect(() => {
    const note = () => void dispatch(wentAway());
    if (!navigator.onLine) note();
    window.addEventListener('offline', note);
    return () => window.removeEventListener('offline', note);
  }, [dispatch]);
  return away ? <Away /> : null;
}

/** A newer version is here, and takes over when one says so. */
export function NewVersionLine() {
  const { t } = useTranslation();
  const waits = useAppSelector((state) => state.reach.newVersion);
  const away = useAppSelector((state) => state.reach.away);
  const [comes, setComes] = useState(false);
  useEffect(() => void setUp().catch(() => undefined), []);
  // Without a connection nothing that is being written can be kept first.
  if (!waits || away) return null;
  const come = () => {
    setComes(true);
    void takeOver();
  };
  return (
    <Notice>
      <Row space={2} wrap>
        <Words>{t('device.newVersion')}</Words>
        <Action label={t('device.takeOver')} busy={comes} onPress={come} />
      </Row>
    </Notice>
  );
}
