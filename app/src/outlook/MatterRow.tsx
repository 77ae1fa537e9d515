import { Pressable, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Matter } from '@cadro/contract';
import { useLanguage } from '../alerts';
import { useChildren, useFormat } from '../household';
import {
  Drop,
  Heading,
  LinkAction,
  Row,
  selectedRow,
  Stack,
  styles,
  themed,
  usePalette,
  WayOn,
  Words,
} from '../ui';
import { matterWords } from './matterWords';

interface MatterRowProps {
  readonly matter: Matter;
  /** Only the first matter has the dark button: one next step in sight. */
  readonly first: boolean;
  readonly selected: boolean;
  /** On a wide screen a matter opens beside the list. */
  readonly onSelect: (() => void) | null;
}

export function MatterRow({ matter, first, selected, onSelect }: MatterRowProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  const palette = usePalette();
  const { all, nameOf, mayTalk } = useChildren();
  const language = useLanguage();
  const words = matterWords(matter, {
    t,
    format,
    child: nameOf(matter.studentId),
    mayTalk: mayTalk(matter.studentId),
    language,
    timeZone: all.find(({ id }) => id === matter.studentId)?.timeZone ?? 'UTC',
  });
  // Where nothing else says why, its alert does.
  const told = matter.kind === 'alert' ? undefined : matter.alertIds[0];
  const why = words.why ?? (told && `/alerts/${told}`);
  const text = (
    <Stack space={0.5}>
      <Row style={styles.apart}>
        <Words size="small" style={styles.shrink}>
          <Words size="small" bold>
            {nameOf(matter.studentId)}
          </Words>
          {words.context ? ` · ${words.context}` : ''}
        </Words>
        <Words size="small" colour="soft">
          {words.when}
        </Words>
      </Row>
      <Heading level={2}>{words.title}</Heading>
      {words.fall ? (
        <>
          <Drop {...words.fall} />
          <Words colour="soft">{words.fall.below}</Words>
        </>
      ) : (
        <Words colour="soft">{words.body}</Words>
      )}
    </Stack>
  );
  return (
    <View style={[looks.matter, selected && selectedRow(palette)]}>
      {onSelect ? (
        <Pressable role="button" aria-pressed={selected} onPress={onSelect}>
          {text}
        </Pressable>
      ) : (
        text
      )}
      <Row space={2} wrap>
        <LinkAction label={words.step.label} href={words.step.href} main={first} />
        {why ? <WayOn label={t('brief.why')} href={why} /> : null}
      </Row>
    </View>
  );
}

const useLooks = themed((palette) => ({
  matter: { borderTopWidth: 1, borderColor: palette.line, paddingVertical: 20, gap: 12 },
}));
