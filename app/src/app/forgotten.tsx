import { Forgotten } from '../household';

export default Forgotten;
