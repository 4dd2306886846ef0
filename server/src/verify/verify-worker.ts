import { answerInThread } from '../thread/answer-in-thread';
import { verifyMake } from './verify-make';

answerInThread(verifyMake);
