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
  if (!problem) console.error(error);
  const { status, ...rest } = (
    problem ?? new ProblemError(500, 'The workshop could not do that. Nothing was changed.')
  ).toProblem();
  return new Response(JSON.stringify({ ...rest, status }), {
    status,
    headers: {
      'content-type': 'application/problem+json',
      ...(status === 401 ? { 'www-authenticate': 'Basic realm="Odd Corner"' } : {}),
    },
  });
};
