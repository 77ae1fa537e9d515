import { answerTable } from './answerTable';
import { answerStandardInput } from './cases';

answerStandardInput(answerTable);
