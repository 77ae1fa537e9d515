import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseFigures, CourseGrade, Scale } from '@cadro/contract';
import { useFormat } from '../household';
import { Row, styles, Words } from '../ui';

interface ThreeProps {
  readonly figures: CourseFigures;
  readonly grade: CourseGrade;
  readonly scale: Scale;
}

/** If left, posted, if made up: written out under the span, in its order. */
export function ThreeFigures({ figures, grade, scale }: ThreeProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const say = (value: number | null) => format.figure(value, scale.decimals);
  const { posted, ifLeft, ifMadeUp } = figures;
  const falls = ifLeft !== null && posted !== null && posted - ifLeft > 1e-9;
  const rises = ifLeft !== null && ifMadeUp !== null && ifMadeUp - ifLeft > 1e-9;
  const columns = [
    { key: 'left', value: say(ifLeft), word: t('course.left'), colour: falls ? 'plum' : 'ink' },
    {
      key: 'posted',
      value: format.grade(grade),
      word: [
        t('course.posted', { outOf: scale.outOf }),
        ...(grade.count ? [t('course.ourCount', { grade: format.grade(grade.count) })] : []),
      ].join('\n'),
      colour: 'ink',
    },
    { key: 'madeUp', value: say(ifMadeUp), word: t('course.madeUp'), colour: rises ? 'teal' : 'ink' },
  ] as const;
  return (
    <Row style={styles.top}>
      {columns.map(({ key, value, word, colour }) => (
        <View key={key} style={styles.fill}>
          <Words bold size="title" colour={colour}>
            {value}
          </Words>
          <Words size="small" colour="soft">
            {word}
          </Words>
        </View>
      ))}
    </Row>
  );
}
