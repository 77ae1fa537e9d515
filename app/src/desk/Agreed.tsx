import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Desk } from '@cadro/contract';
import { Trouble, useFormat } from '../household';
import { Heading, Stack, TickLine, Words } from '../ui';
import { useTickAgreedMutation } from './api';

function One({ studentId, agreed }: { studentId: string; agreed: Desk['agreed'][number] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [tick, { error }] = useTickAgreedMutation();
  const { id: followUpId, title, courseTitle, by, checklist, doneAt } = agreed;
  const context = [
    ...(courseTitle ? [courseTitle] : []),
    ...(by && !doneAt ? [t('desk.agreed.by', { day: format.dayLong(by) })] : []),
    ...(doneAt ? [t('desk.agreed.told')] : []),
  ].join(' · ');
  return (
    <View role="listitem">
      <TickLine
        label={title}
        on={doneAt !== null}
        onChange={(done) => void tick({ studentId, followUpId, done })}
      />
      <View style={own.below}>
        {context ? (
          <Words size="small" colour="soft">
            {context}
          </Words>
        ) : null}
        {checklist.map(({ id, text, done }) => (
          <TickLine
            key={id}
            small
            label={text}
            on={done}
            onChange={(ticked) => void tick({ studentId, followUpId, checkId: id, done: ticked })}
          />
        ))}
      </View>
      <Trouble error={error} />
    </View>
  );
}

/** What the child has agreed to do: it ticks it off itself, and its family sees that. */
export function Agreed({ desk: { studentId, agreed } }: { desk: Desk }) {
  const { t } = useTranslation();
  if (agreed.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('desk.agreed.title')}</Heading>
      <View role="list" aria-label={t('desk.agreed.title')}>
        {agreed.map((each) => (
          <One key={each.id} studentId={studentId} agreed={each} />
        ))}
      </View>
    </Stack>
  );
}

/** Under the words of the tick above. */
const own = StyleSheet.create({ below: { paddingLeft: 36 } });
