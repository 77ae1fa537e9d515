import { NewPassword } from '../household';

export default NewPassword;
