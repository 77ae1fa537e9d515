export { DeskScreen, KeptScreen, SharedScreen } from '../desk';
