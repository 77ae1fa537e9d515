/** A time that a school offers, by the clock there. */
export interface SlotSpec {
  readonly id: string;
  /** The course whose teacher offers it, or the contact. */
  readonly course?: string;
  readonly contact?: string;
  readonly on: string;
  readonly from: string;
  readonly to: string;
  readonly way: 'in-person' | 'phone' | 'link';
  readonly place?: string;
  readonly href?: string;
  readonly students?: readonly string[];
  /** A family that has it already. */
  readonly bookedFor?: string;
}

/** One after the other, each as long as the last, on one day. */
function row(
  base: Omit<SlotSpec, 'id' | 'from' | 'to'> & { readonly name: string },
  times: readonly (readonly [string, string])[],
  bookedFor: Readonly<Record<string, string>> = {},
): SlotSpec[] {
  const { name, ...slot } = base;
  return times.map(([from, to]) => {
    const had = bookedFor[from];
    return {
      ...{ ...slot, from, to, id: `slot-${name}-${slot.on.slice(5)}-${from.replace(':', '')}` },
      ...(had ? { bookedFor: had } : {}),
    };
  });
}

/** The times of the fall conferences; the clocks go back between the first and the last of them. */
export const schoolSlots: Readonly<Record<string, readonly SlotSpec[]>> = {
  'gannet-head': [
    ...row({ name: 'kelp', course: 'kelp', on: '2026-10-28', way: 'in-person', place: 'Lab 2' }, [
      ['15:20', '15:40'],
      ['15:40', '16:00'],
    ]),
    ...row(
      {
        ...{ name: 'spanish', course: 'spanish', on: '2026-11-04', way: 'link' },
        href: 'https://rooms.gannet-head.example/veleta',
      },
      [['17:00', '17:15']],
    ),
  ],
  millrace: [
    ...row(
      { name: 'boats', course: 'boats', on: '2026-10-29', way: 'in-person', place: 'Boat shed' },
      [
        ['15:10', '15:30'],
        ['15:30', '15:50'],
        ['15:50', '16:10'],
      ],
      { '15:30': 'neighbour-b' },
    ),
    ...row({ name: 'boats', course: 'boats', on: '2026-11-03', way: 'in-person', place: 'Boat shed' }, [
      ['15:10', '15:30'],
      ['15:30', '15:50'],
    ]),
    ...row({ name: 'counselor', contact: 'counselor', on: '2026-10-27', way: 'phone' }, [
      ['08:00', '08:20'],
      ['08:30', '08:50'],
    ]),
  ],
  'little-fathom': [
    ...row({ name: 'reading', course: 'reading', on: '2026-10-30', way: 'in-person', place: 'Room 3' }, [
      ['14:45', '15:00'],
    ]),
  ],
};
