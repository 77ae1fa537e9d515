import { StyleSheet, Pressable, ScrollView } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useMeQuery } from '../household';
import { childChosen, useAppDispatch, useAppSelector } from '../store';
import { radioKeys, themed, touch, Words } from '../ui';

/** Everyone, or one child; kept from place to place and from day to day. */
export function ChildSwitch() {
  const { t } = useTranslation();
  const looks = useLooks();
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const chosen = useAppSelector((state) => state.prefs.childId);
  const children = me?.children ?? [];
  if (children.length < 2) return null;
  const known = children.some(({ id }) => id === chosen) ? chosen : null;
  const options = [
    { id: null, name: t('shell.everyone') },
    ...children.map(({ id, givenName }) => ({ id, name: givenName })),
  ];
  const keys = {
    count: options.length,
    chosen: options.findIndex(({ id }) => id === known),
    choose: (at: number) => dispatch(childChosen(options[at]?.id ?? null)),
  };
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      style={own.switch}
      role="radiogroup"
      aria-label={t('shell.children')}
    >
      {options.map(({ id, name }, at) => (
        <Pressable
          key={id ?? 'everyone'}
          role="radio"
          aria-checked={known === id}
          onPress={() => dispatch(childChosen(id))}
          {...radioKeys(at, keys)}
          style={[looks.child, known === id && looks.chosen]}
        >
          <Words bold={known === id} colour={known === id ? 'ink' : 'soft'}>
            {name}
          </Words>
        </Pressable>
      ))}
    </ScrollView>
  );
}

const own = StyleSheet.create({
  switch: { flexShrink: 1, flexGrow: 0 },
});

const useLooks = themed((palette) => ({
  child: {
    minHeight: touch,
    justifyContent: 'center',
    paddingHorizontal: 6,
    paddingBottom: 3,
  },
  chosen: { borderBottomWidth: 3, paddingBottom: 0, borderColor: palette.ink },
}));
