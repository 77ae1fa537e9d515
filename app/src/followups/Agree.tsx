import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Agreement, Child } from '@cadro/contract';
import { Trouble, useFormat } from '../household';
import { Action, Choice, Field, Heading, PickDay, Stack, Words } from '../ui';
import { useAddEntryMutation, useChangeFollowUpMutation, useTakeInHandMutation } from './api';
import { freshId } from './freshId';

const kinds = ['child', 'us', 'reminder'] as const;
type Kind = (typeof kinds)[number];

/** Makes of what was said what it is to be: something the child has, something of the family's, or a reminder. */
function useBecoming(child: Child) {
  const [begin] = useTakeInHandMutation();
  const [change] = useChangeFollowUpMutation();
  const [addEntry] = useAddEntryMutation();
  return async (kind: Kind, text: string, by: string | null): Promise<Partial<Agreement> | null> => {
    if (kind === 'reminder') {
      const { data } = await addEntry({
        ...{ kind: 'reminder', title: text.slice(0, 200), studentIds: [child.id], shared: true, on: by },
      });
      return data ? { entryId: data.id } : null;
    }
    const made = await begin({
      ...{ studentId: child.id, topic: 'other', title: text.slice(0, 200), step: 'agreed', lookAgainOn: by },
    });
    const followUp = made.data;
    if (!followUp) return null;
    if (kind === 'child')
      await change({
        followUpId: followUp.id,
        change: { version: followUp.version, handTo: { kind: 'child' } },
      });
    return { followUpId: followUp.id };
  };
}

/** What is to come of it, and by when. */
function Becomes({
  child,
  kind,
  setKind,
  by,
  setBy,
}: {
  child: Child;
  kind: Kind;
  setKind: (kind: Kind) => void;
  by: string | null;
  setBy: (by: string | null) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <>
      <Choice
        titled
        label={t('agreement.becomes')}
        options={kinds.map((value) => ({
          value,
          label: t(`agreement.kinds.${value}`, { child: child.givenName }),
        }))}
        value={kind}
        onChange={setKind}
      />
      <PickDay
        label={t('agreement.byWhen')}
        value={by}
        today={format.today}
        from={format.today}
        optional={kind !== 'reminder'}
        onChange={setBy}
        dayLong={format.dayLong}
        monthName={format.month}
      />
    </>
  );
}

type Made = Omit<Agreement, 'id'>;
/** A list with something more that was agreed. */
export const withAgreement = (agreed: readonly Agreement[], made: Made): Agreement[] => [
  ...agreed,
  { id: freshId(agreed, 'a-'), ...made },
];

/** What was agreed, and the way to agree on more. @param keep puts one more on the list; whether that went well. */
export function Agree({
  child,
  agreed,
  question,
  error,
  keep,
}: {
  child: Child;
  agreed: readonly Agreement[];
  /** What the field asks. */
  question: string;
  error: Parameters<typeof Trouble>[0]['error'];
  keep: (made: Made) => Promise<boolean>;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const [text, setText] = useState('');
  const [kind, setKind] = useState<Kind>('child');
  const [by, setBy] = useState<string | null>(format.daysAhead(7));
  const [busy, setBusy] = useState(false);
  const become = useBecoming(child);
  /** What came of it already, where it could not be put on the list: pressing again makes no second one. */
  const [unlisted, setUnlisted] = useState<{ readonly as: string; readonly made: Partial<Agreement> } | null>(
    null,
  );
  const agree = async () => {
    setBusy(true);
    const words = text.trim();
    const day = kind === 'reminder' ? (by ?? format.daysAhead(7)) : by;
    const as = JSON.stringify([kind, words, day]);
    const made = unlisted?.as === as ? unlisted.made : await become(kind, words, day);
    const agreement = { text: words, followUpId: null, entryId: null, by: day, held: null };
    const kept = made !== null && (await keep({ ...agreement, ...made }));
    if (kept) setText('');
    setUnlisted(made === null || kept ? null : { as, made });
    setBusy(false);
  };
  return (
    <Stack>
      <Heading level={3}>{t('agreement.weAgreed')}</Heading>
      {agreed.map(({ id, text: words, by: day }) => (
        <Words key={id}>{day ? t('agreement.line', { text: words, day: format.day(day) }) : words}</Words>
      ))}
      <Field label={question} value={text} onChange={setText} longest={200} />
      {text.trim() ? <Becomes {...{ child, kind, setKind, by, setBy }} /> : null}
      <Trouble error={error} />
      <Action label={t('agreement.write')} busy={busy} disabled={!text.trim()} onPress={() => void agree()} />
    </Stack>
  );
}
