import { inSettings } from '../../../places';

export default inSettings((settings) => settings.MailsScreen);
