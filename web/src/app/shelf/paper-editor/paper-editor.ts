import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  effect,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Select } from '../../ui/select/select';
import { type Paper, type PaperDraft, paperDraft } from '@odd-corner/contract';
import { caliperOf, lengthFigure, PAPER_KINDS, parseLength, ParseLengthError, parseSizes } from '@odd-corner/core';
import { ApiFailure } from '../../data/api';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { check, type FieldFaults, faultsOf } from '../../ui/field-faults';
import { UndoBar } from '../../ui/undo/undo-bar';

type Texts = Readonly<Record<'name' | 'size' | 'count' | 'gsm' | 'caliper', string>> &
  Pick<PaperDraft, 'kind' | 'colourFront' | 'colourBack'>;

/** Public stock sizes, to be picked instead of typed. */
const STOCK = [
  '297 x 210',
  '420 x 297',
  '210 x 148',
  '150 x 150',
  '200 x 200',
  '11 x 8 1/2 in',
  '17 x 11 in',
  '12 x 12 in',
] as const;

/** Writes a paper down, or changes it. */
@Component({
  selector: 'oc-paper-editor',
  imports: [MatButtonModule, Select],
  templateUrl: './paper-editor.html',
  styleUrl: './paper-editor.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperEditor {
  /** The paper to change, or null for a new one. */
  readonly paper = input.required<Paper | null>();
  readonly closed = output();
  private readonly papers = inject(Papers);
  private readonly undo = inject(UndoBar);
  protected readonly settings = inject(WorkshopSettings);
  private readonly first = viewChild.required<ElementRef<HTMLInputElement>>('name');
  protected readonly kinds = PAPER_KINDS.map((id) => ({ id, name: id }));
  protected readonly stock = STOCK;

  protected readonly texts = linkedSignal((): Texts => this.written(this.paper()));
  protected readonly faults = signal<FieldFaults>({});
  protected readonly sending = signal(false);
  protected readonly estimate = computed(() => {
    const gsm = Number(this.texts().gsm);
    return gsm > 0 ? caliperOf({ gsm, kind: this.texts().kind, caliperMm: null }).toFixed(2) : null;
  });

  constructor() {
    effect(() => {
      this.paper();
      this.first().nativeElement.focus();
    });
  }

  protected put<K extends keyof Texts>(key: K, value: Texts[K]): void {
    this.texts.update((texts) => ({ ...texts, [key]: value }));
    this.faults.update(({ [key]: _, ...rest }) => rest);
  }

  protected submit(): void {
    const read = this.read();
    if ('faults' in read) {
      this.faults.set(read.faults);
      return;
    }
    const before = this.paper();
    this.sending.set(true);
    const sent = before ? this.papers.change(before, read.draft) : this.papers.add(read.draft);
    sent.subscribe({
      next: () => this.closed.emit(),
      error: (error: unknown) => {
        this.sending.set(false);
        if (error instanceof ApiFailure && error.issues.length) this.faults.set(faultsOf(error.issues));
        else this.undo.failed(error);
        if (error instanceof ApiFailure && error.status === 409) this.papers.refresh();
      },
    });
  }

  private read(): { readonly draft: PaperDraft } | { readonly faults: FieldFaults } {
    const texts = this.texts();
    const faults: Record<string, string> = {};
    const attempt = <T>(key: keyof Texts, reading: () => T): T | undefined => {
      try {
        return reading();
      } catch (error) {
        if (!(error instanceof ParseLengthError)) throw error;
        faults[key] = error.message;
        return undefined;
      }
    };
    const size = attempt('size', () => {
      const read = parseSizes(texts.size, this.settings.current().unit);
      if (read.length !== 2) throw new ParseLengthError('count', 'Write two sizes, for example 297 x 210.', texts.size);
      return read;
    });
    const caliperMm = texts.caliper.trim() ? attempt('caliper', () => thicknessFrom(texts.caliper)) : null;
    const number = (text: string): number => (text.trim() ? Number(text.replace(',', '.')) : NaN);
    const checked = check(paperDraft, {
      name: texts.name,
      widthMm: size?.[0] ?? 100,
      heightMm: size?.[1] ?? 100,
      count: number(texts.count),
      gsm: number(texts.gsm),
      kind: texts.kind,
      caliperMm: caliperMm ?? null,
      colourFront: texts.colourFront,
      colourBack: texts.colourBack,
    });
    const { widthMm, heightMm, ...others } = 'faults' in checked ? checked.faults : {};
    const sizeFault = widthMm ?? heightMm;
    const all = { ...others, ...(sizeFault ? { size: sizeFault } : {}), ...faults };
    return 'draft' in checked && !Object.keys(all).length ? checked : { faults: all };
  }

  private written(paper: Paper | null): Texts {
    if (!paper)
      return {
        name: '',
        size: '',
        count: '',
        gsm: '80',
        caliper: '',
        kind: 'printer',
        colourFront: '#b98d5b',
        colourBack: '#fbf8ef',
      };
    const { unit } = this.settings.current();
    return {
      name: paper.name,
      size: `${lengthFigure(paper.widthMm, unit)} x ${lengthFigure(paper.heightMm, unit)} ${unit}`,
      count: `${paper.count}`,
      gsm: `${paper.gsm}`,
      caliper: paper.caliperMm === null ? '' : `${paper.caliperMm}`,
      kind: paper.kind,
      colourFront: paper.colourFront,
      colourBack: paper.colourBack,
    };
  }
}

/** Thickness in mm; below the least length that can be folded round, so read as a plain number. */
function thicknessFrom(text: string): number {
  const value = Number(
    text
      .trim()
      .replace(/\s*mm$/i, '')
      .replace(',', '.'),
  );
  return Number.isFinite(value) ? value : parseLength(text);
}
