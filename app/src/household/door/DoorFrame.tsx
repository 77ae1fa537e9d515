import type { ReactNode } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { useTranslation } from 'react-i18next';
import { languages } from '@cadro/contract';
import { languageNames } from '../../i18n';
import { chosenAtTheDoor, languageChosen, useAppDispatch, useAppSelector } from '../../store';
import { Choice, Heading, Mark, Row, Stack, themed, Words } from '../../ui';

/** A page outside: who it is, in which language, and one thing to do. */
export function DoorFrame({
  title,
  lead,
  children,
}: {
  title: string;
  lead?: string | undefined;
  children: ReactNode;
}) {
  const { t } = useTranslation();
  const looks = useLooks();
  const dispatch = useAppDispatch();
  const language = useAppSelector((state) => state.prefs.language);
  return (
    <ScrollView role="main" style={looks.page} contentContainerStyle={own.door}>
      <Stack space={3}>
        <Row space={1.5} wrap>
          <Mark size={36} />
          <Words size="title" bold style={own.name}>
            Cadro
          </Words>
          <Choice
            label={t('signIn.language')}
            options={languages.map((value) => ({ value, label: languageNames[value] }))}
            value={language}
            onChange={(value) => {
              dispatch(languageChosen(value));
              dispatch(chosenAtTheDoor(value));
            }}
          />
        </Row>
        <Stack>
          <Heading level={1}>{title}</Heading>
          {lead ? <Words colour="soft">{lead}</Words> : null}
        </Stack>
        {children}
      </Stack>
    </ScrollView>
  );
}

const own = StyleSheet.create({
  door: { padding: 24, paddingTop: 32, maxWidth: 460, width: '100%', alignSelf: 'center' },
  name: { flex: 1 },
});

const useLooks = themed((palette) => ({
  page: { flex: 1, backgroundColor: palette.paper },
}));
