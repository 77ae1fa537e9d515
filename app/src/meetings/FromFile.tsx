import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { FileTime } from '@cadro/contract';
import { Trouble, useFormat } from '../household';
import { Action, Heading, OpenFile, Quiet, Row, Stack, styles, Words } from '../ui';
import { useTimesInFileMutation } from './api';
import { useBusy } from './useBusy';
import { whenWords } from './words';

/** Times out of a calendar file that a teacher has sent; one of them is chosen. */
export function FromFile({
  studentId,
  busy,
  onTake,
}: {
  studentId: string;
  busy: boolean;
  onTake: (time: FileTime) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const free = useBusy();
  const [read, { data, error }] = useTimesInFileMutation();
  return (
    <Stack>
      <Stack space={0.5}>
        <Heading level={2}>{t('meeting.fileTitle')}</Heading>
        <Words colour="soft">{t('meeting.fileLead')}</Words>
      </Stack>
      <OpenFile
        label={t('meeting.pickFile')}
        accept=".ics,.ical,text/calendar"
        onText={(_name, text) => void read({ studentId, text })}
      />
      <Trouble error={error} />
      {data?.times.length === 0 ? <Quiet>{t('meeting.fileNone')}</Quiet> : null}
      <View role="list" style={styles.gap16}>
        {(data?.times ?? []).map((time, at) => {
          const when = whenWords(t, format, time);
          const said = [time.title, ...(time.place ? [time.place] : []), ...(free ? [free.said(time)] : [])];
          return (
            <View key={`${time.startsAt}${at}`} role="listitem" style={styles.gap8}>
              <View>
                <Words bold>{when}</Words>
                <Words size="small" colour="soft">
                  {said.join(' · ')}
                </Words>
              </View>
              <Row>
                <Action label={t('meeting.take')} hint={when} busy={busy} onPress={() => onTake(time)} />
              </Row>
            </View>
          );
        })}
      </View>
    </Stack>
  );
}
