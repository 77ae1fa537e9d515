import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { AnswerOf, elsewhereRoutes } from '@cadro/contract';
import { Trouble, useChildren } from '../../household';
import { Action, Choice, Field, Heading, Row, Stack, styles, Tick, Words } from '../../ui';
import { useFollowCalendarMutation } from './elsewhereApi';

const isAddress = (text: string): boolean => /^(https?|webcal):\/\/\S{3,}$/.test(text.trim());

type Read = AnswerOf<typeof elsewhereRoutes.follow>;

/** What the address brought. */
function Brought({ read: { report, works } }: { read: Read }) {
  const { t } = useTranslation();
  const parts = [
    t('followed.done', { count: report.events }),
    ...(works > 0 ? [t('followed.works', { count: works })] : []),
  ];
  return <Words live>{parts.join(' ')}</Words>;
}

/** A calendar at an address, which is read again by itself; its form opens when somebody asks for it. */
export function Follow() {
  const { t } = useTranslation();
  const { all, mayTalk } = useChildren();
  const [open, setOpen] = useState(false);
  if (!all.some(({ id }) => mayTalk(id))) return null;
  return open ? <Form /> : <Action label={t('followed.open')} onPress={() => setOpen(true)} />;
}

function Form() {
  const { t } = useTranslation();
  const { all, mayTalk } = useChildren();
  const children = all.filter(({ id }) => mayTalk(id));
  const [url, setUrl] = useState('');
  const [name, setName] = useState('');
  const [studentId, setStudentId] = useState('');
  const [asWork, setAsWork] = useState(true);
  const [follow, { data, isLoading, error }] = useFollowCalendarMutation();
  const save = async () => {
    const body = {
      url: url.trim(),
      name: name.trim(),
      studentId: studentId || null,
      asWork: studentId !== '' && asWork,
    };
    const answer = await follow(body);
    if (answer.data) setUrl('');
  };
  return (
    <Stack space={1.5}>
      <Heading level={3}>{t('followed.title')}</Heading>
      <Field
        label={t('followed.url')}
        hint={t('followed.hint')}
        value={url}
        longest={2000}
        onChange={setUrl}
      />
      <Field label={t('elsewhere.name')} value={name} longest={100} onChange={setName} />
      <Choice
        titled
        label={t('entry.forWhom')}
        options={[
          { value: '', label: t('shell.everyone') },
          ...children.map(({ id, givenName }) => ({ value: id, label: givenName })),
        ]}
        value={studentId}
        onChange={setStudentId}
      />
      {studentId ? (
        <Row space={1}>
          <Tick label={t('followed.asWork')} on={asWork} onChange={setAsWork} />
          <Words style={styles.shrink}>{t('followed.asWork')}</Words>
        </Row>
      ) : null}
      <Trouble error={error} />
      {data ? <Brought read={data} /> : null}
      <Action
        label={t('followed.follow')}
        busy={isLoading}
        disabled={!isAddress(url) || name.trim() === ''}
        onPress={() => void save()}
      />
    </Stack>
  );
}
