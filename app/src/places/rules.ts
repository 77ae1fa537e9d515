export { RulesScreen } from '../alerts';
