import type { SizedEntry } from '@odd-corner/core';

/** What decided a sheet, in words. */
export const decidedBy = ({ decided }: SizedEntry): string =>
  decided.kind === 'fingers'
    ? 'The smallest sheet that fingers fold well'
    : `${decided.name[0].toUpperCase()}${decided.name.slice(1)}`;
