import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { mostLetters, type OperatorClass } from '@cadro/contract';
import { Trouble } from '../household';
import { isServerProblem } from '../i18n';
import { Action, Choice, Field, Heading, Loaded, saveAddress, Stack, Words } from '../ui';
import { useGiveClassCodesMutation, useOperatorClassesQuery } from './api';

const all = 'all';
const days = 60;

interface Which {
  readonly school: string;
  readonly year: string;
  readonly course: string;
}

/** Of which school, year and course. */
function WhichClass({
  classes,
  which,
  onChange,
}: {
  classes: readonly OperatorClass[];
  which: Which;
  onChange: (which: Which) => void;
}) {
  const { t } = useTranslation();
  const schools = [...new Set(classes.map(({ schoolName }) => schoolName))];
  const years = classes.filter(({ schoolName }) => schoolName === which.school);
  return (
    <>
      <Choice
        titled
        label={t('operator.source.name')}
        options={schools.map((value) => ({ value, label: value }))}
        value={which.school}
        onChange={(school) => onChange({ ...which, school, year: all })}
      />
      <Choice
        titled
        label={t('operator.year')}
        options={[
          { value: all, label: t('operator.everyYear') },
          ...years.map(({ year: value, children }) => ({
            value,
            label: t('operator.yearOf', { year: value, count: children }),
          })),
        ]}
        value={which.year}
        onChange={(year) => onChange({ ...which, year })}
      />
      <Field
        label={t('operator.ofCourse')}
        hint={t('operator.ofCourseHint')}
        value={which.course}
        onChange={(course) => onChange({ ...which, course })}
        longest={120}
      />
    </>
  );
}

/** For a class: a table of codes, and a letter to print for each child. */
function ClassCodes({ classes }: { classes: readonly OperatorClass[] }) {
  const { t } = useTranslation();
  const [which, setWhich] = useState<Which>({ school: classes[0]?.schoolName ?? '', year: all, course: '' });
  const [give, { isLoading, isSuccess, error }] = useGiveClassCodesMutation();
  const { school, year } = which;
  const course = which.course.trim();
  const count = classes
    .filter((each) => each.schoolName === school && (year === all || each.year === year))
    .reduce((sum, { children }) => sum + children, 0);
  const tooMany = course === '' && count > mostLetters;
  const noSuchClass = isServerProblem(error) && error.status === 404;
  const make = async () => {
    const narrowed = { ...(year === all ? {} : { year }), ...(course === '' ? {} : { course }) };
    const answer = await give({ school, days, ...narrowed });
    if (answer.data) saveAddress('codes.zip', answer.data);
  };
  return (
    <Stack>
      <WhichClass classes={classes} which={which} onChange={setWhich} />
      <Words size="small" colour="soft">
        {tooMany ? t('operator.tooMany', { count: mostLetters }) : t('operator.lettersHint', { count: days })}
      </Words>
      <Trouble error={error} words={noSuchClass ? t('operator.noneInClass') : null} />
      <Action label={t('operator.letters')} busy={isLoading} disabled={tooMany} onPress={() => void make()} />
      {isSuccess ? <Words live>{t('operator.lettersMade')}</Words> : null}
    </Stack>
  );
}

/** Codes for whole classes. */
export function Classes() {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const query = useOperatorClassesQuery(undefined, { skip: !open });
  return (
    <Stack>
      <Heading level={2}>{t('operator.classes')}</Heading>
      {open ? (
        <Loaded query={query}>
          {({ classes }) =>
            classes.length === 0 ? (
              <Words colour="soft">{t('operator.noClasses')}</Words>
            ) : (
              <ClassCodes classes={classes} />
            )
          }
        </Loaded>
      ) : (
        <Action label={t('operator.classesOpen')} onPress={() => setOpen(true)} />
      )}
    </Stack>
  );
}
