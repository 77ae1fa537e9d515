export { NotesScreen } from './NotesScreen';
export { Wants } from './Wants';
