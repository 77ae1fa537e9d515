import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Quietly, Ticks } from '../ui';
import { useTeachersQuery } from './api';
import type { Receiver } from './receiver';

/** Others at the child's school who get the same letter, each alone. */
export function AlsoTo({
  studentId,
  teacher,
  others,
  onChange,
}: {
  studentId: string;
  teacher: Receiver;
  others: readonly Receiver[];
  onChange: (chosen: readonly Receiver[]) => void;
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const { data } = useTeachersQuery(studentId);
  const can = (data?.teachers ?? []).filter(({ id, contactable }) => contactable && id !== teacher.id);
  if (can.length === 0) return null;
  if (!open) return <Quietly label={t('message.alsoTo')} onPress={() => setOpen(true)} open={false} />;
  return (
    <Ticks
      titled
      label={t('message.others')}
      options={can.map(({ id, name }) => ({ value: id, label: name }))}
      chosen={others.map(({ id }) => id)}
      onChange={(ids) => onChange(can.filter(({ id }) => ids.includes(id)))}
    />
  );
}
