import type { Workshop as WorkshopData } from '@odd-corner/contract';
import { type JobsRepository, jobsRepository } from '../jobs/jobs-repository';
import { type PapersRepository, papersRepository } from '../papers/papers-repository';
import { type PiecesRepository, piecesRepository } from '../pieces/pieces-repository';
import { type SettingsRepository, settingsRepository } from '../settings/settings-repository';
import { type ThingsRepository, thingsRepository } from '../things/things-repository';
import type { Db } from './open-database';

/** One workshop's file and the ways into it. */
export interface Workshop {
  readonly db: Db;
  readonly papers: PapersRepository;
  readonly things: ThingsRepository;
  readonly jobs: JobsRepository;
  readonly pieces: PiecesRepository;
  readonly settings: SettingsRepository;
}

export function openWorkshop(db: Db): Workshop {
  return {
    db,
    papers: papersRepository(db),
    things: thingsRepository(db),
    jobs: jobsRepository(db),
    pieces: piecesRepository(db),
    settings: settingsRepository(db),
  };
}

/** Whether nothing was ever written here. */
export function isEmpty({ papers, things, jobs, pieces }: Workshop): boolean {
  return [papers, things, jobs, pieces].every((part) => part.list().length === 0);
}

/** Writes a whole workshop into an empty one, all or nothing. */
export function fillWorkshop(workshop: Workshop, data: WorkshopData): void {
  workshop.db.transaction(() => {
    workshop.settings.put(data.settings);
    data.papers.forEach(workshop.papers.put);
    data.things.forEach(workshop.things.put);
    data.jobs.forEach(workshop.jobs.put);
    data.pieces.forEach(workshop.pieces.put);
  })();
}
