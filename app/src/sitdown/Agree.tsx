import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Agreement, Child, SitdownPage } from '@cadro/contract';
import { freshId } from '../followups';
import { useChangeFollowUpMutation, useTakeInHandMutation } from '../followups/api';
import { Trouble, useFormat } from '../household';
import { Action, Choice, Field, Heading, PickDay, Quietly, Row, Stack, Words } from '../ui';
import { useAddEntryMutation } from './api';
import { usePageChange } from './PageView';

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
        label={t('sitdown.becomes')}
        options={kinds.map((value) => ({
          value,
          label: t(`sitdown.kinds.${value}`, { child: child.givenName }),
        }))}
        value={kind}
        onChange={setKind}
      />
      <PickDay
        label={t('sitdown.byWhen')}
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

/** What was agreed, and the way to agree on more. */
export function Agree({ sitdownId, page, child }: { sitdownId: string; page: SitdownPage; child: Child }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [text, setText] = useState('');
  const [kind, setKind] = useState<Kind>('child');
  const [by, setBy] = useState<string | null>(format.daysAhead(7));
  const [busy, setBusy] = useState(false);
  const become = useBecoming(child);
  const { now, error } = usePageChange(sitdownId, page);
  const agree = async () => {
    setBusy(true);
    const words = text.trim();
    const day = kind === 'reminder' ? (by ?? format.daysAhead(7)) : by;
    const made = await become(kind, words, day);
    const agreement = { id: freshId(page.agreed, 'a-'), text: words, followUpId: null, entryId: null };
    const agreed = [...page.agreed, { ...agreement, by: day, held: null, ...made }];
    if (made && (await now({ agreed }))) setText('');
    setBusy(false);
  };
  return (
    <Stack>
      <Heading level={3}>{t('sitdown.weAgreed')}</Heading>
      {page.agreed.map(({ id, text: words, by: day }) => (
        <Words key={id}>{day ? t('sitdown.agreedBy', { text: words, day: format.day(day) }) : words}</Words>
      ))}
      <Field
        label={t('sitdown.agree', { child: child.givenName })}
        value={text}
        onChange={setText}
        longest={200}
      />
      {text.trim() ? <Becomes {...{ child, kind, setKind, by, setBy }} /> : null}
      <Trouble error={error} />
      <Action
        label={t('sitdown.agreeNow')}
        busy={busy}
        disabled={!text.trim()}
        onPress={() => void agree()}
      />
    </Stack>
  );
}

/** What was agreed the last time, each with whether it held; said by whoever looks back. */
export function LookBack({
  sitdownId,
  page,
}: {
  /** The one before. */
  sitdownId: string;
  page: SitdownPage;
}) {
  const { t } = useTranslation();
  const { now } = usePageChange(sitdownId, page);
  const say = (id: string, held: boolean | null) =>
    void now({ agreed: page.agreed.map((each) => (each.id === id ? { ...each, held } : each)) });
  if (page.agreed.length === 0) return null;
  return (
    <Stack space={0.5}>
      {page.agreed.map(({ id, text, held }) => (
        <Row key={id} wrap>
          <Words size="small">{text}</Words>
          {held === null ? (
            <>
              <Quietly label={t('sitdown.itHeld')} hint={text} onPress={() => say(id, true)} />
              <Quietly label={t('sitdown.itDidNot')} hint={text} onPress={() => say(id, false)} />
            </>
          ) : (
            <Quietly
              label={t(held ? 'sitdown.held' : 'sitdown.notHeld')}
              hint={t('sitdown.undo')}
              onPress={() => say(id, null)}
            />
          )}
        </Row>
      ))}
    </Stack>
  );
}
