import { answerOf, type Answer } from '../../bundle/answers';
import { winnow, type WinnowAsk, type Winnowed } from './winnow';

export default (ask: WinnowAsk): Promise<Answer<Winnowed>> => answerOf(winnow(ask));
