import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { DomSanitizer } from '@angular/platform-browser';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import {
  caliperOf,
  COMMON_PAPER,
  entriesOf,
  explainSum,
  formById,
  roomFacts,
  roomKindById,
  SHELF,
  type Room,
  type RoomFact,
  printedPartSvg,
  type SheetSize,
  wishesOf,
  proportionWords,
} from '@odd-corner/core';
import { makeOf } from '@odd-corner/contract';
import { combineLatest, of, scan } from 'rxjs';
import { WorkshopSettings } from '../../data/workshop-settings';
import { CautionNote } from '../../ui/caution/caution';
import { Figures } from '../../ui/figures/figures';
import { CreaseFiles } from '../../ui/crease-files/crease-files';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { PLAIN_PAPER } from '../../ui/drawing-view/paper-colours';
import { FigurePipe, LengthPipe } from '../../ui/figures/figure-pipes';
import { SizesPipe } from '../../ui/figures/sizes-pipe';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { ShownFaces } from '../../ui/shown-faces/shown-faces';
import { Slider } from '../../ui/slider/slider';
import { Why } from '../../ui/why/why';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding, type OpeningState } from '../../workers/folding.service';
import type { FormAsked } from '../../workers/fold-piece';
import type { PieceState } from '../../workers/make-tasks';
import type { TriedPiece } from '../../workers/folding-tasks';
import { ParamFields } from '../param-fields/param-fields';
import { WholeMake } from '../whole-make/whole-make';
import { JobStarter } from '../../job/job-starter';
import { SHEET_FIRST } from '../../job/sheet-first';
import { UndoBar } from '../../ui/undo/undo-bar';
import { usualOptions } from '../usual-options';
import { readFormQuery, writeFormQuery } from '../form-query';

const LARGEST_MM = 600;

interface Shown {
  readonly piece: TriedPiece | null;
  /** Why the sheet or a setting does not do; the last piece that did stays in view. */
  readonly why: string | null;
}

/** A form to be tried: sheet and settings to be dragged, sizes, creases and the folded piece following. */
@Component({
  selector: 'oc-try-form',
  imports: [
    CautionNote,
    CreaseFiles,
    FigurePipe,
    MatExpansionModule,
    ShownFaces,
    MatButtonModule,
    DrawingView,
    LengthPipe,
    WholeMake,
    ParamFields,
    PaperModel,
    RouterLink,
    SizesPipe,
    Slider,
    Why,
  ],
  templateUrl: './try-form.html',
  styleUrl: './try-form.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TryForm {
  readonly id = input.required<string>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly settings = inject(WorkshopSettings);
  private readonly undo = inject(UndoBar);
  protected readonly proportionOf = proportionWords;
  protected readonly starter = inject(JobStarter);
  protected readonly figures = inject(Figures);
  private readonly route = inject(ActivatedRoute);
  private readonly router = inject(Router);
  private readonly safe = inject(DomSanitizer);
  protected readonly paper = PLAIN_PAPER;
  protected readonly most = LARGEST_MM;
  protected readonly form = computed(() => formById(this.id()));
  protected readonly oblong = computed(() => this.form().sheetShape !== 'square');
  protected readonly roomFacts = (room: Room): readonly RoomFact[] => roomFacts(roomKindById(room.kind), room);
  /** What depends on the parameters. */
  protected readonly facts = computed(() => {
    const [form, params] = [this.form(), { ...this.usual(), ...this.params() }];
    return {
      holds: SHELF.holdsOf(form).join(', '),
      closure: form.closure(params).words,
      adhesive: form.adhesive(params),
    };
  });

  private readonly begun = computed(() => {
    const { queryParamMap } = this.route.snapshot;
    return readFormQuery(this.id(), (name) => queryParamMap.get(name));
  });
  /** What holds when the maker sets nothing. */
  private readonly usual = computed(() => this.form().params.parse({}) as Readonly<Record<string, unknown>>);
  protected readonly sheet = linkedSignal(() => this.begun().sheet);
  protected readonly params = linkedSignal(() => this.begun().params);
  protected readonly query = computed(() => writeFormQuery({ sheet: this.sheet(), params: this.params() }));

  protected readonly asked = computed((): FormAsked => ({
    formId: this.id(),
    sheet: this.sheet(),
    params: this.params(),
    thicknessMm: caliperOf(COMMON_PAPER),
  }));
  protected readonly shown = toSignal(
    toObservable(this.asked).pipe(
      this.troubles.asking((asked) => this.folding.tried(asked)),
      scan(
        (before: Shown, now): Shown =>
          now.ok ? { piece: now.value, why: null } : { piece: before.piece, why: now.why },
        { piece: null, why: null },
      ),
    ),
    { initialValue: { piece: null, why: null } satisfies Shown },
  );
  protected readonly opening = toSignal(
    toObservable(this.asked).pipe(
      this.troubles.asking((asked) => (formById(asked.formId).opened ? this.folding.opened(asked) : of(null))),
    ),
    { initialValue: null as OpeningState | null },
  );
  /** What the sizes come from is worked out once somebody asks. */
  protected readonly whyAsked = signal(false);
  private readonly sums = toSignal(
    combineLatest([toObservable(this.asked), toObservable(this.whyAsked)]).pipe(
      this.troubles.asking(([asked, open]) => (open ? this.folding.sums(asked) : of([]))),
    ),
    { initialValue: [] },
  );
  protected readonly why = computed(() => this.sums().map((sum) => explainSum(sum, this.figures.shown())));
  /** Which of its states is shown. */
  protected readonly pieceState = linkedSignal<string, PieceState['name']>({
    source: this.id,
    computation: () => 'finished',
  });
  protected readonly scene = computed(() => {
    const piece = this.shown().piece;
    const shown = piece?.pieceStates.find(({ name }) => name === this.pieceState()) ?? piece?.pieceStates[0];
    // A soft piece is finished when it has been pressed open.
    return (shown?.name === 'finished' && this.opened()?.scene) || shown?.scene;
  });
  protected readonly skillWords = { 1: 'first time', 2: 'some practice', 3: 'practised' } as const;
  protected readonly stateWords: Readonly<Record<PieceState['name'], string>> = {
    finished: 'Finished',
    open: 'Open, to be filled',
    flat: 'Flat, to be carried',
  };
  /** Parts to be printed at true size, as files to keep. */
  protected readonly prints = computed(() => {
    const piece = this.shown().piece;
    return (
      (piece && this.form().prints?.(piece.sizes))?.map((part) => ({
        name: part.name,
        href: this.safe.bypassSecurityTrustUrl(`data:image/svg+xml,${encodeURIComponent(printedPartSvg(part))}`),
      })) ?? []
    );
  });
  protected readonly opened = computed(() => this.opening()?.piece ?? null);

  constructor() {
    // The address keeps what is tried, so that it can be shared and come back to.
    effect(() => {
      void this.router.navigate([], { relativeTo: this.route, queryParams: this.query(), replaceUrl: true });
    });
  }

  protected setSide(side: keyof SheetSize, mm: number): void {
    this.sheet.update((sheet) => (this.oblong() ? { ...sheet, [side]: mm } : { widthMm: mm, heightMm: mm }));
  }

  protected set(key: string, value: unknown): void {
    this.params.update((params) => ({ ...params, [key]: value }));
  }

  protected clear(key: string): void {
    this.params.update((params) => Object.fromEntries(Object.entries(params).filter(([name]) => name !== key)));
  }

  /** A job with what is tried, and all that belongs to it, for office paper. */
  protected start(): void {
    const [form, sheet, settings] = [this.form(), this.sheet(), this.settings.current()];
    const params = form.params.parse(this.params()) as Readonly<Record<string, unknown>>;
    const options = usualOptions(settings);
    this.folding.whole({ formId: form.id, sheet, params, options }).subscribe((whole) => {
      if (!whole.ok) {
        this.undo.failed(new Error(whole.why));
        return;
      }
      const [first] = entriesOf(form, params);
      const found = { formId: form.id, params, entries: [{ ...first, sheet }, ...whole.value.others] };
      this.starter.start(`${form.name} from ${this.figures.sizes([sheet.widthMm, sheet.heightMm])}`, {
        asked: {
          ...{ text: '', purpose: null },
          options: { ...SHEET_FIRST, ...wishesOf(form, params), ease: settings.ease, ruler: settings.ruler },
        },
        make: makeOf(found, () => ({ papers: [null], thicknessMm: options.thicknessMm })),
        ...{ chance: null, count: 1 },
      });
    });
  }
}
