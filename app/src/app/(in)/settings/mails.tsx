import { MailsScreen } from '../../../sources';

export default MailsScreen;
