import type { Issue } from '@odd-corner/contract';

/** A file that is no workshop's, and where it is wrong. */
export class FileRefused extends Error {
  override readonly name = 'FileRefused';
  readonly issues: Issue[];
  constructor(message: string, path: readonly (string | number)[] = []) {
    super(message);
    this.issues = [{ path: [...path], message }];
  }
}
