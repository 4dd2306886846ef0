/** What the database says when it cannot do something. */
export interface SqliteError {
  readonly code: string;
  readonly message: string;
}

/** By what it says, not by its class: the native part of the database keeps the class of the module that loaded it first. */
export const isSqliteError = (error: unknown): error is SqliteError =>
  typeof error === 'object' &&
  error !== null &&
  'code' in error &&
  typeof error.code === 'string' &&
  error.code.startsWith('SQLITE_');
