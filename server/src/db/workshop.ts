import type { Workshop as WorkshopData } from '@odd-corner/contract';
import { type CuttingPlansRepository, cuttingPlansRepository } from '../cutting/cutting-plans-repository';
import { type EyeRepository, eyeRepository } from '../eye/eye-repository';
import { type HandsRepository, handsRepository } from '../hands/hands-repository';
import { type JobsRepository, jobsRepository } from '../jobs/jobs-repository';
import { type LogRepository, logRepository } from '../log/log-repository';
import { type PapersRepository, papersRepository } from '../papers/papers-repository';
import { type RecentRepository, recentRepository } from '../recent/recent-repository';
import { type SettingsRepository, settingsRepository } from '../settings/settings-repository';
import { type PhotographsRepository, photographsRepository } from '../photographs/photographs-repository';
import { type TrialsRepository, trialsRepository } from '../trials/trials-repository';
import { type ThingsRepository, thingsRepository } from '../things/things-repository';
import { inOneGo } from './in-one-go';
import type { Db } from './open-database';

/** One workshop's file and the ways into it. */
export interface Workshop {
  readonly db: Db;
  readonly papers: PapersRepository;
  readonly cuttingPlans: CuttingPlansRepository;
  readonly things: ThingsRepository;
  readonly hands: HandsRepository;
  readonly eye: EyeRepository;
  readonly jobs: JobsRepository;
  readonly log: LogRepository;
  readonly trials: TrialsRepository;
  readonly photographs: PhotographsRepository;
  readonly recent: RecentRepository;
  readonly settings: SettingsRepository;
}

export function openWorkshop(db: Db): Workshop {
  return {
    db,
    papers: papersRepository(db),
    cuttingPlans: cuttingPlansRepository(db),
    things: thingsRepository(db),
    hands: handsRepository(db),
    eye: eyeRepository(db),
    jobs: jobsRepository(db),
    log: logRepository(db),
    trials: trialsRepository(db),
    photographs: photographsRepository(db),
    recent: recentRepository(db),
    settings: settingsRepository(db),
  };
}

/** Whether nothing was ever written here. */
export function isEmpty({ papers, things, hands, jobs, log }: Workshop): boolean {
  return [papers, things, hands, jobs, log].every((part) => part.isEmpty());
}

/** Writes a whole workshop into an empty one, all or nothing. */
export function fillWorkshop(workshop: Workshop, data: WorkshopData): void {
  inOneGo(workshop.db, () => {
    workshop.settings.put(data.settings);
    data.papers.forEach(workshop.papers.put);
    data.things.forEach(workshop.things.put);
    data.hands.forEach(workshop.hands.put);
    data.jobs.forEach((job) => workshop.jobs.put(job));
    data.log.forEach((entry) => workshop.log.put(entry));
    data.cuttingPlans.forEach((plan) => workshop.cuttingPlans.put(plan));
    data.moves.forEach(workshop.papers.moves.put);
    data.eyeTries.forEach(workshop.eye.put);
    data.trials.forEach(workshop.trials.put);
  });
}
