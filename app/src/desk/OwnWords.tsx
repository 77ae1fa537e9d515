import { useTranslation } from 'react-i18next';
import { useSelf } from '../household';
import { useWorkQuery } from '../outlook/api';
import { Heading, Stack } from '../ui';
import { useDeskQuery } from './api';
import { Proud } from './Proud';
import { Tell } from './Tell';
import { Where } from './Where';

/** On the page of an assignment, what the child itself says of it. Nothing for anybody else. */
export function OwnWords({ itemId }: { itemId: string }) {
  const self = useSelf();
  return self ? <Words studentId={self.id} itemId={itemId} /> : null;
}

function Words({ studentId, itemId }: { studentId: string; itemId: string }) {
  const { t } = useTranslation();
  const { data: desk } = useDeskQuery(studentId);
  const { data: work } = useWorkQuery();
  const row = work?.rows.find((each) => each.itemId === itemId);
  if (!desk) return null;
  return (
    <Stack>
      <Heading level={2}>{t('desk.mine')}</Heading>
      {row && row.group !== 'settled' && row.group !== 'excused' ? <Where row={row} /> : null}
      <Tell desk={desk} about={{ itemId }} hint={row?.title ?? ''} />
      <Proud desk={desk} itemId={itemId} />
    </Stack>
  );
}
