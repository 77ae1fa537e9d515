import { useTranslation } from 'react-i18next';
import type { WayIn } from '@cadro/contract';
import { Action, Row, Stack, Words } from '../../ui';

/** The children of a code, as one would name them. */
export const namesOf = ({ children }: Pick<WayIn, 'children'>, list: (names: string[]) => string): string =>
  list(children.map(({ givenName }) => givenName));

/** Whose record the code opens, and as what, to be agreed to or not. */
export function Whose({
  way,
  yes,
  busy,
  onYes,
  onBack,
}: {
  way: WayIn;
  yes: string;
  busy?: boolean;
  onYes: () => void;
  onBack: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Stack space={2}>
      <Stack space={0.5}>
        <Words size="small" colour="soft">
          {t('door.whose')}
        </Words>
        {way.children.map(({ givenName, schoolName }) => (
          <Stack key={`${givenName} ${schoolName}`} space={0}>
            <Words size="title" bold>
              {givenName}
            </Words>
            <Words>{schoolName}</Words>
          </Stack>
        ))}
      </Stack>
      <Stack space={0.5}>
        <Words>{t(`door.as.${way.role}`, { name: way.children[0]?.givenName ?? '' })}</Words>
        {way.invitedBy ? (
          <Words size="small" colour="soft">
            {t('door.by', { name: way.invitedBy })}
          </Words>
        ) : null}
      </Stack>
      <Row wrap>
        <Action main label={yes} onPress={onYes} busy={busy ?? false} />
        <Action label={t('door.no')} onPress={onBack} />
      </Row>
    </Stack>
  );
}
