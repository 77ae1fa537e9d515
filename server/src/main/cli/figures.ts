import { answerCase } from './answerCase';
import { answerStandardInput } from './cases';

answerStandardInput(answerCase);
