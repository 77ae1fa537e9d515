import { inRules } from '../../../places';

export default inRules((rules) => rules.RulesScreen);
