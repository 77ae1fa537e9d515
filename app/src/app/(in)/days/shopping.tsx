import { ShoppingScreen } from '../../../calendar';

export default ShoppingScreen;
