import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { askedAnswers, type WorkRow } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { Choice, Field, Frame, Quietly, Row, RowLink, Stack, Tick, WayOn, Words, usePalette } from '../../ui';
import { useAskedMutation, useEffortMutation } from '../api';
import {
  bothWords,
  effectWords,
  frameOfRow,
  reasonWords,
  sourceLine,
  stakeWords,
  untilWords,
} from './rowWords';

const pickable = (row: WorkRow): boolean =>
  row.group === 'coming' || row.group === 'undated' || row.group === 'loose';

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
    <View style={{ maxWidth: 220 }} onBlur={save}>
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

function Details({ row }: { row: WorkRow }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const { studentId, courseId, itemId, followUpId } = row;
  const source = sourceLine(t, format, row);
  return (
    <Stack space={1.5} style={{ paddingLeft: 32, paddingBottom: 12 }}>
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
  const format = useFormat();
  const palette = usePalette();
  const { nameOf, all } = useChildren();
  const [open, setOpen] = useState(false);
  const effect = effectWords(t, format, row);
  const reason = reasonWords(t, format, row);
  const until = untilWords(t, format, row);
  const context = [...(all.length > 1 ? [nameOf(row.studentId)] : []), row.courseTitle].join(' · ');
  const needsYou = row.group === 'loose' && row.recoverable;
  const lesser = [
    stakeWords(t, format, row),
    row.group === 'coming' && row.early ? t('work.early') : '',
    row.supplies.length > 0 && row.group !== 'settled'
      ? t('work.supplies', { list: format.list(row.supplies) })
      : '',
    row.group === 'settled' || row.group === 'excused' || row.group === 'waiting'
      ? ''
      : t(row.effort.told ? 'work.minutesTold' : 'work.minutes', { count: row.effort.minutes }),
    row.followUpId ? t('work.inHand') : '',
  ].filter(Boolean);
  const settled =
    row.group === 'settled' && row.was
      ? t(`item.was.${row.was}`, {
          now:
            row.said.earned === null
              ? t(`item.states.${row.said.status}`)
              : t('item.score', {
                  earned: format.amount(row.said.earned),
                  possible: format.amount(row.possible),
                }),
        })
      : '';
  const shown = [reason, until, settled].filter(Boolean);
  return (
    <View style={{ borderBottomWidth: 1, borderColor: palette.line }}>
      <Row space={0.5} style={{ alignItems: 'flex-start' }}>
        {pickable(row) ? (
          <Tick label={t('work.pick', { title: row.title })} on={picked} onChange={onPick} />
        ) : (
          <View style={{ width: 32 }} />
        )}
        <View style={{ flex: 1 }}>
          <RowLink
            bare
            href={`/courses/${row.studentId}/${row.courseId}/${row.itemId}`}
            label={[row.title, context, ...shown, effect ? `${effect.figure} ${effect.unit}` : '']
              .filter(Boolean)
              .map((part) => part.replace(/\.$/, ''))
              .join('. ')}
          >
            <Row space={1} style={{ alignItems: 'flex-start' }}>
              <View style={{ paddingTop: 2 }}>
                <Frame kind={frameOfRow(row)} needsYou={needsYou} />
              </View>
              <View style={{ flex: 1, gap: 2 }}>
                <Words size="matter" bold>
                  {row.title}
                </Words>
                <Words size="small" colour="soft">
                  {context}
                </Words>
                {reason ? <Words size="small">{reason}</Words> : null}
                {settled ? <Words size="small">{settled}</Words> : null}
                {bothWords(t, format, row).map((line) => (
                  <Words key={line} size="small" bold>
                    {line}
                  </Words>
                ))}
                {until ? (
                  <Words size="small" colour={needsYou ? 'plum' : 'soft'}>
                    {until}
                  </Words>
                ) : null}
                {lesser.length > 0 ? (
                  <Words size="small" colour="soft">
                    {lesser.join(' · ')}
                  </Words>
                ) : null}
              </View>
              {effect ? (
                <View style={{ alignItems: 'flex-end' }}>
                  <Words size="matter" bold colour="teal">
                    {effect.figure}
                  </Words>
                  <Words size="small" colour="soft">
                    {effect.unit}
                  </Words>
                </View>
              ) : null}
            </Row>
          </RowLink>
        </View>
      </Row>
      {pickable(row) || row.kind === 'unmarked' ? (
        <View style={{ paddingLeft: 60, marginTop: -16 }}>
          <Quietly
            label={t(open ? 'work.less' : 'work.more')}
            hint={row.title}
            onPress={() => setOpen(!open)}
          />
        </View>
      ) : null}
      {open ? <Details row={row} /> : null}
    </View>
  );
}
