import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Words } from '../ui';

/** Half an hour. */
const wholeMinutes = 30;

/** How long the family has been sitting. @param startedAt by the server's clock, as `now` is. */
export function Timer({ startedAt, now }: { startedAt: string; now: string }) {
  const { t } = useTranslation();
  const [opened] = useState(() => Date.now());
  const [passed, setPassed] = useState(0);
  useEffect(() => {
    const tick = setInterval(() => setPassed(Date.now() - opened), 1000);
    return () => clearInterval(tick);
  }, [opened]);
  const seconds = Math.max(0, Math.floor((Date.parse(now) - Date.parse(startedAt) + passed) / 1000));
  const left = wholeMinutes - Math.floor(seconds / 60);
  return (
    <Words size="small" colour="soft">
      {left > 0 ? t('sitdown.left', { count: left }) : t('sitdown.over')}
    </Words>
  );
}
