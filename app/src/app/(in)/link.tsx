import { LinkChild } from '../../household';

export default LinkChild;
