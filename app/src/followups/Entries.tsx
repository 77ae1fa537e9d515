import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { FollowUpEntry } from '@cadro/contract';
import { useFormat } from '../household';
import { Stack, themed, Words } from '../ui';

/** Everything that happened to a follow-up, newest first. */
export function Entries({ entries }: { entries: readonly FollowUpEntry[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  return (
    <View role="list">
      {[...entries].reverse().map(({ id, kind, at, author, step, lookAgainOn, text }) => (
        <View key={id} role="listitem" style={looks.entry}>
          <Stack space={0.25}>
            <Words size="small" colour="soft">
              {`${format.day(at)} · ${t(`followUp.entries.${kind}`, { author: author ?? '', step: step ? t(`steps.${step}`) : '', date: lookAgainOn ? format.dayLong(lookAgainOn) : '' })}`}
            </Words>
            {text ? <Words>{text}</Words> : null}
          </Stack>
        </View>
      ))}
    </View>
  );
}

const useLooks = themed((palette) => ({
  entry: { borderLeftWidth: 2, borderColor: palette.line, paddingLeft: 14, paddingBottom: 14 },
}));
