import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { ownEntryKinds } from '@cadro/contract';
import { useChildren } from '../../household';
import { problemWords } from '../../i18n';
import { Action, Choice, Field, Heading, Row, Stack, Tick, Words } from '../../ui';
import type { ServerProblem } from '../../store';
import type { EntryDraft } from './entryDraft';
import { WhenFields } from './WhenFields';

/** Fields that the server names when they do not fit. */
const named = ['on', 'lastOn', 'startsAt', 'endsAt', 'rule', 'title'] as const;

/** For all children, or for some of them. */
function ForWhom({ draft, set }: { draft: EntryDraft; set: (change: Partial<EntryDraft>) => void }) {
  const { t } = useTranslation();
  const { all, mayTalk } = useChildren();
  const own = all.filter(({ id }) => mayTalk(id));
  if (own.length < 2) return null;
  const { studentIds } = draft;
  const toggle = (id: string) =>
    set({
      studentIds: studentIds.includes(id) ? studentIds.filter((each) => each !== id) : [...studentIds, id],
    });
  return (
    <View role="group" aria-label={t('entry.forWhom')}>
      <Words size="small" bold>
        {t('entry.forWhom')}
      </Words>
      <Row wrap>
        {own.map(({ id, givenName }) => (
          <Row key={id} space={0} style={shape.inset}>
            <Tick label={givenName} on={studentIds.includes(id)} onChange={() => toggle(id)} />
            <Words>{givenName}</Words>
          </Row>
        ))}
        {studentIds.length === 0 ? (
          <Words size="small" colour="soft">
            {t('entry.forAll')}
          </Words>
        ) : null}
      </Row>
    </View>
  );
}

function WhoSees({ draft, set }: { draft: EntryDraft; set: (change: Partial<EntryDraft>) => void }) {
  const { t } = useTranslation();
  return (
    <Choice
      titled
      label={t('entry.whoSees')}
      options={[
        { value: 'shared', label: t('entry.shared') },
        { value: 'private', label: t('entry.private') },
      ]}
      value={draft.shared ? 'shared' : 'private'}
      onChange={(value) => set({ shared: value === 'shared' })}
    />
  );
}

/** What does not fit, by the field the server names. */
function Fault({ error }: { error: ServerProblem | undefined }) {
  const { t } = useTranslation();
  if (!error) return null;
  const [misfit] = error.problem?.errors ?? [];
  const field = named.find((name) => misfit?.path === `/${name}`);
  return (
    <Words colour="plum" live>
      {field ? t(`entry.faults.${field}`) : problemWords(t, error)}
    </Words>
  );
}

/** A reminder, an event, a note or something to buy. */
export function EntryForm({
  draft,
  set,
  heading,
  about,
  error,
  busy,
  onSave,
}: {
  draft: EntryDraft;
  set: (change: Partial<EntryDraft>) => void;
  heading: string;
  /** The work it hangs on. */
  about: string | null;
  error: ServerProblem | undefined;
  busy: boolean;
  onSave: () => void;
}) {
  const { t } = useTranslation();
  const kinds = ownEntryKinds.filter((kind) => about === null || kind === 'reminder' || kind === 'supply');
  return (
    <Stack space={2}>
      <Stack space={0.25}>
        <Heading level={1}>{heading}</Heading>
        {about ? <Words colour="soft">{t('entry.about', { title: about })}</Words> : null}
      </Stack>
      <Choice
        label={t('entry.kind')}
        options={kinds.map((value) => ({ value, label: t(`entry.kinds.${value}`) }))}
        value={draft.kind}
        onChange={(kind) => set({ kind })}
      />
      <Field
        first
        label={t(draft.kind === 'supply' ? 'entry.what' : 'entry.title')}
        value={draft.title}
        onChange={(title) => set({ title })}
        longest={200}
      />
      <WhenFields draft={draft} set={set} />
      <ForWhom draft={draft} set={set} />
      <WhoSees draft={draft} set={set} />
      <Field
        label={t('entry.text')}
        value={draft.text}
        onChange={(text) => set({ text })}
        lines={3}
        longest={4000}
      />
      <Fault error={error} />
      <Action
        main
        label={t('entry.keep')}
        busy={busy}
        disabled={draft.title.trim() === ''}
        onPress={onSave}
      />
    </Stack>
  );
}

const shape = StyleSheet.create({
  inset: { paddingLeft: 12, paddingRight: 8 },
});
