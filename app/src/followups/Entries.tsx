import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { FollowUpEntry } from '@cadro/contract';
import { useFormat } from '../household';
import { Stack, themed, Words } from '../ui';
import { entryWords } from './entryWords';

/** Everything that happened to a follow-up, newest first. */
export function Entries({ entries }: { entries: readonly FollowUpEntry[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  return (
    <View role="list">
      {[...entries].reverse().map((entry) => (
        <View key={entry.id} role="listitem" style={looks.entry}>
          <Stack space={0.25}>
            <Words size="small" colour="soft">
              {`${format.day(entry.at)} · ${entryWords(t, entry, entry.lookAgainOn ? format.dayLong(entry.lookAgainOn) : '')}`}
            </Words>
            {entry.text ? <Words>{entry.text}</Words> : null}
          </Stack>
        </View>
      ))}
    </View>
  );
}

const useLooks = themed((palette) => ({
  entry: { borderLeftWidth: 2, borderColor: palette.line, paddingLeft: 14, paddingBottom: 14 },
}));
