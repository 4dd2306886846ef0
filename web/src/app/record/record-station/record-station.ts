import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import type { InsideSize, Job, Paper } from '@odd-corner/contract';
import { cutSquares, parseLength, ParseLengthError } from '@odd-corner/core';
import { ApiFailure } from '../../data/api';
import { partOf, sceneOfChoice } from '../../data/choice-of';
import { Logbook } from '../../data/logbook';
import { WorkshopSettings } from '../../data/workshop-settings';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { LengthPipe } from '../../ui/length-text/length.pipe';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { UndoBar } from '../../ui/undo/undo-bar';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';

type Reading<T> = { readonly value: T } | { readonly why: string };

const DIMENSIONS = [
  { key: 'lengthMm', name: 'Between the sides' },
  { key: 'widthMm', name: 'Between the ends' },
  { key: 'depthMm', name: 'Depth' },
] as const satisfies readonly { key: keyof InsideSize; name: string }[];

/** What came out: paper used, the inside as measured, time and a note. */
@Component({
  selector: 'oc-record-station',
  imports: [MatButtonModule, LengthPipe, PaperModel],
  templateUrl: './record-station.html',
  styleUrl: './record-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordStation {
  readonly job = input.required<Job>();
  readonly paper = input.required<Paper | null>();
  readonly recorded = output();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly logbook = inject(Logbook);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);
  protected readonly settings = inject(WorkshopSettings);
  protected readonly dimensions = DIMENSIONS;

  protected readonly measured = signal<Readonly<Record<keyof InsideSize, string>>>({
    lengthMm: '',
    widthMm: '',
    depthMm: '',
  });
  protected readonly minutes = linkedSignal(() => {
    const { seconds } = this.job().progress;
    return seconds >= 30 ? `${Math.round(seconds / 60)}` : '';
  });
  protected readonly sheets = linkedSignal(() => {
    const paper = this.paper();
    const { tray, lid } = this.job().choice;
    const plan = paper && cutSquares({ ...paper, count: 2 }, [tray.sheetMm, lid.sheetMm]);
    return `${plan?.sheetsUsed ?? (paper ? 2 : 0)}`;
  });
  protected readonly note = signal('');
  /** Faults are shown once the maker has tried to write the piece down. */
  protected readonly tried = signal(false);
  protected readonly refused = signal<{ readonly field: string; readonly why: string } | null>(null);
  protected readonly sending = signal(false);

  protected readonly colours = computed(() => coloursOf(this.paper()));
  protected readonly predicted = toSignal(
    toObservable(computed(() => partOf(this.job().choice, 'tray'))).pipe(
      this.troubles.asking((part) => this.folding.sizes(part)),
    ),
    { initialValue: null },
  );
  protected readonly scene = toSignal(
    toObservable(this.job).pipe(
      this.troubles.asking((job) => this.folding.scene(sceneOfChoice(job.choice, job.purpose.block))),
    ),
    { initialValue: null },
  );

  protected readonly readings = computed(() => {
    const texts = this.measured();
    const any = DIMENSIONS.some(({ key }) => texts[key].trim());
    const read = (text: string): Reading<number> | null => {
      if (!any) return null;
      if (!text.trim()) return { why: 'Measure all three, or leave all three empty.' };
      return lengthFrom(text, this.settings.current().unit);
    };
    return { lengthMm: read(texts.lengthMm), widthMm: read(texts.widthMm), depthMm: read(texts.depthMm) };
  });
  protected readonly minutesRead = computed(() =>
    numberFrom(this.minutes(), 10_000, 'Write minutes as a number, for example 25.', true),
  );
  protected readonly sheetsRead = computed(() => wholeFrom(this.sheets(), 50));
  protected readonly noteFault = computed(() =>
    this.note().length > 1000 ? `Use at most 1,000 characters; this has ${this.note().length}.` : null,
  );

  private readonly complete = computed(() => {
    const { lengthMm, widthMm, depthMm } = this.readings();
    const [minutes, sheetsUsed] = [this.minutesRead(), this.sheetsRead()];
    if ('why' in minutes || 'why' in sheetsUsed || sheetsUsed.value === null || this.noteFault()) return null;
    let measured: InsideSize | null = null;
    if (lengthMm && widthMm && depthMm) {
      if ('why' in lengthMm || 'why' in widthMm || 'why' in depthMm) return null;
      measured = { lengthMm: lengthMm.value, widthMm: widthMm.value, depthMm: depthMm.value };
    }
    return { measured, minutes: minutes.value, sheetsUsed: sheetsUsed.value, note: this.note().trim() };
  });

  protected faultOf(key: keyof InsideSize): string | null {
    const reading = this.readings()[key];
    return this.tried() && reading && 'why' in reading ? reading.why : null;
  }

  protected fault(reading: Reading<unknown>, field: string): string | null {
    const refused = this.refused();
    if (refused?.field === field) return refused.why;
    return this.tried() && 'why' in reading ? reading.why : null;
  }

  protected measure(key: keyof InsideSize, text: string): void {
    this.measured.update((texts) => ({ ...texts, [key]: text }));
  }

  protected submit(): void {
    this.tried.set(true);
    this.refused.set(null);
    const complete = this.complete();
    if (!complete || this.sending()) return;
    this.sending.set(true);
    this.logbook.record({ id: crypto.randomUUID(), jobId: this.job().id, ...complete }).subscribe({
      next: (piece) => {
        this.sending.set(false);
        const used =
          piece.paperName && piece.sheetsUsed ? ` ${piece.sheetsUsed} of ${piece.paperName} taken off the shelf.` : '';
        this.undo.done(
          `In the logbook.${used}`,
          () => this.logbook.undo(piece.id),
          'Taken out again, and the sheets are back on the shelf.',
        );
        this.recorded.emit();
        void this.router.navigate(['/logbook']);
      },
      error: (error: unknown) => {
        this.sending.set(false);
        const issue = error instanceof ApiFailure ? error.issues[0] : undefined;
        if (issue) this.refused.set({ field: String(issue.path[0]), why: issue.message });
        else this.undo.failed(error);
      },
    });
  }
}

function lengthFrom(text: string, unit: 'mm' | 'cm' | 'in'): Reading<number> {
  try {
    return { value: parseLength(text, unit) };
  } catch (error) {
    if (error instanceof ParseLengthError) return { why: error.message };
    throw error;
  }
}

function numberFrom(text: string, most: number, hint: string, mayBeEmpty: boolean): Reading<number | null> {
  const plain = text.trim().replace(',', '.');
  if (!plain && mayBeEmpty) return { value: null };
  const value = Number(plain);
  if (!plain || !Number.isFinite(value) || value < 0) return { why: hint };
  return value > most ? { why: `Write at most ${most.toLocaleString('en')}.` } : { value };
}

function wholeFrom(text: string, most: number): Reading<number | null> {
  const read = numberFrom(text, most, 'Count whole sheets, for example 2.', false);
  return 'value' in read && !Number.isInteger(read.value) ? { why: 'Count whole sheets, for example 2.' } : read;
}
