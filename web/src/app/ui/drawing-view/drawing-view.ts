import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { arrowShape, type ArrowShape, type Drawing, type Patch, type Point } from '@odd-corner/core';
import { FigurePipe } from '../figures/figure-pipes';
import { coloursIn, type PaperColours, PLAIN_PAPER } from './paper-colours';

interface ShownArrow {
  readonly kind: ArrowShape['kind'];
  readonly path: string;
  readonly head: string;
  readonly tail: string | null;
}

/** Share of the picture's larger side kept free round it. */
const MARGIN = 0.06;

/** Length of an arrow's head as a share of that margin. */
const HEAD_SHARE = 0.62;

const cornersOf = (points: readonly Point[]): string => points.map((p) => `${p.x},${p.y}`).join(' ');

/** A neutral drawing as SVG on the screen. Side colours are the paper's own; fold lines carry dash, colour and label. */
@Component({
  selector: 'oc-drawing',
  imports: [FigurePipe],
  templateUrl: './drawing-view.html',
  styleUrl: './drawing-view.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[style.--front]': 'colours().front', '[style.--back]': 'colours().back' },
})
export class DrawingView {
  readonly drawing = input.required<Drawing>();
  /** What the picture shows, in words. */
  readonly label = input.required<string>();
  readonly colours = input<PaperColours>(PLAIN_PAPER);
  /** What a larger picture beside it shows: a frame is drawn round it. */
  readonly framed = input<Drawing['box'] | null>(null);

  protected readonly margin = computed(() => MARGIN * Math.max(this.drawing().box.width, this.drawing().box.height));
  protected readonly viewBox = computed(() => {
    const { x, y, width, height } = this.drawing().box;
    const m = this.margin();
    return `${x - m} ${y - m} ${width + 2 * m} ${height + 2 * m}`;
  });
  protected readonly patches = computed(() =>
    this.drawing().patches.map((patch) => ({
      points: cornersOf(patch.points),
      fill: fillOf(patch, this.colours()),
    })),
  );
  protected readonly arrows = computed(() =>
    this.drawing().arrows.map((arrow): ShownArrow => {
      const { kind, stem, head, tail } = arrowShape(arrow, this.margin() * HEAD_SHARE);
      return { kind, path: stem, head: cornersOf(head), tail: tail && cornersOf(tail) };
    }),
  );
}

/** Shade of a piece: its side's colour, darkened where less light falls. */
function fillOf({ side, light, of }: Patch, colours: PaperColours): string {
  const own = coloursIn(colours, of);
  const { front, back } = own === colours ? { front: 'var(--front)', back: 'var(--back)' } : own;
  const base = side === 'thing' ? 'var(--thing)' : side === 'white' ? back : front;
  return `color-mix(in oklab, ${base} ${Math.round(46 + 54 * light)}%, #3a2f22)`;
}
