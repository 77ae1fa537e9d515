import Svg, { Circle, Rect, Text } from 'react-native-svg';
import { font } from '../theme/palette';
import { usePalette } from '../theme/Theme';

/** What runs along the foot of a child's mark, by the child's place in the family. */
function Foot({ place, colour, size }: { place: number; colour: string; size: number }) {
  const y = size - 4;
  switch (place % 4) {
    case 0:
      return <Rect x={1} y={y} width={size - 2} height={3} fill={colour} />;
    case 1:
      return [0, 1, 2].map((part) => (
        <Rect
          key={part}
          x={1 + (part * (size - 1)) / 3}
          y={y}
          width={(size - 7) / 3}
          height={3}
          fill={colour}
        />
      ));
    case 2:
      return [0, 1, 2, 3].map((part) => (
        <Circle key={part} cx={2.5 + (part * (size - 5)) / 3} cy={y + 1.5} r={1.5} fill={colour} />
      ));
    default:
      return [0, 2].map((part) => (
        <Rect key={part} x={1} y={y + part} width={size - 2} height={1} fill={colour} />
      ));
  }
}

/**
 * A child told by letter, by pattern and by colour. Always stands beside words that name the child, so it is not read
 * out itself.
 * @param place the child's place in the family, 0 for the first.
 */
export function ChildMark({ letter, place, size = 20 }: { letter: string; place: number; size?: number }) {
  const { children } = usePalette();
  const colour = children[place % children.length] ?? children[0];
  return (
    <Svg width={size} height={size} aria-hidden>
      <Text
        x={size / 2}
        y={size - 6}
        textAnchor="middle"
        fontFamily={font}
        fontWeight="600"
        fontSize={(size - 5) / (letter.length > 1 ? 1.5 : 1)}
        fill={colour}
      >
        {letter}
      </Text>
      <Foot place={place} colour={colour} size={size} />
    </Svg>
  );
}
