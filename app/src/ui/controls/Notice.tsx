import type { ReactNode } from 'react';
import { View } from 'react-native';
import { margin } from '../theme/palette';
import { themed } from '../theme/themed';

/** Above a page: what is so for all of it just now. */
export function Notice({ children }: { children: ReactNode }) {
  const looks = useLooks();
  return (
    <View role="status" style={looks.box}>
      {children}
    </View>
  );
}

const useLooks = themed((palette) => ({
  box: {
    gap: 8,
    paddingHorizontal: margin,
    paddingVertical: 10,
    borderBottomWidth: 1,
    borderColor: palette.line,
    backgroundColor: palette.sheet,
  },
}));
