import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { askedAnswers, type WorkRow } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import {
  Choice,
  Field,
  Frame,
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
  effectWords,
  frameOfRow,
  lesserWords,
  reasonWords,
  settledWords,
  sourceLine,
  untilWords,
} from './rowWords';

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

function Details({ row, lesser }: { row: WorkRow; lesser: string }) {
  const { t } = useTranslation();
  const wide = useWide();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const { studentId, courseId, itemId, followUpId } = row;
  const source = sourceLine(t, format, row);
  return (
    <Stack space={1.5} style={own.details}>
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
  const { context, reason, until, settled, both, lesser } = words;
  const gain = effect ? `${effect.figure} ${effect.unit}` : '';
  const label = [row.title, context, reason, until, settled, ...both, gain, lesser]
    .filter(Boolean)
    .map((part) => part.replace(/\.$/, ''))
    .join('. ');
  return { ...words, label };
}

function Sentences({ row, words }: { row: WorkRow; words: ReturnType<typeof useLineWords> }) {
  const { context, reason, settled, both, until, lesser, effect } = words;
  const wide = useWide();
  return (
    <View style={styles.fillClose}>
      <Row space={1} style={styles.apartBase}>
        <Words size="matter" bold style={styles.shrink}>
          {row.title}
        </Words>
        {effect ? <Effect {...effect} /> : null}
      </Row>
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
    </View>
  );
}

/** What it brings or costs, beside the title. */
function Effect({ figure, unit }: { figure: string; unit: string }) {
  return (
    <Row space={0.5} style={styles.base}>
      <Words size="matter" bold colour="teal">
        {figure}
      </Words>
      <Words size="small" colour="soft">
        {unit}
      </Words>
    </Row>
  );
}

/** One work of the list, whatever its state: why it is here, what it does, until when, from where. */
export function WorkLine({
  row,
  picked,
  onPick,
}: {
  row: WorkRow;
  picked: boolean;
  onPick: (on: boolean) => void;
}) {
  const { t } = useTranslation();
  const looks = useLooks();
  const [open, setOpen] = useState(false);
  const words = useLineWords(row);
  return (
    <View style={looks.ruled}>
      <Row space={0.5} style={styles.top}>
        {pickable(row) ? (
          <Tick label={t('work.pick', { title: row.title })} on={picked} onChange={onPick} />
        ) : (
          <View style={own.noTick} />
        )}
        <View style={styles.fill}>
          <RowLink bare href={`/courses/${row.studentId}/${row.courseId}/${row.itemId}`} label={words.label}>
            <Row space={1} style={styles.top}>
              <View style={styles.above2}>
                <Frame kind={frameOfRow(row)} needsYou={needsYou(row)} />
              </View>
              <Sentences row={row} words={words} />
            </Row>
          </RowLink>
        </View>
      </Row>
      {pickable(row) || row.kind === 'unmarked' ? (
        <View style={own.more}>
          <Quietly
            label={t(open ? 'work.less' : 'work.more')}
            hint={row.title}
            onPress={() => setOpen(!open)}
            open={open}
          />
        </View>
      ) : null}
      {open ? <Details row={row} lesser={words.lesser} /> : null}
    </View>
  );
}

const own = StyleSheet.create({
  minutes: { maxWidth: 220 },
  details: { paddingLeft: 32, paddingBottom: 12 },
  noTick: { width: 32 },
  more: { paddingLeft: 63, marginTop: -16 },
});

const useLooks = themed((palette) => ({
  ruled: { borderBottomWidth: 1, borderColor: palette.line },
}));
