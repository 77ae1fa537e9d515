import { useRef, useState, type ReactNode, type RefObject } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { Row } from '../Layout';
import { styles } from '../theme/styles';
import { usePalette } from '../theme/Theme';
import { pngOf, svgOf } from './picture';
import { Quietly } from './Quietly';
import { fileName, saveAddress, saveFile } from './saveFile';

/** Whether the browser hands files to other programs of the device. */
const canShare = (): boolean =>
  'canShare' in navigator && navigator.canShare({ files: [new File([], 'a.png', { type: 'image/png' })] });

/** The ways to keep what is drawn in a frame, as lines or as a picture. @param name what the file is called after. */
export function WaysToKeep({ name, frame }: { name: string; frame: RefObject<View | null> }) {
  const { t } = useTranslation();
  const { paper } = usePalette();
  const [open, setOpen] = useState(false);
  const drawn = () => {
    const element: unknown = frame.current;
    const svg = element instanceof HTMLElement ? element.querySelector('svg') : null;
    return svg ? svgOf(svg, paper) : null;
  };
  const keepLines = () => {
    const svg = drawn();
    if (svg) saveFile(fileName(name, 'svg'), 'image/svg+xml', svg.text);
  };
  const keepPicture = async () => {
    const svg = drawn();
    if (svg) saveAddress(fileName(name, 'png'), URL.createObjectURL(await pngOf(svg)));
  };
  const share = async () => {
    const svg = drawn();
    if (!svg) return;
    const file = new File([await pngOf(svg)], fileName(name, 'png'), { type: 'image/png' });
    // Who thinks better of it has not failed.
    await navigator.share({ title: name, files: [file] }).catch(() => undefined);
  };
  return (
    <View>
      <Quietly label={t('save.keep')} hint={name} open={open} onPress={() => setOpen(!open)} />
      {open ? (
        <Row wrap style={styles.spread}>
          <Quietly label={t('save.png')} hint={name} onPress={() => void keepPicture()} />
          {canShare() ? <Quietly label={t('save.share')} hint={name} onPress={() => void share()} /> : null}
          <Quietly label={t('save.svg')} hint={name} onPress={keepLines} />
        </Row>
      ) : null}
    </View>
  );
}

/** A drawing with the ways to keep it below. */
export function KeepPicture({ name, children }: { name: string; children: ReactNode }) {
  const frame = useRef<View>(null);
  return (
    <View>
      <View ref={frame}>{children}</View>
      <WaysToKeep name={name} frame={frame} />
    </View>
  );
}
