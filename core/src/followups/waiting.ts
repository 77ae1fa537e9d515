/** So many school days without an answer a reminder is due. */
export const daysUntilReminder = 3;
