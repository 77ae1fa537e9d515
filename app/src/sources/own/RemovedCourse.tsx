import { useTranslation } from 'react-i18next';
import { Trouble } from '../../household';
import { Action, Row, Stack, WayOn, Words } from '../../ui';

/** A course that has just been removed, and the way to take that back. */
export function RemovedCourse({
  title,
  busy,
  error,
  onUndo,
}: {
  title: string;
  busy: boolean;
  error: unknown;
  onUndo: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Stack>
      <Words live>{t('own.courseDropped', { course: title })}</Words>
      <Row wrap>
        <Action label={t('begun.undo')} hint={title} busy={busy} onPress={onUndo} />
        <WayOn label={t('courses.title')} href="/courses" />
      </Row>
      <Trouble error={error} />
    </Stack>
  );
}
