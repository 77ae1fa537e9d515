import Svg, { Circle } from 'react-native-svg';
import { usePalette } from '../theme/Theme';

const [across, step, radius, most] = [5, 8, 2.8, 15];

/**
 * So many things as dots, five in a row, as over the days of what came; never more than fifteen. Stands beside words that
 * say how many, so it is not read out itself.
 * @param hollow of what is only there to be known.
 */
export function CountDots({ count, hollow }: { count: number; hollow?: boolean }) {
  const { ink, soft } = usePalette();
  const dots = Math.min(count, most);
  const columns = Math.min(dots, across);
  return (
    <Svg width={columns * step} height={Math.ceil(dots / across) * step} aria-hidden>
      {Array.from({ length: dots }, (_, at) => (
        <Circle
          key={at}
          cx={(at % across) * step + step / 2}
          cy={Math.floor(at / across) * step + step / 2}
          r={radius}
          fill={hollow ? 'none' : ink}
          stroke={hollow ? soft : ink}
          strokeWidth={1}
        />
      ))}
    </Svg>
  );
}
