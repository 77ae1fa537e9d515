import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Entry } from '@cadro/contract';
import { useItemQuery } from '../../gradebook';
import { useChildren, useFormat } from '../../household';
import { dayGiven, isServerProblem, problemWords } from '../../i18n';
import { Action, BackLink, Heading, Loaded, Page, Quietly, Row, Stack, Words } from '../../ui';
import type { ServerProblem } from '../../store';
import {
  useChangeEntryMutation,
  useCreateEntryMutation,
  useEntryQuery,
  usePutBackEntryMutation,
  useRemoveEntryMutation,
  useTickEntryMutation,
} from '../calendarApi';
import { EntryForm } from './EntryForm';
import { bodyOf, draftOf, emptyDraft, type EntryDraft } from './entryDraft';

const serverProblem = (error: unknown): ServerProblem | undefined =>
  isServerProblem(error) ? error : undefined;

function New({ start, about }: { start: EntryDraft; about: string | null }) {
  const { t } = useTranslation();
  const router = useRouter();
  const [draft, setDraft] = useState(start);
  const [create, { error, isLoading }] = useCreateEntryMutation();
  const keep = async () => {
    const answer = await create(bodyOf(draft));
    if (!answer.data) return;
    const undated = answer.data.on === null && answer.data.itemId === null;
    router.replace(undated ? '/days/shopping' : draft.on ? `/days?on=${draft.on}` : '/days');
  };
  return (
    <Page>
      <BackLink href={draft.on ? `/days?on=${draft.on}` : '/days'} label={t('places.days')} />
      <EntryForm
        draft={draft}
        set={(change) => setDraft({ ...draft, ...change })}
        heading={t('calendar.write')}
        about={about}
        error={serverProblem(error)}
        busy={isLoading}
        onSave={() => void keep()}
      />
    </Page>
  );
}

function NewAboutWork({ studentId, itemId }: { studentId: string; itemId: string }) {
  const query = useItemQuery({ studentId, itemId });
  return (
    <Loaded query={query}>
      {(item) => (
        <New start={emptyDraft({ itemId, studentIds: [studentId], title: item.title })} about={item.title} />
      )}
    </Loaded>
  );
}

/** Writing something into the calendar: on a day, or before a work is due. */
export function NewEntryScreen({
  on,
  kind,
  studentId,
  itemId,
}: {
  on?: string;
  kind?: string;
  studentId?: string;
  itemId?: string;
}) {
  const { today } = useFormat();
  const { t } = useTranslation();
  const { all, shown, mayWrite } = useChildren();
  if (!mayWrite(studentId ? [studentId] : []))
    return (
      <Page>
        <Words>{t('followUp.lookOnly')}</Words>
      </Page>
    );
  if (studentId && itemId) return <NewAboutWork studentId={studentId} itemId={itemId} />;
  const day = dayGiven(on, today);
  const supply = kind === 'supply';
  const start = emptyDraft({
    kind: supply ? 'supply' : 'reminder',
    on: supply && !on ? null : day,
    studentIds: shown.length < all.length ? shown.map(({ id }) => id) : [],
  });
  return <New start={start} about={null} />;
}

/** Taken out at once, and back at a touch. */
function Removed({ entry, onBack }: { entry: Entry; onBack: () => void }) {
  const { t } = useTranslation();
  const [putBack, { error, isLoading }] = usePutBackEntryMutation();
  const undo = async () => {
    const answer = await putBack(entry.id);
    if (answer.data) onBack();
  };
  return (
    <Page>
      <BackLink href="/days" label={t('places.days')} />
      <Words live>{t('entry.removed', { title: entry.title })}</Words>
      {error ? (
        <Words colour="plum" live>
          {problemWords(t, error)}
        </Words>
      ) : null}
      <Action label={t('entry.undo')} busy={isLoading} onPress={() => void undo()} />
    </Page>
  );
}

/** One day of a recurrence: done, left out, or put back. */
function OneDay({ entry, on }: { entry: Entry; on: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [tick] = useTickEntryMutation();
  const done = entry.done.includes(on);
  const skipped = entry.skipped.includes(on);
  const as = (state: 'done' | 'skipped' | 'open') => () => void tick({ entryId: entry.id, on, as: state });
  return (
    <Stack space={0.5}>
      <Words bold>
        {skipped
          ? t('entry.skippedOn', { day: format.dayLong(on) })
          : done
            ? t('entry.doneOn', { day: format.dayLong(on) })
            : format.dayLong(on)}
      </Words>
      <Row wrap space={2}>
        {done || skipped ? (
          <Quietly label={t('entry.putBack')} onPress={as('open')} />
        ) : (
          <>
            <Quietly label={t('entry.done')} onPress={as('done')} />
            {entry.rule ? <Quietly label={t('entry.skip')} onPress={as('skipped')} /> : null}
          </>
        )}
      </Row>
    </Stack>
  );
}

function Existing({ entry, on }: { entry: Entry; on: string | null }) {
  const { t } = useTranslation();
  const [draft, setDraft] = useState(() => draftOf(entry));
  const [version, setVersion] = useState(entry.version);
  const [removed, setRemoved] = useState(false);
  const [kept, setKept] = useState(false);
  const [change, { error, isLoading }] = useChangeEntryMutation();
  const [remove, removal] = useRemoveEntryMutation();
  const takeOut = async () => {
    const answer = await remove(entry.id);
    if (!answer.error) setRemoved(true);
  };
  const keep = async () => {
    const answer = await change({ entryId: entry.id, version, ...bodyOf(draft) });
    if (answer.data) {
      setVersion(answer.data.version);
      setKept(true);
    }
    const problem = serverProblem(answer.error)?.problem;
    // What was written stays; kept once more, it stands over what came in between.
    if (problem?.code === 'edited-meanwhile') setVersion((problem.current as Entry).version);
  };
  if (removed) return <Removed entry={entry} onBack={() => setRemoved(false)} />;
  return (
    <Page>
      <BackLink href={on ? `/days?on=${on}` : '/days'} label={t('places.days')} />
      {on ? <OneDay entry={entry} on={on} /> : null}
      <EntryForm
        draft={draft}
        set={(more) => {
          setKept(false);
          setDraft({ ...draft, ...more });
        }}
        heading={entry.title}
        about={entry.itemTitle}
        error={serverProblem(error ?? removal.error)}
        busy={isLoading}
        onSave={() => void keep()}
      />
      <Row wrap space={2}>
        {kept ? (
          <Words colour="teal" live>
            {t('entry.kept')}
          </Words>
        ) : null}
        <Quietly label={t('entry.remove')} onPress={() => void takeOut()} />
      </Row>
      {entry.mine ? null : (
        <Words size="small" colour="soft">
          {t('entry.by', { name: entry.author })}
        </Words>
      )}
    </Page>
  );
}

/** An entry for who may only look. */
function Looked({ entry, on }: { entry: Entry; on: string | null }) {
  const { t } = useTranslation();
  const format = useFormat();
  const day = on ?? entry.on;
  return (
    <Page>
      <BackLink href={on ? `/days?on=${on}` : '/days'} label={t('places.days')} />
      <Stack space={0.25}>
        <Heading level={1}>{entry.title}</Heading>
        {day ? (
          <Words>
            {[format.dayLong(day), ...(entry.startsAt ? [format.clock(entry.startsAt)] : [])].join(', ')}
          </Words>
        ) : null}
        {entry.text ? <Words>{entry.text}</Words> : null}
        <Words size="small" colour="soft">
          {t('entry.by', { name: entry.author })}
        </Words>
      </Stack>
    </Page>
  );
}

/** An entry as it was written, to change or to take out. */
export function EntryScreen({ entryId, on = null }: { entryId: string; on?: string | null }) {
  const query = useEntryQuery(entryId);
  const { mayWrite } = useChildren();
  return (
    <Loaded query={query}>
      {(entry) =>
        mayWrite(entry.studentIds) ? (
          <Existing key={entry.id} entry={entry} on={on} />
        ) : (
          <Looked entry={entry} on={on} />
        )
      }
    </Loaded>
  );
}
