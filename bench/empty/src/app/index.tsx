import { Button, Input } from '@rneui/themed';
import { Text, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import Svg, { Path } from 'react-native-svg';
import { useNothingQuery } from './_layout';

export default function Hello() {
  const { t } = useTranslation();
  const { isSuccess } = useNothingQuery();
  return (
    <View>
      <Text>{t('hello')}</Text>
      <Input label={t('hello')} disabled={!isSuccess} />
      <Button title={t('hello')} />
      <Svg width={10} height={10}>
        <Path d="M0 0L10 10" />
      </Svg>
    </View>
  );
}
