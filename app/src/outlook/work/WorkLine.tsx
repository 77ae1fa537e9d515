import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { askedAnswers, type WorkOffer, type WorkRow } from '@cadro/contract';
import { DaysTo, Gain } from '../../gradebook';
import { useChildren, useFormat } from '../../household';
import {
  Choice,
  Field,
  Frame,
  IconAction,
  Quietly,
  Row,
  RowLink,
  Stack,
  styles,
  themed,
  Tick,
  useWide,
  WayOn,
  Words,
} from '../../ui';
import { useAskedMutation, useEffortMutation } from '../api';
import {
  bothWords,
  briefly,
  effectWords,
  frameOfRow,
  lesserWords,
  reasonWords,
  settledWords,
  sourceLine,
  untilWords,
} from './rowWords';
import { OneOffer } from './WorkOffers';

const pickable = (row: WorkRow): boolean =>
  row.group === 'coming' || row.group === 'undated' || row.group === 'loose';

const needsYou = (row: WorkRow): boolean => row.group === 'loose' && row.recoverable;

/** What the child said last, and the question again. */
function Asking({ row }: { row: WorkRow }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const [ask] = useAskedMutation();
  const child = nameOf(row.studentId);
  const { studentId, itemId, asked } = row;
  return (
    <Stack space={0.5}>
      <Choice
        titled
        label={t('work.ask', { child })}
        options={askedAnswers.map((value) => ({ value, label: t(`work.answers.${value}`) }))}
        value={asked?.answer ?? ('' as (typeof askedAnswers)[number])}
        onChange={(answer) => void ask({ studentId, itemId, answer })}
      />
      {asked ? (
        <Words size="small" colour="soft" live>
          {t('work.answered', {
            child,
            date: format.day(asked.on),
            answer: t(`work.answers.${asked.answer}`),
          })}
        </Words>
      ) : null}
    </Stack>
  );
}

function Effort({ row }: { row: WorkRow }) {
  const { t } = useTranslation();
  const [tell] = useEffortMutation();
  const [text, setText] = useState(String(row.effort.minutes));
  const { studentId, itemId } = row;
  const save = () => {
    const minutes = Number(text);
    if (Number.isInteger(minutes) && minutes >= 0 && minutes <= 1440)
      void tell({ studentId, itemId, minutes });
  };
  return (
    <View style={own.minutes} onBlur={save}>
      <Field
        label={t('work.howLong')}
        hint={t('work.minutesField')}
        value={text}
        onChange={setText}
        onSubmit={save}
      />
    </View>
  );
}

/** @param said why it stands here, where the line itself does not say it. */
function Details({
  row,
  said,
  lesser,
  offers,
}: Pick<LineProps, 'row' | 'offers'> & { said: string; lesser: string }) {
  const { t } = useTranslation();
  const wide = useWide();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const { studentId, courseId, itemId, followUpId } = row;
  const source = sourceLine(t, format, row);
  return (
    <Stack space={1.5} style={own.details}>
      {said ? <Words size="small">{said}</Words> : null}
      {offers.map((offer) => (
        <OneOffer key={`${offer.commentId}:${offer.place}`} offer={offer} />
      ))}
      {lesser && !wide ? (
        <Words size="small" colour="soft">
          {lesser}
        </Words>
      ) : null}
      {source ? (
        <Words size="small" colour="soft">
          {source}
        </Words>
      ) : null}
      {mayTalk(studentId) ? (
        <>
          <Asking row={row} />
          <Effort row={row} />
          {followUpId ? (
            <WayOn label={t('item.inHand')} href={`/talk/follow-ups/${followUpId}`} />
          ) : (
            <WayOn
              label={t('work.takeInHand')}
              href={`/talk/new?studentId=${studentId}&courseId=${courseId}&itemId=${itemId}`}
            />
          )}
        </>
      ) : null}
    </Stack>
  );
}

/** Every sentence of a line, in the order in which it is read. */
function useLineWords(row: WorkRow) {
  const wide = useWide();
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf, all } = useChildren();
  const effect = effectWords(t, format, row);
  const words = {
    context: [
      ...(all.length > 1 ? [nameOf(row.studentId)] : []),
      row.courseTitle,
      ...(row.followUpId ? [t('work.inHand')] : []),
    ].join(' · '),
    reason: reasonWords(t, format, row),
    settled: settledWords(t, format, row),
    both: bothWords(t, format, row),
    until: untilWords(t, format, row),
    lesser: lesserWords(t, format, row),
    effect,
  };
  const few = wide ? null : briefly(t, format, row);
  const { context, reason, until, settled, both, lesser } = words;
  const gain = effect ? `${effect.figure} ${effect.unit}` : '';
  // What is seen comes first, in the words in which it is seen.
  const parts = few
    ? [row.title, `${context} · ${few.kind}`, few.until, gain, reason, few.left, lesser]
    : [row.title, context, reason, until, settled, ...both, gain, lesser];
  const label = parts
    .filter(Boolean)
    .map((part) => part.replace(/\.$/, ''))
    .join('. ');
  return { ...words, few, label };
}

/** Of a loose end on a phone: whose it is and what it is, and until when. The days that are left are drawn below. */
function Few({ context, few }: { context: string; few: NonNullable<ReturnType<typeof briefly>> }) {
  return (
    <>
      <Words size="small" colour="soft">
        {`${context} · ${few.kind}`}
      </Words>
      <Words size="small" colour="plum">
        {few.until}
      </Words>
    </>
  );
}

function All({ row, words }: { row: WorkRow; words: ReturnType<typeof useLineWords> }) {
  const { context, reason, settled, both, until, lesser } = words;
  const wide = useWide();
  return (
    <>
      <Words size="small" colour="soft">
        {context}
      </Words>
      {reason ? <Words size="small">{reason}</Words> : null}
      {settled ? <Words size="small">{settled}</Words> : null}
      {both.map((line) => (
        <Words key={line} size="small" bold>
          {line}
        </Words>
      ))}
      {until ? (
        <Words size="small" colour={needsYou(row) ? 'plum' : 'soft'}>
          {until}
        </Words>
      ) : null}
      {wide && lesser ? (
        <Words size="small" colour="soft">
          {lesser}
        </Words>
      ) : null}
    </>
  );
}

interface More {
  readonly row: WorkRow;
  readonly few: ReturnType<typeof briefly>;
  readonly open: boolean;
  readonly onPress: () => void;
}

/** What opens the rest of a line: beside the days that are left where these are drawn, else a word. */
function More({ row, few, open, onPress }: More) {
  const { t } = useTranslation();
  const label = t(open ? 'work.less' : 'work.more');
  if (few) {
    return (
      <Row style={[styles.apart, own.days]}>
        <View style={styles.fill}>
          <DaysTo deadline={few.deadline} />
        </View>
        <IconAction
          icon={open ? 'fold' : 'unfold'}
          label={`${label}: ${row.title}`}
          onPress={onPress}
          open={open}
        />
      </Row>
    );
  }
  if (!pickable(row) && row.kind !== 'unmarked') return null;
  return (
    <View style={own.more}>
      <Quietly label={label} hint={row.title} onPress={onPress} open={open} />
    </View>
  );
}

interface LineProps {
  readonly row: WorkRow;
  /** What teachers have offered about it. */
  readonly offers: readonly WorkOffer[];
  readonly picked: boolean;
  readonly onPick: (on: boolean) => void;
}

/** One work of the list, whatever its state: why it is here, what it does, until when, from where. */
export function WorkLine({ row, offers, picked, onPick }: LineProps) {
  const { t } = useTranslation();
  const looks = useLooks();
  const wide = useWide();
  const [open, setOpen] = useState(false);
  const words = useLineWords(row);
  const { few } = words;
  return (
    <View style={looks.ruled}>
      <Row space={0.5} style={styles.top}>
        {pickable(row) ? (
          <View style={looks.tick}>
            <Tick label={t('work.pick', { title: row.title })} on={picked} onChange={onPick} />
          </View>
        ) : (
          <View style={own.noTick} />
        )}
        <View style={styles.fill}>
          <RowLink bare href={`/courses/${row.studentId}/${row.courseId}/${row.itemId}`} label={words.label}>
            <Row space={1} style={styles.top}>
              <View style={styles.above2}>
                <Frame kind={frameOfRow(row)} needsYou={needsYou(row)} />
              </View>
              <View style={styles.fillClose}>
                <Row space={1} style={styles.apartBase}>
                  <Words size="matter" bold style={styles.shrink}>
                    {row.title}
                  </Words>
                  {words.effect ? <Gain {...words.effect} /> : null}
                </Row>
                {few ? <Few context={words.context} few={few} /> : <All row={row} words={words} />}
              </View>
            </Row>
          </RowLink>
        </View>
      </Row>
      <More row={row} few={few} open={open} onPress={() => setOpen(!open)} />
      {open ? (
        <Details row={row} said={few ? words.reason : ''} lesser={words.lesser} offers={wide ? [] : offers} />
      ) : null}
    </View>
  );
}

const own = StyleSheet.create({
  minutes: { maxWidth: 220 },
  details: { paddingLeft: 32, paddingBottom: 12 },
  noTick: { width: 32 },
  days: { paddingLeft: 63, paddingBottom: 16 },
  more: { paddingLeft: 63, marginTop: -16 },
});

const useLooks = themed((palette, wide) => ({
  ruled: { borderBottomWidth: 1, borderColor: palette.line },
  /** Beside the first line of what leads to it. */
  tick: { marginTop: wide ? 3 : 7 },
}));
