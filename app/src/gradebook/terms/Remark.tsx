import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { TermCourse } from '@cadro/contract';
import { useFormat } from '../../household';
import { Words } from '../../ui';

/** A teacher's words on the report card. */
export function Remark({ remark: { text, author, writtenAt } }: { remark: TermCourse['remarks'][number] }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <View>
      <Words size="small">{t('matter.quote', { text })}</Words>
      <Words size="small" colour="soft">
        {t('item.signed', { author, subject: t('item.subjects.report-card'), date: format.date(writtenAt) })}
      </Words>
    </View>
  );
}
