import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Meeting } from '@cadro/contract';
import { Trouble, useChildren } from '../household';
import { Action, Field, Heading, Quietly, Row, Stack, Words } from '../ui';
import { useChange } from './useChange';

/** What is written down while one talks. Where somebody else at home writes too, both stand there. */
export function Notes({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const stored = meeting.notes ?? '';
  /** What it was made on: words of others that came since are shown beside one's own. */
  const [begun, setBegun] = useState<{ on: string; text: string } | null>(null);
  const text = begun?.text ?? stored;
  const other = begun !== null && begun.on !== stored && stored !== text ? stored : null;
  const { now, isLoading, error } = useChange(meeting);
  const keep = async (words: string) => {
    if (await now(() => ({ notes: words.trim() === '' ? null : words }))) setBegun(null);
  };
  return (
    <Stack>
      <Heading level={2}>{t('meeting.notes')}</Heading>
      <Field
        label={t('meeting.saidThere')}
        hint={t('meeting.notesHint', { child: nameOf(meeting.studentId) })}
        value={text}
        onChange={(next) => setBegun({ on: begun?.on ?? stored, text: next })}
        lines={5}
        longest={20_000}
      />
      {other !== null ? (
        <Stack space={0.5}>
          <Words size="small" bold live>
            {t('meeting.other')}
          </Words>
          <Words>{other}</Words>
          <Row>
            <Quietly label={t('meeting.both')} onPress={() => void keep(`${other}\n\n${text}`)} />
          </Row>
        </Stack>
      ) : null}
      <Trouble error={error} />
      <Action
        label={t('meeting.keepNotes')}
        busy={isLoading}
        disabled={text === stored}
        onPress={() => void keep(text)}
      />
    </Stack>
  );
}
