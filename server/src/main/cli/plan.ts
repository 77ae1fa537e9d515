import { answerPlan } from './answerPlan';
import { answerStandardInput } from './cases';

answerStandardInput(answerPlan);
