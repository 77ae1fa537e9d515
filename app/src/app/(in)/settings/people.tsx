import { PeopleScreen } from '../../../household';

export default PeopleScreen;
