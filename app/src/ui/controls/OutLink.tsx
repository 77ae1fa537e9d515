import { Text } from 'react-native';
import { useTranslation } from 'react-i18next';
import { usePalette } from '../theme/Theme';
import { quietLink } from './Controls';

/** A link that leaves the app: a file, a printed page, the school's own pages. Opens beside it. */
export function OutLink({ label, href }: { label: string; href: string }) {
  const { t } = useTranslation();
  const palette = usePalette();
  return (
    <Text
      role="link"
      aria-label={t('save.outside', { label })}
      // The web target makes an anchor of a text with an address.
      {...{ href, hrefAttrs: { target: 'blank', rel: 'noopener noreferrer' } }}
      style={quietLink(palette)}
    >
      {label}
    </Text>
  );
}
