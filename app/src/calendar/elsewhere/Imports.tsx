import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ImportedCalendar, ImportReport } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { problemWords } from '../../i18n';
import {
  Action,
  Choice,
  Field,
  Heading,
  OpenFile,
  Quietly,
  Row,
  Stack,
  styles,
  themed,
  Words,
} from '../../ui';
import { Follow } from './Follow';
import { useForgetImportMutation, useImportCalendarMutation } from './elsewhereApi';

function Report({ report }: { report: ImportReport }) {
  const { t } = useTranslation();
  const { added, changed, same, removed, notes } = report;
  return (
    <Stack space={0.25}>
      <Words>{t('imported.counts', { added, changed, same, removed })}</Words>
      {notes.length > 0 ? <Heading level={3}>{t('imported.notUnderstood')}</Heading> : null}
      {notes.map(({ note, about, count }) => (
        <Words key={`${note}${about}`} size="small" colour="soft">
          {t(`imported.notes.${note}`, { about, count })}
        </Words>
      ))}
    </Stack>
  );
}

function Imported({ calendar }: { calendar: ImportedCalendar }) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  const { nameOf } = useChildren();
  const [forget] = useForgetImportMutation();
  const { id, name, studentId, author, at, report, followed } = calendar;
  return (
    <Row style={looks.ruled}>
      <View style={styles.fill}>
        <Words bold>{name}</Words>
        <Words size="small" colour="soft">
          {[
            studentId ? nameOf(studentId) : t('shell.everyone'),
            t('imported.events', { count: report.events }),
            t('imported.by', { name: author, when: format.recent(at) }),
            ...(followed ? [t('followed.hourly')] : []),
          ].join(' · ')}
        </Words>
        {followed?.failingSince ? (
          <Words size="small" colour="plum">
            {t('followed.failing', { since: format.recent(followed.failingSince) })}
          </Words>
        ) : null}
      </View>
      <Quietly label={t('imported.forget')} hint={name} onPress={() => void forget(id)} />
    </Row>
  );
}

interface Chosen {
  readonly text: string;
  readonly fileName: string;
  readonly name: string;
  readonly studentId: string;
}

/** What the file holds, what it is to be called and whose it is, before it is taken in. */
function Found({
  file,
  report,
  busy,
  onChange,
  onTake,
}: {
  file: Chosen;
  report: ImportReport;
  busy: boolean;
  onChange: (change: Partial<Chosen>) => void;
  onTake: () => void;
}) {
  const { t } = useTranslation();
  const { all, mayTalk } = useChildren();
  return (
    <Stack space={1.5}>
      <Heading level={3}>{file.fileName}</Heading>
      <Report report={report} />
      <Field
        label={t('elsewhere.name')}
        value={file.name}
        onChange={(name) => onChange({ name })}
        longest={100}
      />
      <Choice
        titled
        label={t('entry.forWhom')}
        options={[
          { value: '', label: t('shell.everyone') },
          ...all
            .filter(({ id }) => mayTalk(id))
            .map(({ id, givenName }) => ({ value: id, label: givenName })),
        ]}
        value={file.studentId}
        onChange={(studentId) => onChange({ studentId })}
      />
      <Action
        main
        label={t('imported.take')}
        busy={busy}
        disabled={report.events === 0 || file.name.trim() === ''}
        onPress={onTake}
      />
    </Stack>
  );
}

/** A school's own calendar file: previewed, named, taken in; read again, it takes its own place. */
export function Imports({ imports }: { imports: readonly ImportedCalendar[] }) {
  const { t } = useTranslation();
  const { all, mayTalk } = useChildren();
  const [file, setFile] = useState<Chosen | null>(null);
  const [bring, { data, error, isLoading }] = useImportCalendarMutation();
  const ask = ({ text, name, studentId }: Chosen, preview: boolean) =>
    void bring({ text, name: name.trim() || t('imported.unnamed'), studentId: studentId || null, preview });
  const open = (fileName: string, text: string) => {
    const opened = {
      fileName,
      text,
      name: fileName.replace(/\.[^.]*$/, ''),
      studentId: file?.studentId ?? '',
    };
    setFile(opened);
    ask(opened, true);
  };
  const change = (changed: Chosen) => {
    setFile(changed);
    if (changed.studentId !== file?.studentId) ask(changed, true);
  };
  return (
    <View style={styles.gap16}>
      <Stack space={0.25}>
        <Heading level={2}>{t('imported.title')}</Heading>
        <Words colour="soft">{t('imported.lead')}</Words>
      </Stack>
      <View>
        {imports.map((calendar) => (
          <Imported key={calendar.id} calendar={calendar} />
        ))}
      </View>
      {all.some(({ id }) => mayTalk(id)) ? (
        <OpenFile label={t('table.file')} accept=".ics,.ical,text/calendar" onText={open} />
      ) : null}
      {error ? (
        <View role="alert">
          <Words colour="plum">{problemWords(t, error)}</Words>
        </View>
      ) : null}
      {!file || !data || error ? null : data.written ? (
        <Words live colour="teal" bold>
          {t('imported.done', { name: file.name })}
        </Words>
      ) : (
        <Found
          file={file}
          report={data.report}
          busy={isLoading}
          onChange={(some) => change({ ...file, ...some })}
          onTake={() => ask(file, false)}
        />
      )}
      <Follow />
    </View>
  );
}

const useLooks = themed((palette) => ({
  ruled: { borderBottomWidth: 1, borderColor: palette.line, paddingVertical: 8 },
}));
