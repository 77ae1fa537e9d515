import { Button, Input } from '@rneui/themed';
import { Link, type Href } from 'expo-router';
import { useId, type ReactNode } from 'react';
import { StyleSheet, Pressable, View, type TextStyle, type ViewStyle } from 'react-native';
import { themed } from '../theme/themed';
import { styles } from '../theme/styles';
import { font, gap, sizes, touch, type Palette } from '../theme/palette';
import { usePalette } from '../theme/Theme';
import { Words } from '../Words';
import { radioKeys } from './groupKeys';

interface ActionProps {
  readonly label: string;
  /** What it is about, for who hears it alone. */
  readonly hint?: string;
  readonly onPress: () => void;
  /** The one next step is dark; every other is drawn. */
  readonly main?: boolean;
  readonly busy?: boolean;
  readonly disabled?: boolean;
  /** Of what it opens and folds. */
  readonly open?: boolean;
}

export function Action({ label, hint, onPress, main, busy, disabled, open }: ActionProps) {
  const looks = useLooks();
  const palette = usePalette();
  return (
    <Button
      title={label}
      // While it is busy it shows none of its words.
      {...(hint || busy ? { accessibilityLabel: hint ? `${label}: ${hint}` : label } : {})}
      {...(open === undefined ? {} : { 'aria-expanded': open })}
      onPress={onPress}
      disabled={(disabled ?? false) || (busy ?? false)}
      loading={busy ?? false}
      type={main ? 'solid' : 'outline'}
      color={palette.ink}
      titleStyle={main ? looks.onInk : looks.ink}
      loadingProps={{ color: main ? palette.paper : palette.ink, 'aria-hidden': true }}
      disabledStyle={looks.disabled}
      disabledTitleStyle={looks.soft}
      buttonStyle={main ? { backgroundColor: palette.ink } : { borderColor: palette.ink, borderWidth: 1 }}
      containerStyle={styles.ownWidth}
    />
  );
}

/** An underlined link of full height, which takes no more room than its line needs. */
export const quietLink = (palette: Palette): TextStyle => ({
  fontFamily: font,
  color: palette.ink,
  fontWeight: '600',
  textDecorationLine: 'underline',
  paddingVertical: 10,
  marginVertical: -6,
  ...sizes.text,
});

/** A quiet way on, inside the app. */
export function WayOn({ label, href, small }: { label: string; href: Href; small?: boolean }) {
  const palette = usePalette();
  return (
    <Link href={href} style={[quietLink(palette), small && own.small]}>
      {label}
    </Link>
  );
}

/** As a dark or drawn button, but an address one can open in a new window. */
export function LinkAction({ label, href, main }: { label: string; href: Href; main?: boolean }) {
  const looks = useLooks();
  return (
    <Link href={href} style={[looks.action, main && looks.mainAction]}>
      {label}
    </Link>
  );
}

/** The open row of a list beside its detail: a sheet with a plum edge that leaves the text where it was. */
export const selectedRow = (palette: Palette): ViewStyle => ({
  backgroundColor: palette.sheet,
  borderLeftWidth: 3,
  borderLeftColor: palette.plum,
  marginHorizontal: -12,
  paddingLeft: 9,
  paddingRight: 12,
});

/** A whole row that leads somewhere. */
export function RowLink({
  href,
  label,
  children,
  selected,
  bare,
}: {
  href: Href;
  label: string;
  children: ReactNode;
  selected?: boolean;
  /** Its line is drawn by what holds it. */
  bare?: boolean;
}) {
  const looks = useLooks();
  const palette = usePalette();
  return (
    <Link href={href} asChild>
      <Pressable
        role="link"
        aria-label={label}
        {...(selected ? { 'aria-current': 'page' as const } : {})}
        style={StyleSheet.flatten([looks.row, !bare && looks.ruled, selected && selectedRow(palette)])}
      >
        {children}
      </Pressable>
    </Link>
  );
}

/** What a device may fill in by itself, and what it shows to type it with. */
const fieldKinds = {
  text: { autoComplete: 'off', inputMode: 'text' },
  name: { autoComplete: 'name', inputMode: 'text' },
  email: { autoComplete: 'email', inputMode: 'email' },
  password: { autoComplete: 'current-password', inputMode: 'text' },
  newPassword: { autoComplete: 'new-password', inputMode: 'text' },
  number: { autoComplete: 'off', inputMode: 'decimal' },
  oneTime: { autoComplete: 'one-time-code', inputMode: 'text' },
} as const;
export type FieldKind = keyof typeof fieldKinds;

interface FieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly error?: string | null;
  readonly hint?: string;
  readonly lines?: number;
  readonly kind?: FieldKind;
  /** A password that is shown while it is typed. */
  readonly shown?: boolean;
  readonly onSubmit?: () => void;
  /** One has gone on to something else. */
  readonly onBlur?: () => void;
  readonly longest?: number;
  /** The label is said and not shown. */
  readonly hidden?: boolean;
  /** What the page is for: one can type at once. */
  readonly first?: boolean;
}

export function Field({
  label,
  value,
  onChange,
  error,
  hint,
  lines,
  kind = 'text',
  onSubmit,
  onBlur,
  longest,
  hidden,
  shown,
  first,
}: FieldProps) {
  const id = useId();
  const secret = kind === 'password' || kind === 'newPassword';
  return (
    <View style={styles.gap4}>
      {hidden ? null : (
        <Words size="small" bold>
          {label}
        </Words>
      )}
      {hint ? (
        <Words size="small" colour="soft">
          {hint}
        </Words>
      ) : null}
      <Input
        id={id}
        aria-label={label}
        {...(first ? { autoFocus: true } : {})}
        {...(error ? { 'aria-invalid': true, 'aria-describedby': `${id}error` } : {})}
        value={value}
        onChangeText={onChange}
        multiline={lines !== undefined}
        {...(lines ? { numberOfLines: lines } : {})}
        {...(longest ? { maxLength: longest } : {})}
        secureTextEntry={secret && !shown}
        autoCapitalize={kind === 'text' ? 'sentences' : kind === 'name' ? 'words' : 'none'}
        autoComplete={fieldKinds[kind].autoComplete}
        inputMode={fieldKinds[kind].inputMode}
        onSubmitEditing={() => onSubmit?.()}
        onBlur={() => onBlur?.()}
        errorMessage={error ?? ''}
        errorProps={{ id: `${id}error` }}
        renderErrorMessage={Boolean(error)}
        inputStyle={lines ? { paddingVertical: 10, textAlignVertical: 'top' } : {}}
      />
    </View>
  );
}

interface ChoiceProps<V extends string> {
  readonly label: string;
  /** Whether the label stands above; otherwise only a screen reader says it. */
  readonly titled?: boolean;
  readonly options: readonly { readonly value: V; readonly label: string }[];
  readonly value: V;
  readonly onChange: (value: V) => void;
}

/** One of a few, all in sight; the chosen one is filled and says so. */
export function Choice<V extends string>({ label, titled, options, value, onChange }: ChoiceProps<V>) {
  const looks = useLooks();
  const keys = {
    count: options.length,
    chosen: options.findIndex((option) => option.value === value),
    choose: (at: number) => options[at] && onChange(options[at].value),
  };
  const group = (
    <View role="radiogroup" aria-label={label} style={own.options}>
      {options.map((option, at) => {
        const chosen = option.value === value;
        return (
          <Pressable
            key={option.value}
            role="radio"
            aria-checked={chosen}
            onPress={() => onChange(option.value)}
            {...radioKeys(at, keys)}
            style={[looks.option, chosen && looks.chosen]}
          >
            <Words size="small" bold={chosen} colour={chosen ? 'paper' : 'ink'}>
              {option.label}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
  if (!titled) return group;
  return (
    <View style={styles.gap4}>
      <Words size="small" bold>
        {label}
      </Words>
      {group}
    </View>
  );
}

const own = StyleSheet.create({
  options: { flexDirection: 'row', flexWrap: 'wrap', gap },
  small: { ...sizes.small, paddingVertical: 12, marginVertical: -10, fontWeight: '400' },
});

const useLooks = themed((palette, wide) => ({
  onInk: { color: palette.paper },
  ink: { color: palette.ink },
  disabled: { backgroundColor: 'transparent', borderColor: palette.line, borderWidth: 1 },
  soft: { color: palette.soft },
  action: {
    fontFamily: font,
    fontWeight: '600',
    ...sizes.text,
    color: palette.ink,
    borderWidth: 1,
    borderColor: palette.ink,
    borderRadius: 6,
    paddingHorizontal: 16,
    paddingVertical: 9,
    alignSelf: 'flex-start',
  },
  mainAction: { color: palette.paper, backgroundColor: palette.ink },
  row: { minHeight: touch, paddingVertical: wide ? 12 : 16 },
  ruled: { borderBottomWidth: 1, borderColor: palette.line },
  option: {
    minHeight: touch,
    justifyContent: 'center',
    paddingHorizontal: 14,
    borderRadius: 6,
    borderWidth: 1,
    borderColor: palette.soft,
  },
  chosen: { borderColor: palette.ink, backgroundColor: palette.ink },
}));
