import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { wantAspects, type WantAspect, type Wants as WantsData } from '@cadro/contract';
import { Trouble, useChildren, useFormat } from '../household';
import { Action, Field, Heading, Loaded, Quietly, Row, Stack, Words } from '../ui';
import { useSayWantMutation, useWantsQuery } from './api';
import { wayWords } from './wayWords';

type Of = { studentId: string; teacherId: string };

function Say({
  of,
  aspect,
  ours,
  onDone,
}: {
  of: Of;
  aspect: WantAspect;
  ours: WantsData['ours'][number] | undefined;
  onDone: () => void;
}) {
  const { t } = useTranslation();
  const [text, setText] = useState(ours?.text ?? '');
  const [read] = useState(ours?.version ?? 0);
  const [say, { isLoading, error }] = useSayWantMutation();
  const version = ours?.version ?? 0;
  const keep = async () => {
    const { data } = await say({ ...of, aspect, text, version });
    if (data) onDone();
  };
  return (
    <Stack space={0.5}>
      {version !== read && ours ? <Words live>{t('notes.meanwhile', { text: ours.text })}</Words> : null}
      <Field label={t(`wants.aspects.${aspect}`)} value={text} onChange={setText} lines={2} longest={2000} />
      <Trouble error={error} />
      <Row wrap>
        <Action label={t('notes.keep')} busy={isLoading} onPress={() => void keep()} />
        <Quietly label={t('notes.leave')} onPress={onDone} />
      </Row>
    </Stack>
  );
}

function Aspect({ of, aspect, wants }: { of: Of; aspect: WantAspect; wants: WantsData }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const [saying, setSaying] = useState(false);
  const ours = wants.ours.find((each) => each.aspect === aspect);
  const shown = wayWords(t, aspect, wants.ways);
  return (
    <Stack space={0.25}>
      <Words bold>{t(`wants.aspects.${aspect}`)}</Words>
      {shown ? <Words>{shown}</Words> : null}
      {ours && !saying ? (
        <Words>
          {t('wants.ours', { text: ours.text, author: ours.author, when: format.relative(ours.at) })}
        </Words>
      ) : null}
      {!shown && !ours ? <Words colour="soft">{t('wants.unknown')}</Words> : null}
      {saying ? (
        <Say {...{ of, aspect, ours }} onDone={() => setSaying(false)} />
      ) : mayTalk(of.studentId) ? (
        <Quietly
          label={t(ours ? 'wants.change' : 'wants.add')}
          hint={t(`wants.aspects.${aspect}`)}
          onPress={() => setSaying(true)}
        />
      ) : null}
    </Stack>
  );
}

/** What a teacher wants: in their own words, as the record shows it, and as the family has found out. */
export function Wants(of: Of) {
  const { t } = useTranslation();
  const query = useWantsQuery(of);
  return (
    <Loaded query={query}>
      {(wants) => (
        <Stack>
          <Heading level={2}>{t('wants.title', { name: wants.teacher.name })}</Heading>
          {wants.habits ? (
            <Words>{t('wants.habits', { name: wants.teacher.name, words: wants.habits })}</Words>
          ) : null}
          {wantAspects.map((aspect) => (
            <Aspect key={aspect} {...{ of, aspect, wants }} />
          ))}
        </Stack>
      )}
    </Loaded>
  );
}
