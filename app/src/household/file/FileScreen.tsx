import { useTranslation } from 'react-i18next';
import { reaches, type OnFile, type Reach } from '@cadro/contract';
import { BackLink, Heading, LinkAction, Loaded, Page, Stack, Words } from '../../ui';
import { useChildren } from '../children';
import { useFormat } from '../useFormat';
import { useOnFileQuery } from './api';

/** How the school reaches somebody, what it has not got said as plainly as what it has. */
function ReachLines({ reach }: { reach: Reach }) {
  const { t } = useTranslation();
  return reaches.map((what) => (
    <Words key={what} colour={reach[what] === null ? 'soft' : 'ink'}>
      {reach[what] === null ? t(`file.none.${what}`) : t(`file.reach.${what}`, { value: reach[what] })}
    </Words>
  ));
}

function TheChild({ child }: { child: NonNullable<OnFile['child']> }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Stack space={0.25}>
      <Heading level={2}>{child.name}</Heading>
      {child.birthDate ? <Words>{t('file.born', { when: format.date(child.birthDate) })}</Words> : null}
      <ReachLines reach={child} />
    </Stack>
  );
}

/** A relation in our words where the standard has it, otherwise in the school's. */
const known = ['guardian', 'parent', 'relative'] as const;

function People({ people, unknown }: { people: OnFile['people']; unknown: boolean }) {
  const { t } = useTranslation();
  const said = (relation: string) => {
    const ours = known.find((each) => each === relation);
    return ours ? t(`file.relations.${ours}`) : relation;
  };
  return (
    <Stack space={2}>
      <Heading level={2}>{t('file.people')}</Heading>
      {people.length === 0 ? <Words colour="soft">{t('file.nobody')}</Words> : null}
      {unknown && people.length > 0 ? <Words>{t('file.unknown')}</Words> : null}
      {people.map(({ name, relation, reach }, place) => (
        <Stack key={`${place}:${name}`} space={0.25}>
          <Words bold>{`${name} · ${said(relation)}`}</Words>
          {reach ? <ReachLines reach={reach} /> : <Words colour="soft">{t('file.others')}</Words>}
        </Stack>
      ))}
    </Stack>
  );
}

function Content({ file }: { file: OnFile }) {
  const { t } = useTranslation();
  const { nameOf, mayTalk } = useChildren();
  const { studentId, schoolName, child, people, known: isKnown, office } = file;
  const write = office?.contactable && mayTalk(studentId);
  return (
    <Page>
      <BackLink href="/settings/people" label={t('people.title')} />
      <Stack space={0.25}>
        <Heading level={1}>{t('file.title', { child: nameOf(studentId) })}</Heading>
        <Words colour="soft">{t('file.lead', { school: schoolName })}</Words>
      </Stack>
      {child ? (
        <>
          <TheChild child={child} />
          <People people={people} unknown={!isKnown && mayTalk(studentId)} />
        </>
      ) : (
        <Words>{t('file.untold', { school: schoolName })}</Words>
      )}
      {write ? (
        <Stack space={0.5}>
          <LinkAction main label={t('file.wrong')} href={`/talk/write?studentId=${studentId}&about=file`} />
          <Words size="small" colour="soft">
            {t('file.wrongHint', { office: office.name })}
          </Words>
        </Stack>
      ) : null}
    </Page>
  );
}

/** What the school has on file about a child and those it names for it: worth a look once a year. */
export function FileScreen({ studentId }: { studentId: string }) {
  const query = useOnFileQuery(studentId, { refetchOnMountOrArgChange: true });
  return <Loaded query={query}>{(file) => <Content file={file} />}</Loaded>;
}
