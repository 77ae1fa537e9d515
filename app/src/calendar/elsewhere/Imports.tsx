import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ImportedCalendar, ImportReport } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { problemWords } from '../../i18n';
import { Action, Choice, Field, Heading, OpenFile, Quietly, Row, Stack, usePalette, Words } from '../../ui';
import { useForgetImportMutation, useImportCalendarMutation } from '../calendarApi';

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
  const palette = usePalette();
  const { nameOf } = useChildren();
  const [forget] = useForgetImportMutation();
  const { id, name, studentId, author, at, report } = calendar;
  return (
    <Row style={{ borderBottomWidth: 1, borderColor: palette.line, paddingVertical: 8 }}>
      <View style={{ flex: 1 }}>
        <Words bold>{name}</Words>
        <Words size="small" colour="soft">
          {[
            studentId ? nameOf(studentId) : t('shell.everyone'),
            t('imported.events', { count: report.events }),
            t('imported.by', { name: author, when: format.recent(at) }),
          ].join(' · ')}
        </Words>
      </View>
      <Quietly label={t('imported.forget')} hint={name} onPress={() => void forget(id)} />
    </Row>
  );
}

/** A school's own calendar file: previewed, named, taken in; read again, it takes its own place. */
export function Imports({ imports }: { imports: readonly ImportedCalendar[] }) {
  const { t } = useTranslation();
  const { all, mayTalk } = useChildren();
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [name, setName] = useState('');
  const [studentId, setStudentId] = useState('');
  const [bring, { data, error, isLoading }] = useImportCalendarMutation();
  const own = all.filter(({ id }) => mayTalk(id));
  const ask = (text: string, called: string, whose: string, preview: boolean) =>
    void bring({ text, name: called.trim() || t('imported.unnamed'), studentId: whose || null, preview });
  return (
    <View style={{ gap: 16 }}>
      <Stack space={0.25}>
        <Heading level={2}>{t('imported.title')}</Heading>
        <Words colour="soft">{t('imported.lead')}</Words>
      </Stack>
      <View>
        {imports.map((calendar) => (
          <Imported key={calendar.id} calendar={calendar} />
        ))}
      </View>
      {own.length === 0 ? null : (
        <OpenFile
          label={t('marksFile.choose')}
          accept=".ics,.ical,text/calendar"
          onText={(called, text) => {
            const title = called.replace(/\.[^.]*$/, '');
            setFile({ name: called, text });
            setName(title);
            ask(text, title, studentId, true);
          }}
        />
      )}
      {error ? (
        <View role="alert">
          <Words colour="plum">{problemWords(t, error)}</Words>
        </View>
      ) : null}
      {file && data && !error ? (
        data.written ? (
          <Words live colour="teal" bold>
            {t('imported.done', { name })}
          </Words>
        ) : (
          <Stack space={1.5}>
            <Heading level={3}>{file.name}</Heading>
            <Report report={data.report} />
            <Field label={t('elsewhere.name')} value={name} onChange={setName} longest={100} />
            <Choice
              titled
              label={t('entry.forWhom')}
              options={[
                { value: '', label: t('shell.everyone') },
                ...own.map(({ id, givenName }) => ({ value: id, label: givenName })),
              ]}
              value={studentId}
              onChange={(id) => {
                setStudentId(id);
                ask(file.text, name, id, true);
              }}
            />
            <Action
              main
              label={t('imported.take')}
              busy={isLoading}
              disabled={data.report.events === 0 || name.trim() === ''}
              onPress={() => ask(file.text, name, studentId, false)}
            />
          </Stack>
        )
      ) : null}
    </View>
  );
}
