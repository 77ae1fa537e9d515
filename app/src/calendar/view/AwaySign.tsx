import { View } from 'react-native';
import type { CalendarEvent } from '@cadro/contract';
import { DayStrip, type Bar } from '../../ui';

/** The mark that says the most of a day. */
function tellingOf({ absent, unexplained, trip }: NonNullable<CalendarEvent['marks']>): Bar {
  const kind = absent > 0 ? 'absent' : trip > 0 ? 'activity' : 'tardy';
  return { period: '', kind, excused: unexplained === 0 };
}

/** A day of absence in one sign, drawn as the day strips draw a lesson. */
export function AwaySign({ marks }: { marks: NonNullable<CalendarEvent['marks']> }) {
  return (
    <View aria-hidden>
      <DayStrip marks={[tellingOf(marks)]} label="" size="sign" />
    </View>
  );
}
