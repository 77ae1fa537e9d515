import { answerOf, type Answer } from '../../bundle/answers';
import { winnow as winnowed, type WinnowAsk, type Winnowed } from './winnow';

export const winnow = (ask: WinnowAsk): Promise<Answer<Winnowed>> => answerOf(winnowed(ask));
