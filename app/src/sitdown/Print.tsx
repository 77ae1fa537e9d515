import { useTranslation } from 'react-i18next';
import type { PaperPages } from '@cadro/contract';
import { Trouble } from '../household';
import { fileName, Quietly, Row, saveAddress, Stack } from '../ui';
import { useSitdownPaperMutation } from './api';
import { keptOf, type Section } from './compose';

interface Printable {
  readonly name: string;
  readonly sections: readonly Section[];
  /** What was agreed at this one. */
  readonly agreed: readonly string[];
}

/** What is ticked off by hand at the fridge. */
const ticked: ReadonlySet<Section['section']> = new Set(['things', 'week', 'bring']);

/** The pages as PDF: everybody's, or one child's alone, on which nothing of the others stands. */
export function Print({ title, pages }: { title: string; pages: readonly Printable[] }) {
  const { t } = useTranslation();
  const [make, { error }] = useSitdownPaperMutation();
  const bodyOf = (chosen: readonly Printable[]): PaperPages => ({
    title,
    pages: chosen.map(({ name, sections, agreed }) => ({
      name,
      sections: [
        ...keptOf(sections).map(({ section, lines }) => ({
          ...{ title: t(`sitdown.sections.${section}`), ticks: ticked.has(section), lines: [...lines] },
        })),
        ...(agreed.length > 0 ? [{ title: t('agreement.weAgreed'), ticks: true, lines: [...agreed] }] : []),
      ],
    })),
  });
  const print = async (chosen: readonly Printable[]) => {
    const { data } = await make(bodyOf(chosen));
    if (data)
      saveAddress(fileName(`${title} ${chosen.length === 1 ? (chosen[0]?.name ?? '') : ''}`, 'pdf'), data);
  };
  return (
    <Stack space={0.5}>
      <Row wrap space={2}>
        <Quietly label={t('sitdown.print')} onPress={() => void print(pages)} />
        {pages.length > 1
          ? pages.map((page) => (
              <Quietly
                key={page.name}
                label={t('sitdown.printOne', { child: page.name })}
                onPress={() => void print([page])}
              />
            ))
          : null}
      </Row>
      <Trouble error={error} />
    </Stack>
  );
}
