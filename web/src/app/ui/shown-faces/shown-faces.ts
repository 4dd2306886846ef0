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
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatListModule } from '@angular/material/list';
import {
  type Drawing,
  faceName,
  pencilWords,
  type Point,
  roomyBox,
  type SheetSide,
  type ShownFace,
} from '@odd-corner/core';
import type { FormAsked } from '../../workers/fold-piece';
import { Folding } from '../../workers/folding.service';
import { DrawingView } from '../drawing-view/drawing-view';
import type { PaperColours } from '../drawing-view/paper-colours';
import { Figures } from '../figures/figures';
import { Segments } from '../segments/segments';
import { Troubles } from '../troubles/troubles';

/** A place on a picture that belongs to a face. */
interface Place {
  readonly face: number;
  readonly points: string;
}

const SIDES: readonly SheetSide[] = ['white', 'coloured'];

const cornersOf = (points: readonly Point[]): string => points.map(({ x, y }) => `${x},${y}`).join(' ');

const viewBoxOf = (drawing: Drawing): string => {
  const { x, y, width, height } = roomyBox(drawing);
  return `${x} ${y} ${width} ${height}`;
};

/** Which part of the sheet shows on which face of the folded piece, to be drawn on before it is folded. */
@Component({
  selector: 'oc-shown-faces',
  imports: [DrawingView, MatButtonModule, MatListModule, Segments],
  templateUrl: './shown-faces.html',
  styleUrl: './shown-faces.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShownFaces {
  readonly asked = input.required<FormAsked>();
  readonly colours = input.required<PaperColours>();
  /** Whether the template of a face can be printed from here. */
  readonly prints = input(false);
  /** The face whose template is to be printed. */
  readonly print = output<number>();
  private readonly folding = inject(Folding);
  private readonly figures = inject(Figures);
  private readonly troubles = inject(Troubles);

  protected readonly state = signal<'finished' | 'open'>('finished');
  protected readonly states = [
    { id: 'finished', label: 'Finished' },
    { id: 'open', label: 'Open' },
  ];
  private readonly looking = signal({ quarterTurns: 0, fromBelow: false });
  private readonly found = toSignal(
    toObservable(computed(() => ({ asked: this.asked(), state: this.state(), looking: this.looking() }))).pipe(
      this.troubles.asking(({ asked, state, looking }) => this.folding.facesShown(asked, state, looking)),
    ),
    { initialValue: null },
  );
  protected readonly failed = computed(() => {
    const found = this.found();
    return found && !found.ok ? found.why : null;
  });
  protected readonly shown = computed(() => {
    const found = this.found();
    return found?.ok ? found.value : null;
  });
  /** The face that was picked; the largest as long as none was. */
  protected readonly picked = linkedSignal({ source: () => this.shown()?.faces.length ?? 0, computation: () => 0 });
  protected readonly faces = computed(() =>
    (this.shown()?.faces ?? []).map((face, k) => ({
      name: `${k + 1}. ${faceName(face)}`,
      size: `${this.figures.sizes([face.widthMm, face.heightMm])}${face.parts.length > 1 ? `, from ${face.parts.length} places of the sheet` : ''}`,
    })),
  );
  protected readonly words = computed(() => {
    const [face, sheet] = [this.shown()?.faces.at(this.picked()), this.shown()?.sheet.white.box];
    return face && sheet ? pencilWords(face, sheet.width, (mm) => this.figures.length(mm)) : [];
  });
  protected readonly pieceBox = computed(() => viewBoxOf(this.shown()!.piece));
  protected readonly onPiece = computed((): readonly Place[] => {
    const shown = this.shown();
    if (!shown) return [];
    const faceOf = new Map<string, number>(
      shown.faces.flatMap(({ of }, k) => of.map(({ face, side }) => [`${face} ${side}`, k] as const)),
    );
    return shown.piece.patches.flatMap(({ face, side, points }) => {
      const k = faceOf.get(`${face} ${side === 'white' ? 'white' : 'coloured'}`);
      return k === undefined ? [] : [{ face: k, points: cornersOf(points) }];
    });
  });
  /** The open sheet, from each side on which something shows. */
  protected readonly sheets = computed(() => {
    const shown = this.shown();
    if (!shown) return [];
    return SIDES.flatMap((side) => {
      const places = shown.faces.flatMap((face, k) => placesOn(face, k, side, shown.sheet.white.box));
      return places.length ? [{ side, drawing: shown.sheet[side], box: viewBoxOf(shown.sheet[side]), places }] : [];
    });
  });

  protected turn(): void {
    this.looking.update(({ quarterTurns, ...rest }) => ({ ...rest, quarterTurns: (quarterTurns + 1) % 4 }));
  }

  protected fromBelow(): void {
    this.looking.update(({ fromBelow, ...rest }) => ({ ...rest, fromBelow: !fromBelow }));
  }

  protected choose(state: string): void {
    this.state.set(state === 'open' ? 'open' : 'finished');
  }
}

/** Where a face lies on one side of the sheet, in the coordinates of its picture. */
function placesOn(
  { parts }: ShownFace,
  face: number,
  side: SheetSide,
  { x, y, width, height }: Drawing['box'],
): readonly Place[] {
  return parts.flatMap((part) => {
    if (part.side !== side) return [];
    const points = part.outline.map((p) => ({ x: side === 'white' ? x + p.x : x + width - p.x, y: y + height - p.y }));
    return [{ face, points: cornersOf(points) }];
  });
}
