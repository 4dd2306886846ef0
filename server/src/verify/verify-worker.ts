import { parentPort } from 'node:worker_threads';
import { type VerifyAsked, verifyMake } from './verify-make';

/** The thread that folds, so that the server goes on answering meanwhile. */
parentPort?.on('message', ({ n, asked }: { readonly n: number; readonly asked: VerifyAsked }) => {
  try {
    parentPort?.postMessage({ n, verdict: verifyMake(asked) });
  } catch (error) {
    parentPort?.postMessage({ n, failed: error instanceof Error ? (error.stack ?? error.message) : String(error) });
  }
});
