export * from './day/DayScreen';
export * from './day/LetterScreen';
export * from './elsewhere/ElsewhereScreen';
export * from './entries/EntryScreen';
export * from './entries/ShoppingScreen';
export * from './view/CalendarScreen';
export * from './view/OnTheCalendar';
