import { NewHere } from '../household';

export default NewHere;
