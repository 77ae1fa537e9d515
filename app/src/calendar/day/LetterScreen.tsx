import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildDay, ChildDays } from '@cadro/contract';
import { useDaysQuery } from '../../attendance/api';
import { Begun, BegunLine, useChildren, useFormat, useMeQuery, type Writing } from '../../household';
import { isServerProblem, problemWords } from '../../i18n';
import {
  Action,
  BackLink,
  Field,
  Heading,
  Loaded,
  Page,
  Quietly,
  Stack,
  styles,
  TickLine,
  Words,
} from '../../ui';
import { Beginning, Files, openingOf, useBeginning, useFiles, type Drafting } from '../../messages';
import { useAppSelector } from '../../store';
import { useDayQuery, useLetterMutation } from './dayApi';
import { letterDraft, type ChosenLesson } from './letterDraft';
import { keyOf, useChosen, useOffered, type Offered, type Own, type Purpose } from './letterLessons';

/** The day's lessons instead of the whole of it. */
function LessonsAhead({
  day,
  chosen,
  toggle,
}: {
  day: ChildDay;
  chosen: ReadonlySet<string>;
  toggle: (lesson: ChosenLesson) => void;
}) {
  return day.lessons.map(({ period, courseTitle }) => {
    const lesson = { on: day.on, period, courseTitle };
    return (
      <TickLine
        key={keyOf(lesson)}
        label={courseTitle ?? period}
        on={chosen.has(keyOf(lesson))}
        onChange={() => toggle(lesson)}
      />
    );
  });
}

function About({
  day,
  purpose,
  offered,
  about: { keys, toggle },
}: {
  day: ChildDay;
  purpose: Purpose;
  offered: readonly Offered[];
  about: ReturnType<typeof useChosen>;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const title = t(purpose === 'ahead' ? 'letter.days' : 'letter.which');
  return (
    <View role="group" aria-label={title}>
      <Heading level={2}>{title}</Heading>
      {offered.map((each) => (
        <TickLine
          key={keyOf(each)}
          label={`${format.day(each.on)}: ${each.what}`}
          on={keys.has(keyOf(each))}
          onChange={() => toggle(each)}
        />
      ))}
      {purpose === 'ahead' && day.lessons.length > 0 ? (
        <View style={styles.above8}>
          <Heading level={3}>{format.dayLong(day.on)}</Heading>
          <LessonsAhead day={day} chosen={keys} toggle={toggle} />
        </View>
      ) : null}
    </View>
  );
}

interface Text {
  readonly subject: string;
  readonly text: string;
}

function LetterFields({ letter, onEdit }: { letter: Text; onEdit: (letter: Text) => void }) {
  const { t } = useTranslation();
  return (
    <>
      <Field
        label={t('letter.subject')}
        value={letter.subject}
        onChange={(subject) => onEdit({ ...letter, subject })}
        longest={200}
      />
      <Field
        label={t('letter.letter')}
        value={letter.text}
        onChange={(text) => onEdit({ ...letter, text })}
        lines={12}
        longest={20_000}
      />
    </>
  );
}

function Title({ day, purpose }: { day: ChildDay; purpose: Purpose }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  return (
    <>
      <BackLink href={`/days/${day.studentId}/${day.on}`} label={format.day(day.on)} />
      <Stack space={0.25}>
        <Words size="small" colour="soft">
          {nameOf(day.studentId)}
        </Words>
        <Heading level={1}>{t(`letter.titles.${purpose}`)}</Heading>
        <Words>{t(`letter.leads.${purpose}`, { desk: day.desk?.name ?? '' })}</Words>
      </Stack>
    </>
  );
}

/** The letter as it would be written in a language, with an opening. */
function useDrafting(
  { studentId, desk }: ChildDay,
  purpose: Purpose,
  lessons: readonly ChosenLesson[],
  reason: string,
): Drafting {
  const { nameOf } = useChildren();
  const { data: me } = useMeQuery();
  const child = nameOf(studentId);
  return ({ t, format }, tone) =>
    letterDraft(t, format, {
      ...{ purpose, child, guardian: me?.name ?? '', lessons, reason },
      opening: openingOf(t, tone, { teacher: desk?.name ?? '', child }),
    });
}

interface Letter {
  day: ChildDay;
  days: ChildDays | undefined;
  purpose: Purpose;
}

/** The letter as it stands: what is drafted out of what is chosen, until something of it has been changed. */
function useDeskLetter({ day, purpose }: Letter, writing: Writing<Own>, chosen: readonly ChosenLesson[]) {
  const language = useAppSelector((state) => state.prefs.language);
  const { nameOf } = useChildren();
  const { reason, subject, text } = writing.fields;
  const untouched = subject === '' && text === '';
  const drafting = useDrafting(day, purpose, chosen, reason);
  const beginning = useBeginning({
    ...{ drafting, first: language, writing, untouched },
    who: { teacher: day.desk?.name ?? '', child: nameOf(day.studentId) },
  });
  return { drafting, beginning, untouched, letter: beginning.fields };
}

function LetterForm({ writing, ...of }: Letter & { writing: Writing<Own> }) {
  const { t } = useTranslation();
  const { day, days, purpose } = of;
  const router = useRouter();
  const given = useFiles();
  const [send, { isLoading, error }] = useLetterMutation();
  const offered = useOffered(day, days, purpose);
  const about = useChosen(day, offered, purpose, writing);
  const { drafting, beginning, untouched, letter } = useDeskLetter(of, writing, about.chosen);
  const { studentId } = day;
  const submit = async () => {
    const lessons = about.chosen.map(({ on, period }) => ({ on, period }));
    const answer = await send({ studentId, purpose, lessons, files: given.files, ...letter });
    if (!answer.data) return;
    writing.done();
    router.replace(`/talk/follow-ups/${answer.data.followUpId}`);
  };
  const already = isServerProblem(error) && error.problem?.code === 'edited-meanwhile';
  return (
    <Page>
      <Title day={day} purpose={purpose} />
      <About day={day} purpose={purpose} offered={offered} about={about} />
      <Field
        label={t(purpose === 'object' ? 'letter.wrong' : 'letter.reason')}
        hint={t('letter.reasonHint')}
        value={writing.fields.reason}
        onChange={(changed) => writing.set({ reason: changed })}
        longest={500}
      />
      <LetterFields letter={letter} onEdit={writing.set} />
      {untouched ? null : (
        <Quietly label={t('letter.write')} onPress={() => writing.set({ subject: '', text: '' })} />
      )}
      <BegunLine writing={writing} />
      <Beginning {...{ beginning, drafting }} />
      <Files given={given} />
      {error ? (
        <Words colour="plum" live>
          {already ? t('letter.already') : problemWords(t, error)}
        </Words>
      ) : null}
      <Action
        main
        label={t('letter.send')}
        busy={isLoading}
        disabled={about.chosen.length === 0 || !letter.subject.trim() || !letter.text.trim()}
        onPress={() => void submit()}
      />
    </Page>
  );
}

function KeptLetter(letter: Letter) {
  const { t } = useTranslation();
  const { day, purpose } = letter;
  const { studentId, on } = day;
  const about = {
    ...{ key: `desk:${studentId}:${purpose}:${on}`, studentId, kind: 'letter' as const },
    ...{ title: t(`letter.titles.${purpose}`), place: `/days/${studentId}/${on}/letter?purpose=${purpose}` },
  };
  return (
    <Begun<Own> about={about} fresh={{ reason: '', subject: '', text: '', lessons: '' }}>
      {(writing) => <LetterForm {...letter} writing={writing} />}
    </Begun>
  );
}

/** A letter to the attendance desk about one day, or about several. */
export function LetterScreen({
  studentId,
  on,
  purpose,
}: {
  studentId: string;
  on: string;
  purpose: Purpose;
}) {
  const day = useDayQuery({ studentId, on });
  const days = useDaysQuery();
  return (
    <Loaded query={day}>
      {(data) => (
        <Loaded query={days}>
          {({ children }) => (
            <KeptLetter
              key={purpose}
              day={data}
              days={children.find((each) => each.studentId === studentId)}
              purpose={purpose}
            />
          )}
        </Loaded>
      )}
    </Loaded>
  );
}
