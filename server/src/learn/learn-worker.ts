import { answerInThread } from '../thread/answer-in-thread';
import { type EffectsKnown, type LearnAsked, learnFrom } from './learn-from';

const known: EffectsKnown = new Map();
answerInThread((asked: LearnAsked) => learnFrom(asked, known));
