import { parentPort, workerData } from 'node:worker_threads';
import { buildAndCompare, type BuildAnswer, type BuildAsked } from './incoming';
import { FileRefused } from './file-refused';

/** The thread that makes a workshop of a file, so that the server goes on answering meanwhile. */
function build(): BuildAnswer {
  try {
    return { built: buildAndCompare(workerData as BuildAsked) };
  } catch (error) {
    if (error instanceof FileRefused) return { refused: error.issues };
    return { failed: error instanceof Error ? error.message : String(error) };
  }
}

parentPort?.postMessage(build());
