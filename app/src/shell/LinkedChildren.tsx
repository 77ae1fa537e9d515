import { Fragment } from 'react';
import { useTranslation } from 'react-i18next';
import type { Child } from '@cadro/contract';
import { MarkOf, useMeQuery, useSelf } from '../household';
import { SourceAge, useSourcesQuery } from '../sources';
import { Heading, List, Row, Stack, styles, WayOn, Words } from '../ui';

/** Whose records, from which school, and how old they are. */
function Linked({ child: { id, givenName, familyName, schoolName, role } }: { child: Child }) {
  const { t } = useTranslation();
  const { data } = useSourcesQuery();
  const sources = (data?.sources ?? []).filter(({ studentIds }) => studentIds.includes(id));
  // One that is read as it should is said in one line with its school.
  const alone = sources.length === 1 && !sources[0]?.failingSince;
  const where = [schoolName, ...(role === 'guardian' ? [] : [t(`settings.roles.${role}`)])].join(' · ');
  return (
    <Row space={1.5} style={[styles.top, styles.around8]}>
      <MarkOf studentId={id} />
      <Stack space={0} style={styles.shrink}>
        <Words bold>{`${givenName} ${familyName}`}</Words>
        {alone ? null : (
          <Words size="small" colour="soft">
            {where}
          </Words>
        )}
        {sources.map((source) => (
          <Fragment key={source.id}>
            <SourceAge source={source} lead={alone ? where : source.name} />
            {source.problems.length > 0 ? (
              <Words size="small" colour="plum">
                {t('settings.problems', { count: source.problems.length })}
              </Words>
            ) : null}
          </Fragment>
        ))}
      </Stack>
    </Row>
  );
}

/** The linked children and where their records come from; more of each source on a page of its own. */
export function LinkedChildren() {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const self = useSelf();
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('settings.children')}</Heading>
      <List label={t('settings.children')}>
        {(me?.children ?? []).map((child) => (
          <Linked key={child.id} child={child} />
        ))}
      </List>
      <Row wrap style={styles.spread}>
        <WayOn label={t('sources.toSources')} href="/settings/sources" />
        {self ? null : <WayOn label={t('link.title')} href="/link" />}
      </Row>
    </Stack>
  );
}
