// Its own file: the package's index brings lists and timelines along that nobody asked for.
export { default as Calendar } from 'react-native-calendars/src/calendar';
