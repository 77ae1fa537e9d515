import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ForwardedMail } from '@cadro/contract';
import { Trouble, useChildren, useFormat } from '../../household';
import { Action, Choice, Heading, Quietly, Row, Stack, styles, Tick, WayOn, Words } from '../../ui';
import { useDropMailMutation, useOwnRecordQuery, usePlaceMailMutation } from '../api';
import { RowLine } from '../own/RowLine';
import { TakenWords } from '../own/TakenWords';

/** So much of a mail is shown before somebody asks for the rest. */
const shownText = 280;

/** A mail's own words. */
function Said({ text }: { text: string }) {
  const { t } = useTranslation();
  const [whole, setWhole] = useState(false);
  const isLong = text.length > shownText;
  return (
    <Stack space={0.25}>
      <Words size="small">{whole || !isLong ? text : `${text.slice(0, shownText).trimEnd()} …`}</Words>
      {isLong && !whole ? <Quietly label={t('mails.more')} onPress={() => setWhole(true)} /> : null}
    </Stack>
  );
}

/** What a mail seems to say, each on its words, with a square to tick. */
function Proposals({
  mail: { proposals },
  taken,
  onChange,
}: {
  mail: ForwardedMail;
  taken: readonly number[];
  onChange: (taken: readonly number[]) => void;
}) {
  const { t } = useTranslation();
  if (proposals.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={3}>{t('mails.says')}</Heading>
      {proposals.map((proposal, at) => {
        const on = taken.includes(at);
        return (
          <Row key={at} space={1} style={styles.top}>
            <Tick
              label={t('mails.take', { words: proposal.words })}
              on={on}
              onChange={(next) => onChange(next ? [...taken, at] : taken.filter((each) => each !== at))}
            />
            <View style={styles.fill}>
              <Words size="small" colour="soft">
                {t('mails.words', { words: proposal.words })}
              </Words>
              <RowLine row={proposal} />
            </View>
          </Row>
        );
      })}
    </Stack>
  );
}

interface Where {
  readonly studentId: string;
  readonly courseId: string;
}

/** Whose a mail is, and which of the child's courses it is about. */
function useWhere(mail: ForwardedMail) {
  const { all, mayTalk } = useChildren();
  const children = all.filter(({ id }) => mayTalk(id));
  const [only] = children;
  const [where, setWhere] = useState<Where>({
    studentId: mail.studentId ?? (children.length === 1 && only ? only.id : ''),
    courseId: mail.courseId ?? '',
  });
  const child = children.find(({ id }) => id === where.studentId);
  const { data: record } = useOwnRecordQuery(where.studentId, { skip: !child });
  const courses = child ? (record?.courses ?? []) : [];
  const course = courses.find(({ id }) => id === where.courseId);
  return { children, child, courses, course, where, setWhere };
}

function Whose({ children, courses, course, where, setWhere }: ReturnType<typeof useWhere>) {
  const { t } = useTranslation();
  return (
    <>
      {children.length > 1 ? (
        <Choice
          titled
          label={t('mails.whose')}
          options={children.map(({ id, givenName }) => ({ value: id, label: givenName }))}
          value={where.studentId}
          onChange={(studentId) => setWhere({ studentId, courseId: '' })}
        />
      ) : null}
      {courses.length > 0 ? (
        <Choice
          titled
          label={t('mails.course')}
          options={[
            ...courses.map(({ id, title }) => ({ value: id, label: title })),
            { value: '', label: t('mails.noCourse') },
          ]}
          value={course?.id ?? ''}
          onChange={(courseId) => setWhere({ ...where, courseId })}
        />
      ) : null}
    </>
  );
}

/** Whose a mail is, which course it is about, and what of it is so. */
function Place({ mail }: { mail: ForwardedMail }) {
  const { t } = useTranslation();
  const found = useWhere(mail);
  const { child, course, where } = found;
  const [taken, setTaken] = useState<readonly number[]>(mail.proposals.map((_each, at) => at));
  const [remark, setRemark] = useState(false);
  const [place, { data, isLoading, error }] = usePlaceMailMutation();
  const [drop, dropping] = useDropMailMutation();
  const take = course ? [...taken] : [];
  const to = { studentId: where.studentId, courseId: course?.id ?? null };
  return (
    <Stack>
      <Whose {...found} />
      {course ? (
        <>
          <Proposals mail={mail} taken={taken} onChange={setTaken} />
          <Row space={1}>
            <Tick label={t('mails.remark')} on={remark} onChange={setRemark} />
            <Words style={styles.shrink}>{t('mails.remark')}</Words>
          </Row>
        </>
      ) : null}
      <Trouble error={error ?? dropping.error} />
      {data?.taken ? (
        <TakenWords taken={data.taken} way={`/courses/${where.studentId}/${where.courseId}/own`} />
      ) : null}
      <Row wrap>
        <Action
          main
          label={take.length > 0 ? t('mails.save', { count: take.length }) : t('mails.keep')}
          hint={mail.subject}
          busy={isLoading}
          disabled={!child}
          onPress={() => void place({ mailId: mail.id, ...to, take, remark: remark && course !== undefined })}
        />
        <Quietly label={t('mails.drop')} hint={mail.subject} onPress={() => void drop(mail.id)} />
      </Row>
    </Stack>
  );
}

/** A forwarded mail: what it says, and where it belongs. */
export function MailCard({ mail }: { mail: ForwardedMail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const { from, subject, cameAt, text, state, studentId, courseId } = mail;
  return (
    <Stack style={styles.around10}>
      <Stack space={0.25}>
        <Heading level={2}>{subject || t('mails.noSubject')}</Heading>
        <Words size="small" colour="soft">
          {[from, format.recent(cameAt)].join(' · ')}
        </Words>
      </Stack>
      <Said text={text} />
      {state === 'new' ? <Place mail={mail} /> : null}
      {state === 'placed' && studentId ? (
        <WayOn
          label={t('mails.placed', { name: nameOf(studentId) })}
          href={courseId ? `/courses/${studentId}/${courseId}` : '/courses'}
        />
      ) : null}
    </Stack>
  );
}
