import { useTranslation } from 'react-i18next';
import type { Desk } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import {
  BackLink,
  Heading,
  LinkAction,
  List,
  Loaded,
  Page,
  Quietly,
  Row,
  Stack,
  TickLine,
  WayOn,
  Words,
} from '../ui';
import { useDeskQuery, useSeenMutation, useShareMutation } from './api';
import { useAbout, type Word } from './FromChildren';
import { PieceWords } from './KeptScreen';
import { Side } from './SharedScreen';

/** A word of the child's, with what one can do about it. */
function WordLine({ desk, word, may }: { desk: Desk; word: Word; may: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const about = useAbout();
  const [see] = useSeenMutation();
  const { studentId } = desk;
  const { id, wish, text, comment, seen, courseId, itemId, at } = word;
  const title = t(`desk.from.wishes.${wish}`, { child: nameOf(studentId), title: about(word) });
  const place = itemId ? `/courses/${studentId}/${courseId}/${itemId}` : `/courses/${studentId}/${courseId}`;
  const follow = `/talk/new?studentId=${studentId}&courseId=${courseId}${itemId ? `&itemId=${itemId}` : ''}`;
  return (
    <Stack space={0.25}>
      <Words bold>{title}</Words>
      {text ? <Words>{t('matter.quote', { text })}</Words> : null}
      {comment ? (
        <Words size="small" colour="soft">
          {t('matter.quote', { text: comment.text })}
        </Words>
      ) : null}
      <Words size="small" colour="soft">
        {seen ? t('desk.from.seenBy', { name: seen.by, date: format.day(seen.at) }) : format.dayTime(at)}
      </Words>
      <Row wrap space={2}>
        <WayOn label={itemId ? t('followUp.openWork') : word.courseTitle} href={place as '/courses'} />
        {may && wish === 'talk' ? <WayOn label={t('desk.from.follow')} href={follow as '/talk/new'} /> : null}
        {may && !seen ? (
          <Quietly
            label={t('desk.from.seen')}
            hint={title}
            onPress={() => void see({ studentId, wordId: id })}
          />
        ) : null}
      </Row>
    </Stack>
  );
}

function WordLines({ desk, words, label }: { desk: Desk; words: readonly Word[]; label: string }) {
  const { mayTalk } = useChildren();
  return (
    <List label={label}>
      {words.map((word) => (
        <WordLine key={word.id} desk={desk} word={word} may={mayTalk(desk.studentId)} />
      ))}
    </List>
  );
}

function Aims({ desk }: { desk: Desk }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  if (desk.aims.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('desk.from.aims', { child: nameOf(desk.studentId) })}</Heading>
      {desk.aims.map(({ courseId, courseTitle, target }) => (
        <Words key={courseId}>
          {t('desk.from.aim', { course: courseTitle, target: format.amount(target) })}
        </Words>
      ))}
    </Stack>
  );
}

/** What both sides see of each other, as the child reads it, too. */
function BothSides({ desk }: { desk: Desk }) {
  const { t } = useTranslation();
  const { nameOf, mayTalk } = useChildren();
  const [share] = useShareMutation();
  const { studentId, shares } = desk;
  const child = nameOf(studentId);
  return (
    <Stack space={2}>
      <Heading level={2}>{t('desk.from.sees', { child })}</Heading>
      <Side
        title={t('desk.from.childSees', { child })}
        lines={[
          t('desk.from.childRecord'),
          t(shares.evenings ? 'desk.from.childEvenings' : 'desk.from.childEveningsOff'),
          t('desk.from.childNot'),
        ]}
      />
      <Side
        title={t('desk.from.youSee')}
        lines={[
          t('desk.from.youAnswers', { child }),
          t('desk.from.youWords', { child }),
          t(shares.aims ? 'desk.from.youAims' : 'desk.from.youAimsOff', { child }),
        ]}
      />
      {mayTalk(studentId) ? (
        <TickLine
          label={t('desk.from.showEvenings', { child })}
          on={shares.evenings}
          onChange={(shown) => void share({ studentId, what: 'evenings', shown })}
        />
      ) : null}
      <Words size="small" colour="soft">
        {t('desk.from.decide', { child })}
      </Words>
    </Stack>
  );
}

function From({ desk }: { desk: Desk }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const child = nameOf(desk.studentId);
  const title = t('desk.from.title', { child });
  return (
    <Page>
      <BackLink href="/talk" label={t('places.talk')} />
      <Heading level={1}>{title}</Heading>
      {desk.joined ? null : (
        <Stack>
          <Words>{t('desk.from.notJoined', { child })}</Words>
          <LinkAction main label={t('people.toPeople')} href="/settings/people" />
        </Stack>
      )}
      {desk.joined && desk.words.length + desk.pieces.length === 0 ? (
        <Words colour="soft">{t('desk.from.none', { child })}</Words>
      ) : null}
      <WordLines desk={desk} words={desk.words} label={title} />
      {desk.pieces.length > 0 ? (
        <Stack>
          <Heading level={2}>{t('desk.from.table')}</Heading>
          {desk.pieces.map((piece) => (
            <PieceWords key={piece.id} studentId={desk.studentId} piece={piece} />
          ))}
        </Stack>
      ) : null}
      <Aims desk={desk} />
      {desk.joined ? <BothSides desk={desk} /> : null}
    </Page>
  );
}

/** To the family: what a child shows it, and what each sees of the other. */
export function FromScreen({ studentId }: { studentId: string }) {
  const query = useDeskQuery(studentId, { refetchOnMountOrArgChange: true });
  return <Loaded query={query}>{(desk) => <From desk={desk} />}</Loaded>;
}
