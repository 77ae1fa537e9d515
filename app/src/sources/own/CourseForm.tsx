import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet } from 'react-native';
import { useTranslation } from 'react-i18next';
import {
  ownMissing,
  ownScales,
  ownSums,
  type OwnCourse,
  type OwnRecord,
  type OwnRules,
} from '@cadro/contract';
import { Trouble, useChildren, useFormat } from '../../household';
import {
  Action,
  BackLink,
  Choice,
  Field,
  Heading,
  Loaded,
  Page,
  Quietly,
  Row,
  Stack,
  styles,
  Words,
} from '../../ui';
import { useDropOwnCourseMutation, useOwnRecordQuery, usePutOwnCourseMutation } from '../api';
import { NewTerm } from './NewTerm';
import { RemovedCourse } from './RemovedCourse';
import { RulePicture } from './RulePicture';

/** As it is typed: a share is a number once it is saved. */
interface Category {
  readonly id: string | null;
  readonly title: string;
  readonly share: string;
}

const shareOf = (text: string): number => {
  const value = Number(text.replace(',', '.').replace('%', '').trim() || '0');
  return Number.isFinite(value) && value >= 0 && value <= 1000 ? value : NaN;
};

function Questions({ rules, onChange }: { rules: OwnRules; onChange: (rules: OwnRules) => void }) {
  const { t } = useTranslation();
  return (
    <Stack space={2}>
      <Choice
        titled
        label={t('own.adds')}
        options={ownSums.map((value) => ({ value, label: t(`own.sums.${value}`) }))}
        value={rules.adds}
        onChange={(adds) => onChange({ ...rules, adds })}
      />
      <Choice
        titled
        label={t('own.missing')}
        options={ownMissing.map((value) => ({ value, label: t(`own.missingAs.${value}`) }))}
        value={rules.missing}
        onChange={(missing) => onChange({ ...rules, missing })}
      />
      <Choice
        titled
        label={t('own.scale')}
        options={ownScales.map((value) => ({ value, label: t(`own.scales.${value}`) }))}
        value={rules.scale}
        onChange={(scale) => onChange({ ...rules, scale })}
      />
      <RulePicture rules={rules} />
    </Stack>
  );
}

function Categories({
  categories,
  onChange,
}: {
  categories: readonly Category[];
  onChange: (categories: readonly Category[]) => void;
}) {
  const { t } = useTranslation();
  const change = (at: number, part: Partial<Category>) =>
    onChange(categories.map((each, index) => (index === at ? { ...each, ...part } : each)));
  return (
    <Stack>
      <Heading level={2}>{t('own.categories')}</Heading>
      <Words size="small" colour="soft">
        {t('own.categoriesLead')}
      </Words>
      {categories.map(({ title, share }, at) => (
        <Row key={at} space={1} style={styles.top}>
          <Stack style={styles.fill}>
            <Field
              label={t('own.categoryName', { number: at + 1 })}
              value={title}
              longest={60}
              onChange={(value) => change(at, { title: value })}
            />
          </Stack>
          <Stack style={own.share}>
            <Field
              label={t('own.categoryShare')}
              kind="number"
              value={share}
              longest={6}
              onChange={(value) => change(at, { share: value })}
            />
          </Stack>
        </Row>
      ))}
      <Quietly
        label={t('own.categoryMore')}
        onPress={() => onChange([...categories, { id: null, title: '', share: '' }])}
      />
    </Stack>
  );
}
const own = StyleSheet.create({ share: { width: 104 } });

type Kept = OwnRecord['courses'][number];
const begin = (kept: Kept | undefined) => ({
  title: kept?.title ?? '',
  teacher: kept?.teacher ?? '',
  teacherEmail: kept?.teacherEmail ?? '',
});
const blank = (): Category => ({ id: null, title: '', share: '' });
const categoriesOf = (kept: Kept | undefined): Category[] => {
  const own = (kept?.categories ?? []).map(({ id, title, weight }) => ({ id, title, share: String(weight) }));
  return own.length > 0 ? own : [blank(), blank()];
};

/** The terms a course may be in: of a school's, those that run or come, the shortest of those that run now last. */
function openTerms({ terms, beside }: OwnRecord, today: string): OwnRecord['terms'] {
  if (!beside) return terms;
  const length = ({ startsOn, endsOn }: OwnRecord['terms'][number]) =>
    Date.parse(endsOn) - Date.parse(startsOn);
  const open = terms.filter(({ endsOn }) => endsOn >= today);
  const [coming, running] = [
    open.filter(({ startsOn }) => startsOn > today),
    open.filter(({ startsOn }) => startsOn <= today),
  ];
  return [...coming, ...running.sort((a, b) => length(b) - length(a))];
}

/** Which term a course is in; another one can be written down. */
function Terms({
  studentId,
  terms,
  termId,
  own: mayAdd,
  onChange,
}: {
  studentId: string;
  terms: OwnRecord['terms'];
  termId: string;
  /** Whether the terms are the family's to write down. */
  own: boolean;
  onChange: (termId: string) => void;
}) {
  const { t } = useTranslation();
  return (
    <Stack space={0.5}>
      <Choice
        titled
        label={t('own.term')}
        options={terms.map(({ id, title }) => ({ value: id, label: title }))}
        value={termId}
        onChange={onChange}
      />
      {mayAdd ? <NewTerm studentId={studentId} onMade={onChange} /> : null}
    </Stack>
  );
}

const longestOf = { title: 120, teacher: 120, teacherEmail: 320 } as const;
const bodyOf = ({
  names,
  rules: { adds, missing, scale },
  termId,
  categories,
}: {
  names: ReturnType<typeof begin>;
  rules: OwnRules;
  termId: string;
  categories: readonly Category[];
}): OwnCourse => ({
  ...{ adds, missing, scale, termId, title: names.title },
  ...{ teacher: names.teacher.trim() || null, teacherEmail: names.teacherEmail.trim() || null },
  categories: categories.map(({ id, title, share }) => ({ id, title, weight: shareOf(share) || 0 })),
});

function Form({ studentId, record, kept }: { studentId: string; record: OwnRecord; kept: Kept | undefined }) {
  const { t } = useTranslation();
  const router = useRouter();
  const [names, setNames] = useState(() => begin(kept));
  const [rules, setRules] = useState<OwnRules>(
    kept ?? { adds: 'together', missing: 'zero', scale: 'letters' },
  );
  const [categories, setCategories] = useState<readonly Category[]>(() => categoriesOf(kept));
  const { today } = useFormat();
  const terms = openTerms(record, today);
  const [termId, setTermId] = useState(kept?.termId ?? terms.at(-1)?.id ?? '');
  // As it was when the form was opened: a course that is removed is none of the record's any more.
  const [id] = useState(kept?.id ?? null);
  const [removed, setRemoved] = useState(false);
  const [put, { isLoading, error }] = usePutOwnCourseMutation();
  const [drop, dropping] = useDropOwnCourseMutation();
  const named = categories.filter(({ title }) => title.trim() !== '');
  const isWrong = rules.adds === 'weighted' && named.some(({ share }) => Number.isNaN(shareOf(share)));
  const field = (name: keyof typeof names, kind: 'text' | 'name' | 'email') => (
    <Field
      {...{ kind, longest: longestOf[name], label: t(`own.course.${name}`), value: names[name] }}
      onChange={(value) => setNames({ ...names, [name]: value })}
    />
  );
  const save = async () => {
    const body = bodyOf({ names, rules, termId, categories: named });
    const answer = await put({ studentId, body: { id, ...body } });
    if (answer.data) router.replace(`/courses/${studentId}/${answer.data.courseId}/write`);
  };
  const remove = async () => {
    const answer = await drop({ studentId, courseId: id ?? '' });
    if (!('error' in answer)) setRemoved(true);
  };
  if (removed)
    return <RemovedCourse title={names.title} busy={isLoading} error={error} onUndo={() => void save()} />;
  return (
    <Stack space={2}>
      {field('title', 'text')}
      <Questions rules={rules} onChange={setRules} />
      {rules.adds === 'weighted' ? <Categories categories={categories} onChange={setCategories} /> : null}
      <Terms {...{ studentId, terms, termId }} own={!record.beside} onChange={setTermId} />
      {field('teacher', 'name')}
      {names.teacher.trim() === '' ? null : field('teacherEmail', 'email')}
      <Trouble error={error ?? dropping.error} words={isWrong ? t('own.shareWrong') : null} />
      <Row wrap>
        <Action
          main
          label={t(kept ? 'own.saveCourse' : 'own.addCourse')}
          busy={isLoading}
          disabled={names.title.trim() === '' || isWrong}
          onPress={() => void save()}
        />
        {kept ? (
          <Quietly label={t('own.dropCourse')} hint={kept.title} onPress={() => void remove()} />
        ) : null}
      </Row>
    </Stack>
  );
}

/** A course of a child whose family writes its record, and how it is graded. */
export function CourseForm({ studentId, courseId }: { studentId: string; courseId?: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const query = useOwnRecordQuery(studentId);
  return (
    <Loaded query={query}>
      {(record) => {
        const kept = record.courses.find(({ id }) => id === courseId);
        return (
          <Page>
            <BackLink
              href={kept ? `/courses/${studentId}/${kept.id}` : '/courses'}
              label={kept?.title ?? t('courses.title')}
            />
            <Heading level={1}>
              {kept
                ? t('own.courseTitle', { course: kept.title })
                : courseId
                  ? t('own.courseGone')
                  : t('own.courseNew', { name: nameOf(studentId) })}
            </Heading>
            <Form key={courseId ?? 'new'} {...{ studentId, record, kept }} />
          </Page>
        );
      }}
    </Loaded>
  );
}
