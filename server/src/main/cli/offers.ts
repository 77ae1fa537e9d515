import { answerOffers } from './answerOffers';
import { answerStandardInput } from './cases';

answerStandardInput(answerOffers);
