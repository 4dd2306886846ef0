import { readFileSync } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';
import { buildWorkshop } from './build-workshop';
import type { BuildAsked, BuildAnswer } from './incoming';
import { FileRefused } from './file-refused';

const { from, to, migrationsDir } = workerData as BuildAsked;

/** The thread that makes a workshop of a file, so that the server goes on answering meanwhile. */
function build(): BuildAnswer {
  try {
    return { built: buildWorkshop(readFileSync(from, 'utf8'), to, migrationsDir) };
  } catch (error) {
    if (error instanceof FileRefused) return { refused: error.issues };
    return { failed: error instanceof Error ? error.message : String(error) };
  }
}

parentPort?.postMessage(build());
