import { skipToken } from '@reduxjs/toolkit/query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CorrectionEntry, CourseDetail, CoursePolicy } from '@cadro/contract';
import { useFormat } from '../../../household';
import {
  Action,
  BackLink,
  Choice,
  Field,
  Heading,
  Loaded,
  Page,
  Quiet,
  Row,
  Span,
  Stack,
  styles,
  Words,
} from '../../../ui';
import { useCorrectPolicyMutation, useCourseQuery, usePolicyQuery, usePreviewPolicyQuery } from '../../api';
import { ThreeFigures } from '../../ThreeFigures';
import { spanWords } from '../../words';
import {
  formOf,
  readForm,
  withCorrection,
  type FormField,
  type PolicyForm,
  type ReadForm,
} from './policyForm';

interface Editing {
  readonly form: PolicyForm;
  readonly wrong: readonly FormField[];
  readonly change: (change: Partial<PolicyForm>) => void;
}

function Categories({ policy, form, wrong, change }: Editing & { policy: CoursePolicy }) {
  const { t } = useTranslation();
  const weighted = policy.published.method === 'weighted';
  const set = (id: string, own: Partial<PolicyForm['categories'][number]>) =>
    change({ categories: form.categories.map((each) => (each.id === id ? { ...each, ...own } : each)) });
  return (
    <>
      {policy.categories
        .filter(({ counts }) => counts)
        .map(({ id, title }) => {
          const own = form.categories.find((category) => category.id === id);
          const error = (field: FormField) => (wrong.includes(field) ? t('policy.wrongNumber') : null);
          return (
            <Row key={id} space={2} style={styles.top}>
              {weighted ? (
                <View style={styles.fill}>
                  <Field
                    label={t('policy.weightOf', { category: title })}
                    value={own?.weight ?? ''}
                    onChange={(weight) => set(id, { weight })}
                    error={error(`weight/${id}`)}
                  />
                </View>
              ) : null}
              <View style={styles.fill}>
                <Field
                  label={t('policy.dropOf', { category: title })}
                  value={own?.dropLowest ?? ''}
                  onChange={(dropLowest) => set(id, { dropLowest })}
                  error={error(`drop/${id}`)}
                />
              </View>
            </Row>
          );
        })}
    </>
  );
}

function Fields(editing: Editing & { policy: CoursePolicy }) {
  const { t } = useTranslation();
  const { form, wrong, change } = editing;
  return (
    <Stack space={2}>
      <Choice
        titled
        label={t('policy.missing')}
        options={(['zero', 'floor', 'not'] as const).map((value) => ({
          value,
          label: t(`policy.missingIs.${value}`),
        }))}
        value={form.missingCounts}
        onChange={(missingCounts) => change({ missingCounts })}
      />
      <Choice
        titled
        label={t('policy.incomplete')}
        options={(['zero', 'not'] as const).map((value) => ({
          value,
          label: t(`policy.missingIs.${value}`),
        }))}
        value={form.incompleteCounts}
        onChange={(incompleteCounts) => change({ incompleteCounts })}
      />
      <Categories {...editing} />
      <Row space={2} style={styles.top}>
        <View style={styles.fill}>
          <Field
            label={t('policy.floor')}
            value={form.floor}
            onChange={(floor) => change({ floor })}
            error={wrong.includes('floor') ? t('policy.wrongPercent') : null}
          />
        </View>
        <View style={styles.fill}>
          <Field
            label={t('policy.outOf')}
            value={form.outOf}
            onChange={(outOf) => change({ outOf })}
            error={wrong.includes('outOf') ? t('policy.wrongNumber') : null}
          />
        </View>
      </Row>
      <Field
        label={t('policy.letters')}
        hint={t('policy.lettersHint')}
        value={form.letters}
        onChange={(letters) => change({ letters })}
        error={wrong.includes('letters') ? t('policy.wrongLetters') : null}
      />
    </Stack>
  );
}

/** What the fields would make of the figure, before anything is kept. */
function Preview({
  course,
  read,
  onTry,
}: {
  course: CourseDetail;
  read: ReadForm;
  onTry: (correction: NonNullable<ReadForm['correction']>) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { studentId, id: courseId, scale } = course;
  const { data } = usePreviewPolicyQuery(
    read.wrong.length > 0 ? skipToken : { studentId, courseId, correction: read.correction },
  );
  if (read.wrong.length > 0 || !data) return <Quiet>{t('policy.noPreview')}</Quiet>;
  const outOf = read.correction?.outOf ?? scale.outOf;
  const letters = read.correction?.letters ?? scale.letters;
  const then = { ...scale, outOf, letters };
  const decimals = Math.max(1, scale.decimals);
  const { reconciliation } = data;
  const found = reconciliation?.reasons.find((reason) => reason.kind === 'policy');
  return (
    <Stack>
      <Heading level={2}>{t('policy.preview')}</Heading>
      <Span
        large
        figures={data.then}
        grade={data.grade}
        scale={then}
        label={spanWords(t, format, { figures: data.then, grade: data.grade, scale: then })}
      />
      <ThreeFigures figures={data.then} grade={data.grade} scale={then} />
      <Words live>
        {t('policy.before', { figure: format.figure(data.now.posted, decimals) })}
        {reconciliation
          ? ` ${t(reconciliation.verdict === 'differs' ? 'policy.schoolDiffers' : 'policy.schoolAgrees', {
              figure: format.figure(reconciliation.stated, decimals),
            })}`
          : ''}
      </Words>
      {found?.kind === 'policy' ? (
        <Action label={t('policy.try')} onPress={() => onTry(found.correction)} />
      ) : null}
    </Stack>
  );
}

function History({ entries }: { entries: readonly CorrectionEntry[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (entries.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('policy.history')}</Heading>
      {entries.map(({ at, author, correction }) => (
        <Words key={at} size="small" colour="soft">
          {t(correction ? 'policy.changed' : 'policy.returned', {
            author,
            when: format.recent(at),
            what: correction
              ? format.list(Object.keys(correction).map((member) => t(`policy.members.${member as 'floor'}`)))
              : '',
          })}
        </Words>
      ))}
    </Stack>
  );
}

function Form({ course, policy }: { course: CourseDetail; policy: CoursePolicy }) {
  const { t } = useTranslation();
  const router = useRouter();
  const [form, setForm] = useState(() => formOf(policy));
  const [save, saving] = useCorrectPolicyMutation();
  const read = readForm(form, policy);
  const place = { studentId: course.studentId, courseId: course.id };
  const back = `/courses/${course.studentId}/${course.id}` as const;
  const keep = async (correction: ReadForm['correction']) => {
    const kept = await save({ ...place, correction });
    if (!kept.error) router.replace(back);
  };
  return (
    <Page sheet>
      <BackLink href={back} label={course.title} />
      <Heading level={1}>{t('policy.title')}</Heading>
      <Words>{t('policy.lead')}</Words>
      <Preview course={course} read={read} onTry={(found) => setForm(withCorrection(form, found))} />
      <Fields
        policy={policy}
        form={form}
        wrong={read.wrong}
        change={(change) => setForm({ ...form, ...change })}
      />
      {saving.isError ? (
        <Words colour="plum" live>
          {t('policy.notKept')}
        </Words>
      ) : null}
      <Row wrap space={2}>
        <Action
          main
          label={t('policy.keep')}
          disabled={read.wrong.length > 0}
          busy={saving.isLoading}
          onPress={() => void keep(read.correction)}
        />
        {policy.correction ? (
          <Action label={t('policy.return')} onPress={() => void keep(null)} disabled={saving.isLoading} />
        ) : null}
      </Row>
      <Words size="small" colour="soft">
        {t('policy.own')}
      </Words>
      <History entries={policy.history} />
    </Page>
  );
}

/** Correct the policy that is assumed of a course: see what it would make of the figure, keep it, or go back. */
export function PolicyView({ studentId, courseId }: { studentId: string; courseId: string }) {
  const course = useCourseQuery({ studentId, courseId });
  const policy = usePolicyQuery({ studentId, courseId });
  return (
    <Loaded query={course}>
      {(found) => <Loaded query={policy}>{(own) => <Form course={found} policy={own} />}</Loaded>}
    </Loaded>
  );
}
