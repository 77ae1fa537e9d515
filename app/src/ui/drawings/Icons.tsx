import Svg, { Path, Rect } from 'react-native-svg';
import { usePalette } from '../theme/Theme';

export const places = ['brief', 'courses', 'work', 'days', 'talk'] as const;
/** Of a child's own account. */
export const childsPlaces = ['desk', 'courses', 'days', 'kept'] as const;
export type PlaceName = (typeof places)[number] | (typeof childsPlaces)[number];

type OtherName = 'alerts' | 'settings' | 'back' | 'on' | 'search' | 'unfold' | 'fold';

/**
 * Lines drawn by hand, 24 px: ruled lines, a span, an open frame with a tick, a calendar frame, two speech frames; a
 * table with something on it, a rosette; a bell for alerts, two sliders for settings.
 */
const paths: Record<PlaceName | OtherName, string> = {
  brief: 'M4 6h16M4 10h12M4 14h16M4 18h8',
  courses: 'M3 12h18M8 7v10M15 7v10',
  work: 'M19 11v9H4V4h10M8 11l4 4 8-9',
  days: 'M4 6h16v14H4zM4 10h16M8 3v5M16 3v5',
  talk: 'M3 5h12v9H8l-3 3v-3H3zM18 9h3v8h-2v3l-3-3h-5',
  desk: 'M3 11h18M5 11v9M19 11v9M9 11V6h6v5',
  kept: 'M12 3a5.5 5.5 0 1 0 .01 0M8.5 13L6 21l6-3 6 3-2.5-8',
  alerts: 'M12 3v2M5 17h14M7 17v-5a5 5 0 0 1 10 0v5M10 20h4',
  settings: 'M4 7h9M18 7h2M13 4.5h5v5h-5zM4 17h2M11 17h9M6 14.5h5v5H6z',
  back: 'M15 4l-8 8 8 8',
  on: 'M9 4l8 8-8 8',
  unfold: 'M5 9l7 7 7-7',
  fold: 'M5 16l7-7 7 7',
  search: 'M10.5 4a6.5 6.5 0 1 0 .01 0M15.5 15.5L21 21',
};

export type IconName = PlaceName | OtherName;

export function Icon({ name, active }: { name: IconName; active?: boolean }) {
  const { ink, soft } = usePalette();
  return (
    <Svg width={24} height={24} viewBox="0 0 24 24" aria-hidden>
      <Path d={paths[name]} stroke={active ? ink : soft} strokeWidth={1.7} fill="none" />
    </Svg>
  );
}

/** Cadro's mark: an open frame with its corner square standing free. */
export function Mark({ size = 28 }: { size?: number }) {
  const { ink, plum } = usePalette();
  return (
    <Svg width={size} height={size} viewBox="0 0 28 28" aria-hidden>
      <Path d="M15 4H4v20h20V13" stroke={ink} strokeWidth={4} fill="none" />
      <Rect x={19} y={4} width={6} height={6} fill={plum} />
    </Svg>
  );
}
