import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { sitdownSections, type SitdownPage, type SitdownSection } from '@cadro/contract';
import { freshId } from '../followups';
import { Trouble } from '../household';
import { useTurns } from '../store';
import { Action, Choice, Field, Heading, Quietly, Row, Stack, styles, Words } from '../ui';
import { newestPage, useChangePageMutation } from './api';
import { movedUp, type Section } from './compose';

type Changed = Partial<Pick<SitdownPage, 'hidden' | 'own' | 'order' | 'question' | 'answer' | 'agreed'>>;

/** Changes a page; whether that went well. */
export function usePageChange(sitdownId: string, page: SitdownPage) {
  const { studentId } = page;
  const [change, state] = useChangePageMutation();
  const now = useTurns<SitdownPage, Changed>(
    `${sitdownId} ${studentId}`,
    (known) => newestPage(known, sitdownId, page),
    (changed) => change({ sitdownId, studentId, change: changed }),
  );
  return { now, ...state };
}

/** A section of a page; while it can be changed each of its lines can be left out. */
export function SectionView({
  sitdownId,
  page,
  section,
  editing = false,
}: {
  sitdownId: string;
  page: SitdownPage;
  section: Section;
  editing?: boolean;
}) {
  const { t } = useTranslation();
  const { now } = usePageChange(sitdownId, page);
  const leaveOut = (id: string, own: boolean) =>
    void now((newest) =>
      own ? { own: newest.own.filter((line) => line.id !== id) } : { hidden: [...newest.hidden, id] },
    );
  return (
    <Stack space={0.5}>
      <Heading level={3}>{t(`sitdown.sections.${section.section}`)}</Heading>
      <View role="list" aria-label={t(`sitdown.sections.${section.section}`)} style={styles.gap8}>
        {section.lines.map(({ id, text, detail, own }, at) => (
          <View key={id} role="listitem">
            <Words size={section.section === 'question' ? 'matter' : 'text'}>{text}</Words>
            {detail ? (
              <Words size="small" colour="soft">
                {detail}
              </Words>
            ) : null}
            {editing && section.section !== 'question' ? (
              <Row space={2} wrap>
                {at > 0 ? (
                  <Quietly
                    label={t('sitdown.moveUp')}
                    hint={text}
                    onPress={() => void now(({ order }) => ({ order: movedUp(order, section, id) }))}
                  />
                ) : null}
                <Quietly
                  label={t('sitdown.leaveOut')}
                  hint={text}
                  onPress={() => leaveOut(id, Boolean(own))}
                />
              </Row>
            ) : null}
          </View>
        ))}
      </View>
    </Stack>
  );
}

/** Asks something else than Cadro would. */
function OwnQuestion({ sitdownId, page }: { sitdownId: string; page: SitdownPage }) {
  const { t } = useTranslation();
  const [text, setText] = useState(page.question ?? '');
  const { now, isLoading } = usePageChange(sitdownId, page);
  return (
    <Stack space={0.5}>
      <Field label={t('sitdown.ownQuestion')} value={text} onChange={setText} longest={500} />
      <Row wrap>
        <Action
          label={t('sitdown.askThis')}
          busy={isLoading}
          disabled={!text.trim()}
          onPress={() => void now(() => ({ question: text.trim() }))}
        />
        {page.question ? (
          <Quietly label={t('sitdown.askCadros')} onPress={() => void now(() => ({ question: null }))} />
        ) : null}
      </Row>
    </Stack>
  );
}

const addable = sitdownSections.filter((section) => section !== 'question' && section !== 'agreed');

/** Adds a line in the family's own words. */
function OwnLine({ sitdownId, page }: { sitdownId: string; page: SitdownPage }) {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  const [section, setSection] = useState<SitdownSection>('things');
  const { now, isLoading, error } = usePageChange(sitdownId, page);
  const add = async () => {
    const added = await now(({ own }) => ({
      own: [...own, { id: freshId(own, 'own-'), section, text: text.trim() }],
    }));
    if (added) setText('');
  };
  return (
    <Stack space={0.5}>
      <Field label={t('sitdown.addLine')} value={text} onChange={setText} longest={500} />
      {text.trim() ? (
        <Choice
          titled
          label={t('sitdown.where')}
          options={addable.map((value) => ({ value, label: t(`sitdown.sections.${value}`) }))}
          value={section}
          onChange={setSection}
        />
      ) : null}
      <Trouble error={error} />
      <Action label={t('sitdown.add')} busy={isLoading} disabled={!text.trim()} onPress={() => void add()} />
    </Stack>
  );
}

/** What can be changed of a page: lines left out, lines added, another question. */
export function EditPage({ sitdownId, page }: { sitdownId: string; page: SitdownPage }) {
  const { t } = useTranslation();
  const { now } = usePageChange(sitdownId, page);
  return (
    <Stack>
      <OwnQuestion sitdownId={sitdownId} page={page} />
      <OwnLine sitdownId={sitdownId} page={page} />
      {page.hidden.length > 0 ? (
        <Quietly
          label={t('sitdown.bringBack', { count: page.hidden.length })}
          onPress={() => void now(() => ({ hidden: [] }))}
        />
      ) : null}
    </Stack>
  );
}
