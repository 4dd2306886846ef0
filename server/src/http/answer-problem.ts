import type { ErrorHandler } from 'hono';
import { HTTPException } from 'hono/http-exception';
import { ProblemError } from './problem-error';

/** Turns anything thrown into the one error shape. */
export const answerProblem: ErrorHandler = (error) => {
  const problem =
    error instanceof ProblemError
      ? error
      : error instanceof HTTPException
        ? new ProblemError(error.status, error.message || 'Refused.')
        : null;
  const closed = error instanceof TypeError && /connection is not open/.test(error.message);
  if (!problem && !closed) console.error(error);
  const { status, ...rest } = (
    problem ??
    (closed
      ? new ProblemError(503, 'The workshop was opened anew just now. Try again.')
      : new ProblemError(500, 'The workshop could not do that. Nothing was changed.'))
  ).toProblem();
  return new Response(JSON.stringify({ ...rest, status }), {
    status,
    headers: {
      ...problem?.headers,
      'content-type': 'application/problem+json',
      ...(status === 401 ? { 'www-authenticate': 'Basic realm="Odd Corner"' } : {}),
    },
  });
};
