import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { inject, type Provider, type Type } from '@angular/core';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { MatExpansionPanelHarness } from '@angular/material/expansion/testing';
import { MatFormFieldHarness } from '@angular/material/form-field/testing';
import { MatChipOptionHarness } from '@angular/material/chips/testing';
import { MatInputHarness } from '@angular/material/input/testing';
import { MatSelectHarness } from '@angular/material/select/testing';
import { provideRouter } from '@angular/router';
import {
  type Asked,
  askedOf,
  type AskedOptions,
  type CopyProgress,
  found,
  type Job,
  type JobMake,
  type Learned,
  type Listed,
  type LogEntry,
  makeOf,
  NO_BATCH,
  optionsOf,
  type Paper,
  purposeOfOne,
  type Settings,
  type Thing,
  toFold,
  USUAL_SETTINGS,
  UNSAID,
} from '@odd-corner/contract';
import {
  Fitting,
  foldMake,
  foretell,
  isSized,
  parsePurpose,
  sizeFor,
  squareTray,
  type SizeOptions,
} from '@odd-corner/core';
import { Subject } from 'rxjs';
import { Hands } from '../data/hands';
import { Papers } from '../data/papers';
import { JobInHand } from '../job/job-in-hand';
import { foldingTasks } from '../workers/folding-tasks';
import engine from '@dimforge/rapier3d-deterministic-compat';
import loadHighs from 'highs';
import { BEGIN_CUTTING } from '../workers/cutting.service';
import { trialTasks } from '../workers/trial-tasks';
import { BEGIN_TRIALS } from '../workers/trials.service';
import { cuttingTasks } from '../workers/cutting-tasks';
import { FOLDING_WORKER, PICTURE_WORKER } from '../workers/folding-worker-token';

export const SETTINGS: Settings = { ...USUAL_SETTINGS, version: 1 };

const id = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** How a form is sized for a hand that misses nothing. */
export const SIZE_OPTIONS: SizeOptions = {
  ease: 'easy',
  turning: 'upright',
  fingerRoom: false,
  gsm: 80,
  ruler: 'mm',
  thicknessMm: 0.1,
  confidence: null,
  handMm: 0.3,
};

export const aPaper = (more: Partial<Paper> = {}): Paper => ({
  id: id(1),
  name: 'Kraft',
  widthMm: 420,
  heightMm: 297,
  count: 5,
  gsm: 90,
  kind: 'kraft',
  caliperMm: 0.12,
  colourFront: '#b98d5b',
  colourBack: '#fbf8ef',
  price: null,
  foodSafe: 'unknown',
  ...UNSAID,
  reserved: 0,
  version: 3,
  ...more,
});

export const aThing = (more: Partial<Thing> = {}): Thing => ({
  id: id(2),
  name: 'Fuses',
  purpose: parsePurpose('42 x 38 x 20'),
  version: 1,
  ...more,
});

const fitting = new Fitting();

/** What a test wants of a make; the rest is a tray with its lid for a handful of watch parts. */
interface MakeWanted {
  readonly formId?: string;
  readonly holds?: string;
  readonly options?: Partial<AskedOptions>;
  readonly papers?: readonly (string | null)[];
  readonly thicknessMm?: number;
  readonly given?: Readonly<Record<string, unknown>>;
  readonly count?: number;
  /** Steps that are done of each copy, in the order of entries and copies. */
  readonly done?: readonly number[];
  readonly seconds?: number;
}

/** A make whose sheets were worked out for its paper. */
export function aMake(wanted: MakeWanted = {}, n = 30): JobMake {
  const { formId = squareTray.id, holds = '60 x 45 x 22', thicknessMm = 0.12, papers = [id(1)], count = 1 } = wanted;
  const given = wanted.given ?? (wanted.formId ? {} : { wallMm: null });
  const on = { gsm: 90, thicknessMm, handMm: 0.3 };
  const usual = askedOf({ ...SIZE_OPTIONS, ...on }, 1);
  const lid = wanted.formId ? {} : ({ lid: 'eared' } as const);
  const asked: Asked = {
    ...{ text: holds, purpose: parsePurpose(holds) },
    options: { ...usual, ...lid, ...wanted.options },
  };
  const answer = sizeFor(fitting, formId, purposeOfOne(asked)!, optionsOf(asked.options, on), given);
  if (!isSized(answer)) throw new Error(`No sheet does for ${holds} as ${formId}.`);
  const make = makeOf(found(answer), () => ({ papers, thicknessMm }));
  const { entries } = foldMake(toFold(make));
  const copies = [...entries].flatMap(([entryKey, { entry, folding }]) =>
    Array.from({ length: count * entry.copies }, (_, copy) => ({ entryKey, copy, steps: folding.steps })),
  );
  const progress = copies.flatMap(({ entryKey, copy, steps }, k): CopyProgress[] => {
    const done = steps.slice(0, wanted.done?.[k] ?? 0).map((step) => step.id);
    return done.length ? [{ entryKey, copy, done, seconds: wanted.seconds ?? 60 }] : [];
  });
  return {
    ...{ id: id(n), asked, make, count, marks: null, art: null },
    told: null,
    cut: null,
    inPlan: null,
    progress,
    batch: NO_BATCH,
  };
}

/** A job as the server sends it. */
export function aJob({ makes, ...more }: Partial<Job> = {}): Job {
  return {
    ...{ id: id(3), title: 'Watch parts', folderHandId: null, version: 7, state: 'planned', archivedAt: null },
    ...{ createdAt: '2026-11-01T10:00:00.000Z', updatedAt: '2026-11-02T10:00:00.000Z' },
    ...more,
    makes: makes ?? [aMake()],
  };
}

/** An entry of the logbook, predicted as the engine does. */
export function aPiece(more: Partial<LogEntry> = {}): LogEntry {
  const job = aJob();
  const [{ id: makeId, make }] = job.makes;
  return {
    ...{ id: id(4), jobId: job.id, makeId, title: job.title, make, papers: {} },
    ...{ copies: 1, folderHandId: null, fits: null, minutes: 20, note: '', version: 1 },
    sheetsUsed: [{ paperId: id(1), paperName: 'Kraft', sheets: 1 }],
    predicted: Object.fromEntries(
      Object.entries(foretell(toFold(make), 0.3)).map(([key, { mm }]) => [key, { mm, sdMm: null }]),
    ),
    measured: {},
    foldedAt: '2026-11-03T10:00:00.000Z',
    ...more,
  };
}

/** What the inside of the first entry was predicted to be, by the names of its sizes. */
export const insideOf = ({ predicted, make: { entries } }: LogEntry): Record<string, number> =>
  Object.fromEntries(
    Object.entries(predicted).flatMap(([key, { mm }]) => (key.startsWith(`${entries[0].key}/box.`) ? [[key, mm]] : [])),
  );

/** Whether a row of the jobs is in the group that is asked for; other lists are answered whole. */
function isAsked(row: Partial<Job>, { request: { params } }: TestRequest): boolean {
  const [state, archived] = [params.get('state'), params.get('archived')];
  return (!state || row.state === state) && (!archived || (archived === 'yes') === !!row.archivedAt);
}

/** Rows as a list answers them. */
export const listed = (rows: readonly unknown[]): Listed<unknown> => ({
  ...{ rows: [...rows], broken: [], total: rows.length, next: null },
});

/** Tasks that answer later, as those of a worker do. */
const later = (tasks: object): Record<string, (...asked: never[]) => Promise<unknown>> =>
  Object.fromEntries(
    Object.entries(tasks).map(([name, task]) => [
      name,
      async (...asked: never[]) => Promise.resolve(Reflect.apply(task as () => unknown, tasks, asked) as unknown),
    ]),
  );

const beginEngine = async (): Promise<typeof engine> => {
  await engine.init();
  return engine;
};

/** What the logbook says while it is empty. */
export const NOTHING_LEARNED: Learned = { hands: [], papers: [] };

/** A component on a page of its own, with the real folding tasks and a server that answers what the test says. */
export class PageBench<C> {
  readonly fixture: ComponentFixture<C>;
  readonly http: HttpTestingController;

  constructor(
    component: Type<C>,
    inputs: Readonly<Record<string, unknown>> = {},
    settings: Settings = SETTINGS,
    providers: readonly Provider[] = [],
    learned: Learned = NOTHING_LEARNED,
  ) {
    const tasks = later({ ...foldingTasks, warmUp: () => undefined });
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        provideRouter([{ path: '**', children: [] }]),
        { provide: FOLDING_WORKER, useValue: tasks },
        { provide: PICTURE_WORKER, useValue: tasks },
        { provide: BEGIN_TRIALS, useValue: () => ({ tasks: later(trialTasks(beginEngine)), end: () => undefined }) },
        { provide: BEGIN_CUTTING, useValue: () => ({ tasks: cuttingTasks(loadHighs), end: () => undefined }) },
        ...providers,
      ],
    });
    this.http = TestBed.inject(HttpTestingController);
    this.fixture = TestBed.createComponent(component);
    Object.entries(inputs).forEach(([name, value]) => this.fixture.componentRef.setInput(name, value));
    this.answer('GET', '/api/settings', settings);
    this.answer('GET', '/api/learned', learned);
  }

  get host(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }

  get text(): string {
    return (this.host.textContent ?? '').replace(/\s+/g, ' ');
  }

  /** The one request open to an address. */
  sent(method: string, url: string): TestRequest {
    return this.http.expectOne((request) => request.method === method && request.url === url);
  }

  /** Answers all requests open to an address, if any; rows as a list of them. */
  answer(method: string, url: string, body: unknown): void {
    for (const request of this.http.match((r) => r.method === method && r.url === url))
      // Who does not wait any more is not answered.
      if (!request.cancelled)
        request.flush(
          (Array.isArray(body)
            ? listed((body as Partial<Job>[]).filter((row) => isAsked(row, request)))
            : body) as never,
        );
  }

  /** Lets typing pauses pass, and whatever follows from them. */
  async settle(ms = 0): Promise<void> {
    this.fixture.detectChanges();
    for (let k = 0; k < 4; k++) {
      await new Promise((resolve) => setTimeout(resolve, ms / 4));
      await this.fixture.whenStable();
    }
    this.fixture.detectChanges();
  }

  find<E extends HTMLElement = HTMLElement>(selector: string): E {
    const found = this.host.querySelector<E>(selector);
    if (!found) throw new Error(`Nothing is found at ${selector} in: ${this.text}`);
    return found;
  }

  button(label: string): HTMLButtonElement {
    const found = [...this.host.querySelectorAll('button')].find((b) =>
      (b.textContent ?? '').replace(/\s+/g, ' ').includes(label),
    );
    if (!found) throw new Error(`No button says “${label}” in: ${this.text}`);
    return found;
  }

  /** The list of a field, by the field's name. */
  async list(label: string): Promise<MatSelectHarness> {
    const loader = TestbedHarnessEnvironment.documentRootLoader(this.fixture);
    const field = await loader.getHarness(MatFormFieldHarness.with({ floatingLabelText: label }));
    const list = await field.getControl(MatSelectHarness);
    if (!list) throw new Error(`“${label}” is no list.`);
    return list;
  }

  /** A field by its name; of several the first, or one inside some element. */
  async field(label: string, within = ''): Promise<MatFormFieldHarness> {
    const loader = TestbedHarnessEnvironment.documentRootLoader(this.fixture);
    const fields = MatFormFieldHarness.with({ floatingLabelText: label, ...(within && { ancestor: within }) });
    return loader.getHarness(fields);
  }

  private async box(label: string, within?: string): Promise<MatInputHarness> {
    const box = await (await this.field(label, within)).getControl(MatInputHarness);
    if (!box) throw new Error(`“${label}” is nothing to type in.`);
    return box;
  }

  /** Types into a field in place of what stands there, and leaves it. */
  async write(label: string, text: string, within?: string): Promise<void> {
    const box = await this.box(label, within);
    await box.setValue(text);
    await box.blur();
  }

  /** What stands in a field. */
  async reads(label: string, within?: string): Promise<string> {
    return (await this.box(label, within)).getValue();
  }

  /** What is said beneath a field: what is wrong with it, else what is to be known of it. */
  async said(label: string, within?: string): Promise<string> {
    const field = await this.field(label, within);
    const wrong = await field.getTextErrors();
    return (wrong.length ? wrong : await field.getTextHints()).join(' ');
  }

  /** Whether something is wrong with a field. */
  async isWrong(label: string): Promise<boolean> {
    return (await this.field(label)).hasErrors();
  }

  /** Sends a form as its button does. */
  async submit(selector = 'form'): Promise<void> {
    this.find(selector).dispatchEvent(new Event('submit', { cancelable: true }));
    await this.settle();
  }

  /** Presses a chip. */
  async chip(text: string): Promise<void> {
    const loader = TestbedHarnessEnvironment.documentRootLoader(this.fixture);
    await (await loader.getHarness(MatChipOptionHarness.with({ text }))).select();
    await this.settle();
  }

  /** What the open dialog says. */
  dialog(): string {
    return (document.querySelector('mat-dialog-container')?.textContent ?? '').replace(/\s+/g, ' ');
  }

  /** Presses a button of the open dialog. */
  async press(label: string): Promise<void> {
    const buttons = [...document.querySelectorAll<HTMLButtonElement>('mat-dialog-container button')];
    const found = buttons.find((button) => button.textContent.includes(label));
    if (!found) throw new Error(`No button of the dialog says “${label}”: ${this.dialog()}`);
    found.click();
    await this.settle(80);
  }

  /** Chooses from the list of a field. */
  async choose(label: string, option: string | RegExp): Promise<void> {
    const list = await this.list(label);
    await list.open();
    await list.clickOptions({ text: option });
    await this.settle();
  }

  /** Opens a panel by the beginning of its title. */
  async openPanel(title: string): Promise<MatExpansionPanelHarness> {
    const loader = TestbedHarnessEnvironment.documentRootLoader(this.fixture);
    const panel = await loader.getHarness(MatExpansionPanelHarness.with({ title: new RegExp(`^${title}`) }));
    await panel.expand();
    return panel;
  }

  type(selector: string, text: string): void {
    const field = this.find<HTMLInputElement>(selector);
    field.value = text;
    field.dispatchEvent(new Event('input', { bubbles: true }));
    this.fixture.detectChanges();
  }
}

/** What else is known on the page of a job. */
export interface JobPlace {
  readonly papers?: readonly Paper[];
  readonly hands?: readonly object[];
  /** Which make is open; the first when left out. */
  readonly makeId?: string;
  readonly settings?: Settings;
}

/** A station of a job, everything it waits for being known. */
export async function atStation<C>(
  component: Type<C>,
  job: Job,
  { papers = [aPaper()], hands = [], makeId, settings = SETTINGS }: JobPlace = {},
): Promise<PageBench<C>> {
  // Stations are shown once their job is known.
  const begin = new Subject<Job>();
  const bench = new PageBench(component, {}, settings, [
    {
      provide: JobInHand,
      useFactory: () => {
        const hand = new JobInHand();
        begin.subscribe((known) => hand.took(known));
        hand.open(job.id, makeId ?? null);
        begin.next(job);
        inject(Papers).refresh();
        inject(Hands).refresh();
        return hand;
      },
    },
  ]);
  bench.answer('GET', `/api/jobs/${job.id}`, job);
  bench.answer('GET', '/api/papers', papers);
  bench.answer('GET', '/api/hands', hands);
  await bench.settle(60);
  bench.answer('GET', '/api/papers', papers);
  bench.answer('GET', '/api/hands', hands);
  await bench.settle(200);
  return bench;
}
