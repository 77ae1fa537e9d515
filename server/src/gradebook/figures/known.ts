/** What is known of a record from its own time on, unless it was told later. */
export const knownAtMs = (knownAt: Date | null, own: Date): number => (knownAt ?? own).getTime();
