import { parentPort, workerData } from 'node:worker_threads';
import type { Fonts, PrintAsked } from './print-asked';
import { printMake } from './print-make';

const { asked, fonts } = workerData as { readonly asked: PrintAsked; readonly fonts: Fonts };

/** The thread that prints one make and ends, so that the server goes on answering meanwhile. */
void printMake(asked, fonts).then((printed) => parentPort?.postMessage(printed));
