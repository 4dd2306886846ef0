import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import type { Type } from '@angular/core';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { MatExpansionPanelHarness } from '@angular/material/expansion/testing';
import { MatFormFieldHarness } from '@angular/material/form-field/testing';
import { MatChipOptionHarness } from '@angular/material/chips/testing';
import { MatInputHarness } from '@angular/material/input/testing';
import { MatSelectHarness } from '@angular/material/select/testing';
import { provideRouter } from '@angular/router';
import {
  choiceOf,
  type CopyProgress,
  draftOf,
  type Listed,
  type LogEntry,
  measuredOf,
  type Paper,
  type Place,
  predictInside,
  type Settings,
  sizeTrayJob,
  type Thing,
  type TrayJob,
  trayJobOf,
  USUAL_SETTINGS,
} from '@odd-corner/contract';
import { Fitting, make, parsePurpose, squareTray, type SizeOptions } from '@odd-corner/core';
import { foldingTasks } from '../workers/folding-tasks';
import { FOLDING_WORKER } from '../workers/folding-worker-token';

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

/** The steps of a part, by their ids. */
const STEPS = make(squareTray.id, {
  sheet: { widthMm: 200, heightMm: 200 },
  params: {},
  paper: { thicknessMm: 0.1 },
}).folding.steps.map(({ id: step }) => step);

/** What is done where a hand is at a place. */
export function doneAt({ part, step, seconds }: Place): CopyProgress[] {
  const of = (entryKey: string, steps: number, spent: number): CopyProgress => ({
    ...{ entryKey, copy: 0, done: STEPS.slice(0, steps), seconds: spent },
  });
  if (part === 'lid') return [of('tray', STEPS.length, 0), of('lid', step, seconds)];
  return step || seconds ? [of('tray', step, seconds)] : [];
}

/** A job whose sheets were worked out for its paper, as the stations of a tray read it; the server’s own is `kept`. */
export function aJob({ progress = { part: 'tray', step: 0, seconds: 0 }, ...more }: Partial<TrayJob> = {}): TrayJob {
  const block = { lengthMm: 60, widthMm: 45, heightMm: 22 };
  const sized = sizeTrayJob(fitting, { block, ease: 'easy', ruler: 'mm', walls: 'folded', thicknessMm: 0.12 });
  if (!sized) throw new Error('There is a sheet.');
  const purpose = { text: '60 x 45 x 22', block, ease: 'easy' } as const;
  const draft = { title: 'Watch parts', purpose, choice: choiceOf(sized, id(1)), ...more };
  const { makes, ...rest } = draftOf(draft, id(30));
  const [{ chance: _, ...made }] = makes;
  const at = { createdAt: '2026-11-01T10:00:00.000Z', updatedAt: '2026-11-02T10:00:00.000Z', archivedAt: null };
  const tray = trayJobOf({
    ...{ ...rest, ...at, id: more.id ?? id(3), version: more.version ?? 7, state: more.state ?? 'planned' },
    makes: [{ ...made, told: null, cut: null, progress: doneAt(progress) }],
  });
  return tray!;
}

export function aPiece(more: Partial<LogEntry> = {}): LogEntry {
  const { choice, title, id: jobId, kept } = aJob();
  const inside = Object.entries(measuredOf(predictInside(choice)));
  return {
    ...{ id: id(4), jobId, makeId: kept.makes[0].id, title, make: kept.makes[0].make, papers: {} },
    ...{ copies: 1, folderHandId: null, fits: null, minutes: 20, note: '', version: 1 },
    sheetsUsed: [{ paperId: id(1), paperName: 'Kraft', sheets: 1 }],
    predicted: Object.fromEntries(inside.map(([key, mm]) => [key, { mm, sdMm: null }])),
    measured: {},
    foldedAt: '2026-11-03T10:00:00.000Z',
    ...more,
  };
}

/** Rows as a list answers them. */
export const listed = (rows: readonly unknown[]): Listed<unknown> => ({
  ...{ rows: [...rows], broken: [], total: rows.length, next: null },
});

/** A component on a page of its own, with the real folding tasks and a server that answers what the test says. */
export class PageBench<C> {
  readonly fixture: ComponentFixture<C>;
  readonly http: HttpTestingController;

  constructor(component: Type<C>, inputs: Readonly<Record<string, unknown>> = {}, settings: Settings = SETTINGS) {
    const tasks = Object.fromEntries(
      Object.entries(foldingTasks).map(([name, task]) => [
        name,
        async (...asked: never[]) => Promise.resolve(Reflect.apply(task, foldingTasks, asked) as unknown),
      ]),
    );
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        provideRouter([{ path: '**', children: [] }]),
        { provide: FOLDING_WORKER, useValue: tasks },
      ],
    });
    this.http = TestBed.inject(HttpTestingController);
    this.fixture = TestBed.createComponent(component);
    Object.entries(inputs).forEach(([name, value]) => this.fixture.componentRef.setInput(name, value));
    this.answer('GET', '/api/settings', settings);
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
      request.flush((Array.isArray(body) ? listed(body) : body) as never);
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
