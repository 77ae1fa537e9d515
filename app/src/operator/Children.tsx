import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { withheld, type OperatorChild, type Withheld } from '@cadro/contract';
import { Trouble } from '../household';
import { Action, Choice, Field, Heading, List, Loaded, Quietly, Stack, Words } from '../ui';
import {
  useGiveCodeMutation,
  useHoldBackMutation,
  useOperatorChildQuery,
  useOperatorChildrenQuery,
} from './api';
import { PersonLine } from './PersonLine';
import { useOperatorFormat } from './useOperatorFormat';

const everybody = 'everybody';

/** What is held back, from whom: a course is chosen where it is one. */
function HoldBack({ child: { child, people, courses } }: { child: OperatorChild }) {
  const { t } = useTranslation();
  const [what, setWhat] = useState<Withheld>('comments');
  const [courseId, setCourseId] = useState(courses[0]?.id ?? '');
  const [personId, setPersonId] = useState(everybody);
  const [hold, { isLoading, isSuccess, error }] = useHoldBackMutation();
  const { studentId } = child;
  const asked = {
    ...{ studentId, what },
    ...(what === 'course' ? { courseId } : {}),
    ...(personId === everybody ? {} : { personId }),
  };
  return (
    <Stack>
      <Heading level={3}>{t('operator.hold')}</Heading>
      <Choice
        label={t('operator.hold')}
        options={withheld.map((value) => ({ value, label: t(`operator.what.${value}`) }))}
        value={what}
        onChange={setWhat}
      />
      {what === 'course' ? (
        <Choice
          label={t('operator.what.course')}
          options={courses.map(({ id, title }) => ({ value: id, label: title }))}
          value={courseId}
          onChange={setCourseId}
        />
      ) : null}
      <Choice
        titled
        label={t('operator.from')}
        options={[
          { value: everybody, label: t('operator.everybody') },
          ...people
            .filter(({ role }) => role !== 'student')
            .map(({ personId: value, name }) => ({ value, label: name })),
        ]}
        value={personId}
        onChange={setPersonId}
      />
      <Trouble error={error} />
      <Action label={t('operator.holdYes')} busy={isLoading} onPress={() => void hold(asked)} />
      {isSuccess ? <Words live>{t('operator.held')}</Words> : null}
    </Stack>
  );
}

/** A code for the letter to a child's family, shown once. */
function Code({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const [give, { data, isLoading, error }] = useGiveCodeMutation();
  const [code] = data?.codes ?? [];
  if (!code)
    return (
      <Stack>
        <Trouble error={error} />
        <Action label={t('operator.code')} busy={isLoading} onPress={() => void give(studentId)} />
      </Stack>
    );
  return (
    <Stack space={0.25}>
      <Words size="matter" bold live>
        {code.code}
      </Words>
      <Words size="small" colour="soft">
        {t('operator.codeHint', { when: format.date(code.until), address: code.address })}
      </Words>
    </Stack>
  );
}

function Child({ child }: { child: OperatorChild }) {
  const { t } = useTranslation();
  const { studentId, givenName, familyName, year, schoolName } = child.child;
  return (
    <Stack space={2}>
      <Stack space={0}>
        <Heading level={3}>{`${givenName} ${familyName}`}</Heading>
        <Words size="small" colour="soft">
          {[schoolName, year].join(' · ')}
        </Words>
      </Stack>
      {child.people.length === 0 ? <Words colour="soft">{t('operator.nobody')}</Words> : null}
      <List label={t('people.title')}>
        {child.people.map((person) => (
          <PersonLine key={person.personId} child={child} person={person} />
        ))}
      </List>
      <Code studentId={studentId} />
      <HoldBack child={child} />
    </Stack>
  );
}

function Chosen({ studentId }: { studentId: string }) {
  const query = useOperatorChildQuery(studentId);
  return <Loaded query={query}>{(child) => <Child child={child} />}</Loaded>;
}

function Found({ name, onChoose }: { name: string; onChoose: (studentId: string) => void }) {
  const { t } = useTranslation();
  const query = useOperatorChildrenQuery(name);
  return (
    <Loaded query={query}>
      {({ children }) => (
        <List label={t('operator.found')}>
          {children.length === 0 ? <Words colour="soft">{t('operator.noneFound')}</Words> : null}
          {children.map(({ studentId, givenName, familyName, year, schoolName }) => (
            <Quietly
              key={studentId}
              label={[`${givenName} ${familyName}`, schoolName, year].join(' · ')}
              onPress={() => onChoose(studentId)}
            />
          ))}
        </List>
      )}
    </Loaded>
  );
}

/** A child by its name, then who sees it, a code for it, and what is held back. */
export function Children() {
  const { t } = useTranslation();
  const [name, setName] = useState('');
  const [sought, setSought] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const seek = () => {
    setSought(name.trim());
    setChosen(null);
  };
  return (
    <Stack>
      <Heading level={2}>{t('operator.children')}</Heading>
      <Field label={t('operator.childName')} value={name} onChange={setName} onSubmit={seek} longest={120} />
      <Action label={t('operator.seek')} disabled={name.trim() === ''} onPress={seek} />
      {chosen ? (
        <Chosen key={chosen} studentId={chosen} />
      ) : sought ? (
        <Found name={sought} onChoose={setChosen} />
      ) : null}
    </Stack>
  );
}
