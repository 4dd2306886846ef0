import type { Issue, Problem } from '@odd-corner/contract';

const TITLES: Readonly<Record<number, string>> = {
  400: 'Some of what was sent is not valid',
  401: 'A passphrase is needed',
  403: 'Not allowed',
  404: 'Not found',
  405: 'Not allowed with this method',
  409: 'Changed in the meantime',
  413: 'Too much at once',
  415: 'Send JSON',
  422: 'That cannot be done',
  429: 'Too often',
  503: 'Not right now',
  500: 'Something went wrong here',
  507: 'The disk does not take it',
};

type Headers = Readonly<Record<string, string>>;

/** An error that becomes a problem answer. */
export class ProblemError extends Error {
  override readonly name = 'ProblemError';
  readonly more: { readonly issues?: Issue[]; readonly current?: unknown };
  readonly headers: Headers;
  constructor(
    readonly status: number,
    detail: string,
    {
      headers = {},
      ...more
    }: { readonly issues?: Issue[]; readonly current?: unknown; readonly headers?: Headers } = {},
  ) {
    super(detail);
    this.more = more;
    this.headers = headers;
  }

  toProblem(): Problem {
    return {
      type: 'about:blank',
      title: TITLES[this.status] ?? 'Error',
      status: this.status,
      detail: this.message,
      ...this.more,
    };
  }
}

export const notFound = (what: string): ProblemError => new ProblemError(404, `There is no such ${what}.`);

/** The row was changed since the sender read it; both versions are now known to the sender. */
export const stale = (current: unknown): ProblemError =>
  new ProblemError(409, 'Someone changed this since you opened it.', { current });
