export {
  CalendarScreen,
  DayScreen,
  ElsewhereScreen,
  EntryScreen,
  LetterScreen,
  NewEntryScreen,
  ShoppingScreen,
} from '../calendar';
