import { ConfirmAddress } from '../household';

export default ConfirmAddress;
