import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { commentSubjects, looseEndKinds, type RuleName, type RuleSettings } from '@cadro/contract';
import { Choice, Slider, Stack, TickLine, Ticks, Words } from '../../ui';
import { useAlertWords } from '../useTold';
import { knobs, level, numberOf, percent, type Knob } from './knobs';

/** What is set of a rule: its switch, a number, a letter, a list. */
export type SetRule = (
  name: RuleName,
  param: string,
  value: boolean | number | string | null | string[],
) => void;

interface RuleRowProps {
  readonly name: RuleName;
  readonly settings: RuleSettings;
  readonly onSet: SetRule;
  /** Letters that a threshold can stand at; none where no course has any. */
  readonly letters: readonly string[];
  /** The scale of the one course it is for. */
  readonly unit?: 'percent' | 'level';
  readonly unrehearsed?: boolean;
}

function KnobSlider({
  knob,
  value,
  name,
  onChange,
}: {
  knob: Knob;
  value: number;
  name: string;
  onChange: (value: number) => void;
}) {
  const { t } = useTranslation();
  const said = knob.said(t, value);
  return (
    <View>
      <Words size="small">{said}</Words>
      <Slider
        label={`${name}: ${said}`}
        value={value}
        least={knob.least}
        most={knob.most}
        step={knob.step}
        said={said}
        onChange={onChange}
      />
    </View>
  );
}

function Threshold({ name, settings, letters, onSet }: RuleRowProps & { name: 'below' | 'if-left' }) {
  const { t } = useTranslation();
  if (letters.length === 0) return null;
  return (
    <Choice
      titled
      label={t('rules.letter')}
      options={[
        { value: '', label: t('rules.noLetter') },
        ...letters.map((value) => ({ value, label: value })),
      ]}
      value={settings[name].letter ?? ''}
      onChange={(value) => onSet(name, 'letter', value === '' ? null : value)}
    />
  );
}

/** One rule: its switch, and while it is on what can be set of it. */
export function RuleRow(props: RuleRowProps) {
  const { name, settings, onSet, unit, unrehearsed } = props;
  const { t } = useTranslation();
  const words = useAlertWords();
  const rule = settings[name];
  const other = unit === 'percent' ? level : unit === 'level' ? percent : null;
  const asked = knobs[name].filter((knob) => knob !== other);
  const title = words.rules[name];
  return (
    <Stack space={0.25}>
      <TickLine label={title} on={rule.on} onChange={(on) => onSet(name, 'on', on)} />
      {rule.on ? (
        <View style={own.settings}>
          {asked.map((knob) => (
            <KnobSlider
              key={knob.param}
              knob={knob}
              name={title}
              value={numberOf(rule, knob)}
              onChange={(value) => onSet(name, knob.param, value)}
            />
          ))}
          {name === 'below' || name === 'if-left' ? <Threshold {...props} name={name} /> : null}
          {name === 'loose-end' ? (
            <Ticks
              label={t('rules.kinds')}
              options={looseEndKinds.map((value) => ({ value, label: t(`kinds.${value}`) }))}
              chosen={settings['loose-end'].kinds}
              onChange={(kinds) => onSet(name, 'kinds', kinds)}
            />
          ) : null}
          {name === 'comment' ? (
            <Ticks
              label={t('rules.subjects')}
              options={commentSubjects.map((value) => ({ value, label: t(`rules.subject.${value}`) }))}
              chosen={settings.comment.subjects}
              onChange={(subjects) => onSet(name, 'subjects', subjects)}
            />
          ) : null}
          {unrehearsed ? (
            <Words size="small" colour="soft">
              {t('rules.unrehearsed')}
            </Words>
          ) : null}
        </View>
      ) : null}
    </Stack>
  );
}

const own = StyleSheet.create({
  settings: { paddingLeft: 36, gap: 4, maxWidth: 440 },
});
