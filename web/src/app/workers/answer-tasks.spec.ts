import { parsePurpose } from '@odd-corner/core';
import { SIZE_OPTIONS } from '../testing/bench';
import { answerTasks } from './answer-tasks';
import { pause } from './in-slices';

describe('answers told from the worker', () => {
  it('end only when all has been heard, however long the hearing takes', async () => {
    const told: string[] = [];
    const heard: string[] = [];
    const asked = { purpose: parsePurpose('30 x 30 x 30'), options: SIZE_OPTIONS };
    await answerTasks.answers(
      asked,
      async ({ answer: { formId } }) => {
        told.push(formId);
        await pause(300);
        heard.push(formId);
      },
      () => Promise.resolve(true),
    );
    expect(told.length).toBeGreaterThan(3);
    expect(heard).toEqual(told);
  });

  it('stop once nobody wants them any more', async () => {
    let told = 0;
    const asked = { purpose: parsePurpose('30 x 30 x 30'), options: SIZE_OPTIONS };
    await answerTasks.answers(
      asked,
      () => void told++,
      () => Promise.resolve(false),
    );
    // At most the one that was found before the first question was answered.
    expect(told).toBeLessThan(2);
  });
});
