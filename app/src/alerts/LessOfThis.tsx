import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Alert, KeptSilence, Silence } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { Action, Quietly, Row, Stack, WayOn, Words } from '../ui';
import { useSilenceMutation, useUnsilenceMutation } from './api';
import { useAlertWords } from './useTold';

const snoozeDays = 7;
const muteDays = 14;

/** Ways to hear less of what an alert is about, each with an end; taken back with one touch. */
export function LessOfThis({ alert }: { alert: Alert }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const words = useAlertWords();
  const [open, setOpen] = useState(false);
  const [kept, setKept] = useState<KeptSilence | null>(null);
  const [silence] = useSilenceMutation();
  const [unsilence] = useUnsilenceMutation();
  const { key, kind, studentId, courseId, courseTitle } = alert;
  const nothing: Omit<Silence, 'until'> = { alertKey: null, studentId: null, courseId: null, kind: null };
  const quiet = async (what: Partial<Silence>, days: number) => {
    const answer = await silence({ ...nothing, ...what, until: format.daysAhead(days) });
    if (answer.data) setKept(answer.data);
  };
  const hear = async () => {
    if (kept) await unsilence(kept.id);
    setKept(null);
    setOpen(false);
  };
  if (kept) {
    return (
      <Row space={2} wrap>
        <Words live>{t('alerts.silenced', { date: format.date(kept.until) })}</Words>
        <Quietly label={t('alerts.undo')} onPress={() => void hear()} />
      </Row>
    );
  }
  if (!open) return <Quietly label={t('alerts.less')} onPress={() => setOpen(true)} open={false} />;
  return (
    <Stack>
      <Words bold>{t('alerts.less')}</Words>
      <Action label={t('alerts.snooze')} onPress={() => void quiet({ alertKey: key }, snoozeDays)} />
      {courseId && courseTitle ? (
        <Action
          label={t('alerts.muteCourse', { course: courseTitle })}
          onPress={() => void quiet({ courseId, studentId }, muteDays)}
        />
      ) : null}
      {studentId ? (
        <Action
          label={t('alerts.muteKind', { kind: words.kinds[kind], child: nameOf(studentId) })}
          onPress={() => void quiet({ kind, studentId }, muteDays)}
        />
      ) : null}
      <WayOn label={t('alerts.changeRules')} href="/alerts/rules" />
    </Stack>
  );
}
