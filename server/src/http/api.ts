import { routes } from '@odd-corner/contract';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import type { Workshop } from '../db/workshop';
import { recordPiece, undoPiece } from '../pieces/record-piece';
import { ProblemError } from './problem-error';
import { readBody, readId } from './read-body';

const LARGEST_BODY = 256 * 1024;

/** The workshop's routes. `now` gives the moment as ISO 8601. */
export function api(workshop: Workshop, demo: boolean, now: () => string = () => new Date().toISOString()): Hono {
  const { papers, things, jobs, pieces, settings } = workshop;
  const app = new Hono();
  app.use(
    bodyLimit({
      maxSize: LARGEST_BODY,
      onError: () => {
        throw new ProblemError(413, `Send at most ${LARGEST_BODY / 1024} kB.`);
      },
    }),
  );

  app.get(routes.health.path, (c) => c.json({ ok: true, demo }));

  app.get(routes.papers.path, (c) => c.json(papers.list()));
  app.post(routes.addPaper.path, async (c) => {
    const { row, added } = papers.add(await readBody(c, routes.addPaper.body));
    return c.json(row, added ? 201 : 200);
  });
  app.put(routes.changePaper.path, async (c) =>
    c.json(papers.change(readId(c, 'paper'), await readBody(c, routes.changePaper.body))),
  );
  app.delete(routes.removePaper.path, (c) => {
    papers.remove(readId(c, 'paper'), now());
    return c.json(null);
  });
  app.post(routes.restorePaper.path, (c) => c.json(papers.restore(readId(c, 'paper'))));

  app.get(routes.things.path, (c) => c.json(things.list()));
  app.post(routes.addThing.path, async (c) => {
    const { row, added } = things.add(await readBody(c, routes.addThing.body));
    return c.json(row, added ? 201 : 200);
  });
  app.put(routes.changeThing.path, async (c) =>
    c.json(things.change(readId(c, 'thing'), await readBody(c, routes.changeThing.body))),
  );
  app.delete(routes.removeThing.path, (c) => {
    things.remove(readId(c, 'thing'), now());
    return c.json(null);
  });
  app.post(routes.restoreThing.path, (c) => c.json(things.restore(readId(c, 'thing'))));

  app.get(routes.jobs.path, (c) => c.json(jobs.list()));
  app.get(routes.job.path, (c) => c.json(jobs.get(readId(c, 'job'))));
  app.post(routes.addJob.path, async (c) => {
    const draft = await readBody(c, routes.addJob.body);
    if (draft.choice.paperId !== null) papers.get(draft.choice.paperId);
    const { row, added } = jobs.add(draft, now());
    return c.json(row, added ? 201 : 200);
  });
  app.put(routes.changeJob.path, async (c) => {
    const next = await readBody(c, routes.changeJob.body);
    if (next.choice.paperId !== null) papers.get(next.choice.paperId);
    return c.json(jobs.change(readId(c, 'job'), next, now()));
  });
  app.delete(routes.removeJob.path, (c) => {
    jobs.remove(readId(c, 'job'), now());
    return c.json(null);
  });
  app.post(routes.restoreJob.path, (c) => c.json(jobs.restore(readId(c, 'job'))));
  app.put(routes.setProgress.path, async (c) =>
    c.json(jobs.setProgress(readId(c, 'job'), await readBody(c, routes.setProgress.body), now())),
  );

  app.get(routes.pieces.path, (c) => c.json(pieces.list()));
  app.post(routes.addPiece.path, async (c) => {
    const { row, added } = recordPiece(workshop, await readBody(c, routes.addPiece.body), now());
    return c.json(row, added ? 201 : 200);
  });
  app.delete(routes.undoPiece.path, (c) => {
    undoPiece(workshop, readId(c, 'piece'));
    return c.json(null);
  });

  app.get(routes.settings.path, (c) => c.json(settings.get()));
  app.put(routes.changeSettings.path, async (c) =>
    c.json(settings.change(await readBody(c, routes.changeSettings.body))),
  );

  app.all('/api/*', () => {
    throw new ProblemError(404, 'There is no such address here.');
  });
  return app;
}
