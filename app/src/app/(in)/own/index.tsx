import { NewChild } from '../../../sources';

export default NewChild;
