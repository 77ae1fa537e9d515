import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { ruleNamed, ruleTitle, type Knob, type RuleName, type RuleSettings } from '@cadro/core';
import { Choice, Slider, Stack, TickLine, Ticks, Words } from '../../ui';
import { useLanguage } from '../useTold';
import { chosenOf, knobSaid, letterOf, numberOf } from './knobs';

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
  const said = knobSaid(t, knob, value);
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

function Threshold({ name, settings, letters, onSet }: RuleRowProps) {
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
      value={letterOf(settings[name]) ?? ''}
      onChange={(value) => onSet(name, 'letter', value === '' ? null : value)}
    />
  );
}

/** What of a list counts for the rule. */
function Choices({ name, settings, onSet }: RuleRowProps) {
  const { t } = useTranslation();
  const choices = ruleNamed(name)?.page.choices;
  if (!choices) return null;
  const { param, said } = choices;
  const options =
    choices.said === 'kinds'
      ? choices.from.map((value) => ({ value, label: t(`kinds.${value}`) }))
      : choices.from.map((value) => ({ value, label: t(`rules.subject.${value}`) }));
  return (
    <Ticks
      label={t(`rules.${said}`)}
      options={options}
      chosen={chosenOf(settings[name], param)}
      onChange={(chosen) => onSet(name, param, chosen)}
    />
  );
}

/** One rule: its switch, and while it is on what can be set of it. */
export function RuleRow(props: RuleRowProps) {
  const { name, settings, onSet, unit, unrehearsed } = props;
  const { t } = useTranslation();
  const language = useLanguage();
  const rule = settings[name];
  const page = ruleNamed(name)?.page;
  // A course is told in percent or in levels: the other has no meaning there.
  const other = unit === 'percent' ? 'level' : unit === 'level' ? 'percent' : null;
  const title = ruleTitle(language, name);
  return (
    <Stack space={0.25}>
      <TickLine label={title} on={rule.on} onChange={(on) => onSet(name, 'on', on)} />
      {rule.on ? (
        <View style={own.settings}>
          {(page?.knobs ?? [])
            .filter(({ said }) => said !== other)
            .map((knob) => (
              <KnobSlider
                key={knob.param}
                knob={knob}
                name={title}
                value={numberOf(rule, knob)}
                onChange={(value) => onSet(name, knob.param, value)}
              />
            ))}
          {page?.letter ? <Threshold {...props} /> : null}
          <Choices {...props} />
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
