import { useTranslation } from 'react-i18next';
import type { AbsencePurpose, ChildDay } from '@cadro/contract';
import { useChildren } from '../../household';
import { Heading, LinkAction, List, Row, RowLink, Stack, Words } from '../../ui';

/** What can be said to the attendance desk about a day, and what is in hand already. */
export function WithTheSchool({ day }: { day: ChildDay }) {
  const { t } = useTranslation();
  const { mayTalk } = useChildren();
  const { studentId, on, today, inHand, desk, missed, lessons, dayMark, open } = day;
  const may = mayTalk(studentId) && open !== false;
  const waiting = (purpose: AbsencePurpose) => inHand.some((each) => each.purpose === purpose && each.open);
  const marked = dayMark !== null || lessons.some(({ mark }) => mark !== null);
  const href = (purpose: AbsencePurpose) => `/days/${studentId}/${on}/letter?purpose=${purpose}` as const;
  const explain = missed.unexplained > 0 && !waiting('explain');
  if (!may && inHand.length === 0) return null;
  return (
    <Stack>
      <Heading level={2}>{t('day.act')}</Heading>
      <List>
        {inHand.map(({ followUpId, title, open: isOpen }) => (
          <RowLink
            key={followUpId}
            href={`/talk/follow-ups/${followUpId}`}
            label={`${title}. ${t(isOpen ? 'day.open' : 'day.settled')}`}
          >
            <Words bold>{title}</Words>
            <Words size="small" colour={isOpen ? 'soft' : 'teal'}>
              {t(isOpen ? 'day.open' : 'day.settled')}
            </Words>
          </RowLink>
        ))}
      </List>
      {may && !desk?.contactable ? <Words colour="soft">{t('day.noDesk')}</Words> : null}
      {may && desk?.contactable ? (
        <Row wrap>
          {explain ? (
            <LinkAction main label={t('day.explain', { count: missed.unexplained })} href={href('explain')} />
          ) : null}
          {marked && !waiting('object') ? <LinkAction label={t('day.object')} href={href('object')} /> : null}
          {on >= today && !marked ? <LinkAction label={t('day.ahead')} href={href('ahead')} /> : null}
        </Row>
      ) : null}
    </Stack>
  );
}
