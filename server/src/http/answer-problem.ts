import { HTTPException } from 'hono/http-exception';
import { faultOf } from '../data/faults';
import { ProblemError } from './problem-error';

/** What is said of an error that no route expects, and whether it is written to the console. */
function unexpected(error: unknown, file: string | null): ProblemError {
  if (error instanceof TypeError && /connection is not open/.test(error.message))
    return new ProblemError(503, 'The workshop was opened anew just now. Try again.');
  console.error(error);
  const fault = file === null ? null : faultOf(error, file);
  return fault
    ? new ProblemError(507, `${fault.what} ${fault.todo}`)
    : new ProblemError(500, 'The workshop could not do that. Nothing was changed.');
}

/** Turns anything thrown into the one error shape. @param file the workshop's file, named where it is the reason */
export const answerProblem =
  (file: string | null) =>
  (error: unknown): Response => {
    const problem =
      error instanceof ProblemError
        ? error
        : error instanceof HTTPException
          ? new ProblemError(error.status, error.message || 'Refused.')
          : unexpected(error, file);
    return new Response(JSON.stringify(problem.toProblem()), {
      status: problem.status,
      headers: { ...problem.headers, 'content-type': 'application/problem+json' },
    });
  };
