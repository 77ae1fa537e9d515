import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { AlertCourse } from '@cadro/contract';
import { settingsFor, type AlertRules, type RuleException } from '@cadro/core';
import { useChildren } from '../../household';
import { Action, Choice, Heading, Quietly, Row, Stack, themed, Words } from '../../ui';
import { addException, withException, withoutException } from './draft';
import { ofChild, ofCourse } from './knobs';
import { RuleRow } from './RuleRow';

interface ExceptionsProps {
  readonly draft: AlertRules;
  readonly courses: readonly AlertCourse[];
  readonly onChange: (draft: AlertRules) => void;
}

function One({ draft, courses, onChange, exception }: ExceptionsProps & { exception: RuleException }) {
  const { t } = useTranslation();
  const looks = useLooks();
  const { nameOf } = useChildren();
  const [open, setOpen] = useState(Object.keys(exception.rules).length === 0);
  const { studentId, courseId } = exception;
  const course = courses.find((each) => each.courseId === courseId && each.studentId === studentId);
  const title = t('rules.exceptionFor', {
    child: nameOf(studentId),
    course: course?.title ?? t('rules.everyCourse'),
  });
  return (
    <Stack space={0.5} style={looks.ruled}>
      <Heading level={3}>{title}</Heading>
      <Row space={2} wrap>
        <Quietly
          label={t(open ? 'rules.fold' : 'rules.change')}
          hint={title}
          onPress={() => setOpen(!open)}
          open={open}
        />
        <Quietly
          label={t('rules.remove')}
          hint={title}
          onPress={() => onChange(withoutException(draft, exception))}
        />
      </Row>
      {open
        ? (course ? ofCourse : ofChild).map((name) => (
            <RuleRow
              key={name}
              name={name}
              settings={settingsFor(draft, studentId, courseId)}
              letters={course?.letters ?? []}
              {...(course ? { unit: course.unit } : {})}
              onSet={(rule, param, value) => onChange(withException(draft, exception, rule, param, value))}
            />
          ))
        : null}
    </Stack>
  );
}

/** Where a child or a course differs from the rest. */
export function Exceptions({ draft, courses, onChange }: ExceptionsProps) {
  const { t } = useTranslation();
  const { all } = useChildren();
  const [adding, setAdding] = useState(false);
  const [studentId, setStudentId] = useState(all[0]?.id ?? '');
  const [courseId, setCourseId] = useState('');
  const own = courses.filter((course) => course.studentId === studentId);
  const add = () => {
    onChange(addException(draft, { studentId, courseId: courseId || null }));
    setAdding(false);
  };
  return (
    <Stack>
      <Heading level={2}>{t('rules.exceptions')}</Heading>
      {draft.exceptions.length === 0 ? <Words colour="soft">{t('rules.noExceptions')}</Words> : null}
      {draft.exceptions.map((exception) => (
        <One
          key={`${exception.studentId}:${exception.courseId ?? ''}`}
          {...{ draft, courses, onChange, exception }}
        />
      ))}
      {adding ? (
        <Stack>
          <Choice
            titled
            label={t('rules.forWhom')}
            options={all.map(({ id, givenName }) => ({ value: id, label: givenName }))}
            value={studentId}
            onChange={(id) => {
              setStudentId(id);
              setCourseId('');
            }}
          />
          <Choice
            titled
            label={t('rules.forCourse')}
            options={[
              { value: '', label: t('rules.everyCourse') },
              ...own.map((course) => ({ value: course.courseId, label: course.title })),
            ]}
            value={courseId}
            onChange={setCourseId}
          />
          <View>
            <Action label={t('rules.addException')} onPress={add} />
          </View>
        </Stack>
      ) : (
        <Action label={t('rules.addException')} onPress={() => setAdding(true)} />
      )}
    </Stack>
  );
}

const useLooks = themed((palette) => ({
  ruled: { borderBottomWidth: 1, borderColor: palette.line, paddingBottom: 12 },
}));
