import { Children, isValidElement, type ReactNode } from 'react';
import { View, type StyleProp, type ViewStyle } from 'react-native';

/** Several of a kind below one another, each said to be one of so many. */
export function List({
  children,
  label,
  style,
}: {
  children: ReactNode;
  label?: string;
  style?: StyleProp<ViewStyle>;
}) {
  const lines = Children.toArray(children);
  if (lines.length === 0) return null;
  return (
    <View role="list" {...(label ? { 'aria-label': label } : {})} style={style}>
      {lines.map((child, at) => (
        <View key={isValidElement(child) ? child.key : at} role="listitem">
          {child}
        </View>
      ))}
    </View>
  );
}
