import { useState } from 'react';
import { Pressable } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { OwnRecord, OwnRow, OwnTaken } from '@cadro/contract';
import { readLine } from '@cadro/core/own';
import { Trouble, useChildren, useFormat } from '../../household';
import { useAppSelector } from '../../store';
import {
  Action,
  BackLink,
  Field,
  Heading,
  List,
  Loaded,
  Page,
  Quiet,
  Quietly,
  Row,
  Stack,
  styles,
  WayOn,
  Words,
} from '../../ui';
import { useDropOwnWorkMutation, useOwnRecordQuery, usePutOwnWorkMutation } from '../api';
import { RowForm } from './RowForm';
import { RowLine, useRowWords, scoreWords } from './RowLine';
import { rowOf, rowOfLine, typedOf, type KeptItem } from './rows';
import { TakenWords } from './TakenWords';

type Course = OwnRecord['courses'][number];
interface Of {
  readonly studentId: string;
  readonly course: Course;
}

/** What became of what was written last. */
function Last({ studentId, course, row, taken }: Of & { row: OwnRow; taken: OwnTaken }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Stack space={0.5}>
      <Words size="small" live>
        {t(taken.added > 0 ? 'own.added' : taken.changed > 0 ? 'own.changed' : 'own.same', {
          title: row.title,
          score: scoreWords(t, format, row),
        })}
      </Words>
      <TakenWords taken={taken} way={`/courses/${studentId}/${course.id}/own`} />
    </Stack>
  );
}

/** One line of free text, as it is understood, and the way to say more. */
function OneLine({ studentId, course }: Of) {
  const { t } = useTranslation();
  const format = useFormat();
  const lang = useAppSelector(({ prefs }) => prefs.language);
  const [text, setText] = useState('');
  const [full, setFull] = useState(false);
  const [last, setLast] = useState<OwnRow | null>(null);
  const [put, { data: taken, isLoading, error }] = usePutOwnWorkMutation();
  const categories = course.categories.map(({ title }) => title);
  const line = readLine(text, { lang, today: format.today, courses: [course.title], categories });
  const row = rowOfLine(line);
  const empty = row.title.trim() === '';
  const save = async (written: OwnRow) => {
    const answer = await put({ studentId, courseId: course.id, body: { rows: [written] } });
    if (!answer.data) return;
    setLast(written);
    setText('');
    setFull(false);
  };
  if (full)
    return (
      <RowForm
        itemId={null}
        begin={typedOf({ id: '', ...row })}
        categories={categories}
        busy={isLoading}
        onSave={(written) => void save(written)}
        onCancel={() => setFull(false)}
      />
    );
  return (
    <Stack>
      <Field
        label={t('own.line')}
        hint={t('own.lineHint')}
        value={text}
        longest={300}
        onChange={setText}
        onSubmit={() => (empty ? undefined : void save(row))}
      />
      {empty ? null : <RowLine row={row} />}
      <Trouble error={error} />
      <Row wrap>
        <Action
          main
          label={t('own.addWork')}
          busy={isLoading}
          disabled={empty}
          onPress={() => void save(row)}
        />
        <Quietly label={t('own.addFull')} onPress={() => setFull(true)} />
      </Row>
      {last && taken && empty ? <Last {...{ studentId, course, taken }} row={last} /> : null}
    </Stack>
  );
}

/** What is there already; each opens to be changed or removed. */
function WrittenItem({
  studentId,
  course,
  item,
  onDropped,
}: Of & { item: KeptItem; onDropped: (item: KeptItem) => void }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [put, { isLoading, error }] = usePutOwnWorkMutation();
  const [drop, dropping] = useDropOwnWorkMutation();
  const of = { studentId, courseId: course.id };
  const { below, score } = useRowWords(item);
  if (!open)
    return (
      <Pressable
        role="button"
        aria-label={[t('own.changeWork', { title: item.title }), below, score].join('. ')}
        aria-expanded={false}
        onPress={() => setOpen(true)}
        style={styles.around10}
      >
        <RowLine row={item} />
      </Pressable>
    );
  const save = async (row: OwnRow) => {
    const answer = await put({ ...of, body: { rows: [row] } });
    if (answer.data) setOpen(false);
  };
  const remove = async () => {
    const answer = await drop({ ...of, itemId: item.id });
    if (!('error' in answer)) onDropped(item);
  };
  return (
    <Stack style={styles.around10}>
      <RowForm
        itemId={item.id}
        begin={typedOf(item)}
        categories={course.categories.map(({ title }) => title)}
        busy={isLoading}
        onSave={(row) => void save(row)}
        onCancel={() => setOpen(false)}
      />
      <Quietly label={t('own.dropWork')} hint={item.title} onPress={() => void remove()} />
      <Trouble error={error ?? dropping.error} />
    </Stack>
  );
}

/** What has just been removed, and the way to take that back. */
function Dropped({ studentId, course, item, onBack }: Of & { item: KeptItem; onBack: () => void }) {
  const { t } = useTranslation();
  const [put, { isLoading, error }] = usePutOwnWorkMutation();
  const undo = async () => {
    const body = { rows: [rowOf(item.id, typedOf(item))] };
    const answer = await put({ studentId, courseId: course.id, body });
    if (answer.data) onBack();
  };
  return (
    <Row wrap space={2}>
      <Words size="small" live>
        {t('own.dropped', { title: item.title })}
      </Words>
      <Trouble error={error} />
      {isLoading ? null : <Quietly label={t('begun.undo')} hint={item.title} onPress={() => void undo()} />}
    </Row>
  );
}

/** Everything that is written down of a course, the last first. */
function Written({ studentId, course }: Of) {
  const { t } = useTranslation();
  const [dropped, setDropped] = useState<KeptItem | null>(null);
  const { items } = course;
  const title = t('own.written', { count: items.length });
  return (
    <Stack space={0.5}>
      {dropped ? <Dropped {...{ studentId, course }} item={dropped} onBack={() => setDropped(null)} /> : null}
      {items.length > 0 ? (
        <>
          <Heading level={2}>{title}</Heading>
          <List label={title}>
            {[...items].reverse().map((item) => (
              <WrittenItem key={item.id} {...{ studentId, course, item }} onDropped={setDropped} />
            ))}
          </List>
          <WayOn
            label={t('own.seeGrade', { course: course.title })}
            href={`/courses/${studentId}/${course.id}`}
          />
        </>
      ) : (
        <Words colour="soft">{t('own.nothingYet')}</Words>
      )}
    </Stack>
  );
}

/** An assignment of the school's that somebody knows more of. */
export type AboutWork = Pick<KeptItem, 'title' | 'dueOn' | 'possible'> & { readonly itemId: string };

/** What the family knows of an assignment that the school has not entered. */
function AboutTheirs({ studentId, course, about: { itemId, ...known } }: Of & { about: AboutWork }) {
  const [done, setDone] = useState<OwnRow | null>(null);
  const [put, { data: taken, isLoading, error }] = usePutOwnWorkMutation();
  const save = async (row: OwnRow) => {
    const answer = await put({ studentId, courseId: course.id, body: { rows: [row] } });
    if (answer.data) setDone(row);
  };
  if (done && taken) return <Last {...{ studentId, course, taken }} row={done} />;
  const begin = {
    ...known,
    id: itemId,
    category: null,
    earned: null,
    percent: null,
    letter: null,
    comment: null,
  };
  return (
    <Stack>
      <RowForm
        itemId={itemId}
        begin={typedOf({ ...begin, status: 'scored' })}
        categories={[]}
        busy={isLoading}
        onSave={(row) => void save(row)}
        onCancel={null}
      />
      <Trouble error={error} />
    </Stack>
  );
}

/** Assignments with their scores, written down by the family. */
export function WriteWork({
  studentId,
  courseId,
  about,
}: {
  studentId: string;
  courseId: string;
  about?: AboutWork | null;
}) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const query = useOwnRecordQuery(studentId);
  return (
    <Loaded query={query}>
      {({ courses }) => {
        const course = courses.find(({ id }) => id === courseId);
        if (!course) return <Quiet>{t('state.notFound')}</Quiet>;
        const { title, own } = course;
        return (
          <Page>
            <BackLink href={`/courses/${studentId}/${courseId}`} label={title} />
            <Heading level={1}>{t(own ? 'own.writeTitle' : 'beside.writeTitle', { course: title })}</Heading>
            {own ? null : <Words colour="soft">{t('beside.writeLead')}</Words>}
            {about ? <AboutTheirs {...{ studentId, course, about }} /> : null}
            <OneLine {...{ studentId, course }} />
            <Row wrap space={2}>
              <WayOn label={t('own.toTable')} href={`/courses/${studentId}/table?courseId=${courseId}`} />
              {own ? (
                <WayOn label={t('own.toRules')} href={`/courses/${studentId}/${courseId}/own`} />
              ) : (
                <WayOn
                  label={t('beside.to', { name: nameOf(studentId) })}
                  href={`/settings/beside/${studentId}`}
                />
              )}
            </Row>
            <Written {...{ studentId, course }} />
          </Page>
        );
      }}
    </Loaded>
  );
}
