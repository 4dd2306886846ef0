/** Times of a task in milliseconds, from the first run on a cold engine to the settled middle. */
export interface Timing {
  readonly task: string;
  readonly firstMs: number;
  readonly medianMs: number;
  readonly p95Ms: number;
  readonly runs: number;
}

/** @param run is given the number of the run, so that no two do the same work */
export function measure(task: string, runs: number, run: (k: number) => void): Timing {
  const times = Array.from({ length: runs }, (_, k) => {
    const start = performance.now();
    run(k);
    return performance.now() - start;
  });
  const sorted = [...times.slice(Math.min(5, runs - 1))].sort((a, b) => a - b);
  const at = (share: number): number => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  return { task, firstMs: times[0], medianMs: at(0.5), p95Ms: at(0.95), runs };
}

export function printTable(rows: readonly Timing[]): void {
  const ms = (v: number): string => v.toFixed(v < 10 ? 2 : 0).padStart(9);
  const widest = Math.max(...rows.map((r) => r.task.length));
  console.log(
    `${'task'.padEnd(widest)}  ${'first ms'.padStart(9)} ${'median ms'.padStart(9)} ${'p95 ms'.padStart(9)}   runs`,
  );
  for (const row of rows)
    console.log(
      `${row.task.padEnd(widest)}  ${ms(row.firstMs)} ${ms(row.medianMs)} ${ms(row.p95Ms)}  ${`${row.runs}`.padStart(5)}`,
    );
}
