import { useEffect, useState } from 'react';
import { StyleSheet } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Sitdown } from '@cadro/contract';
import { Trouble, useMeQuery } from '../household';
import { Action, Field, Heading, Quietly, Row, Stack, WayOn, Words } from '../ui';
import { Agree } from './Agree';
import { useEndSitdownMutation } from './api';
import { keptOf, type Section } from './compose';
import { SectionView, usePageChange } from './PageView';
import { Timer } from './Timer';
import type { ChildPage } from './usePages';

/** The child's answer to its question, kept when one goes on. */
function Answer({ sitdownId, page, child }: Pick<ChildPage, 'page' | 'child'> & { sitdownId: string }) {
  const { t } = useTranslation();
  const [text, setText] = useState(page.answer ?? '');
  const { now } = usePageChange(sitdownId, page);
  return (
    <Field
      label={t('sitdown.answer', { child: child.givenName })}
      value={text}
      onChange={setText}
      lines={2}
      longest={2000}
      onBlur={() => void (text !== (page.answer ?? '') && now(() => ({ answer: text.trim() || null })))}
    />
  );
}

/** One step: a section of one child's page. */
interface Step {
  readonly of: ChildPage;
  readonly section: Section | null;
}

/** Every section of every child in turn; what is agreed comes last of each. */
const stepsOf = (pages: readonly ChildPage[]): Step[] =>
  pages.flatMap((of) => [...of.sections.map((section) => ({ of, section })), { of, section: null }]);

/** Arrow keys go back and on, outside of what is being written. */
function useKeys(go: (by: number) => void) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const writing = event.target instanceof HTMLElement && event.target.closest('input, textarea');
      if (writing || event.altKey || event.ctrlKey || event.metaKey) return;
      if (event.key === 'ArrowRight') go(1);
      if (event.key === 'ArrowLeft') go(-1);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [go]);
}

/** At which step each sit-down was left: who comes back from another place goes on there. */
const left = new Map<string, number>();

function useStep(sitdownId: string, count: number) {
  const [at, setAt] = useState(left.get(sitdownId) ?? 0);
  const place = Math.min(at, count - 1);
  const go = (by: number) => {
    const next = Math.min(count - 1, Math.max(0, place + by));
    left.set(sitdownId, next);
    setAt(next);
  };
  return { place, go };
}

/** The half hour itself: step by step, with the time that is left. */
export function Sitting({ sitdown, pages }: { sitdown: Sitdown; pages: readonly ChildPage[] }) {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const [end, { isLoading, error }] = useEndSitdownMutation();
  const steps = stepsOf(pages);
  const { place, go } = useStep(sitdown.id, steps.length);
  useKeys(go);
  const step = steps[place];
  if (!step) return null;
  const { child, page } = step.of;
  const isLast = place === steps.length - 1;
  const finish = () =>
    void end({
      sitdownId: sitdown.id,
      pages: pages.map((of) => ({ studentId: of.child.id, sections: keptOf(of.sections) })),
    });
  return (
    <Stack space={3} style={own.readable}>
      <Row wrap space={2}>
        <Words size="small" colour="soft">
          {t('sitdown.step', { at: place + 1, of: steps.length })}
        </Words>
        {sitdown.startedAt && me ? <Timer startedAt={sitdown.startedAt} now={me.now} /> : null}
      </Row>
      <Heading level={2}>{child.givenName}</Heading>
      {step.section ? (
        <SectionView sitdownId={sitdown.id} page={page} section={step.section} />
      ) : (
        <Agree sitdownId={sitdown.id} page={page} child={child} />
      )}
      {step.section?.section === 'week' ? (
        <WayOn label={t('sitdown.evenings')} href={`/work/plan?child=${child.id}`} />
      ) : null}
      {step.section?.section === 'question' ? (
        <Answer key={child.id} sitdownId={sitdown.id} page={page} child={child} />
      ) : null}
      <Row wrap space={2}>
        {isLast ? null : <Action main label={t('sitdown.next')} onPress={() => go(1)} />}
        {place > 0 ? <Quietly label={t('sitdown.back')} onPress={() => go(-1)} /> : null}
        <Action
          {...(isLast ? { main: true } : {})}
          label={t('sitdown.end')}
          busy={isLoading}
          onPress={finish}
        />
      </Row>
      <Trouble error={error} />
    </Stack>
  );
}

const own = StyleSheet.create({ readable: { maxWidth: 720 } });
