import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Drawing, DrawnArrow, Patch, Point } from '@odd-corner/core';
import { FigurePipe } from '../figures/figure-pipes';
import { coloursIn, type PaperColours, PLAIN_PAPER } from './paper-colours';

interface ShownArrow {
  readonly kind: DrawnArrow['kind'];
  readonly path: string;
  readonly head: string;
  readonly tail: string | null;
}

/** Share of the picture's larger side kept free round it. */
const MARGIN = 0.06;

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
      points: patch.points.map((p) => `${p.x},${p.y}`).join(' '),
      fill: fillOf(patch, this.colours()),
    })),
  );
  protected readonly arrows = computed(() => this.drawing().arrows.map((arrow) => this.shown(arrow)));

  private shown({ kind, from, bend, to }: DrawnArrow): ShownArrow {
    const size = this.margin() * 0.62;
    return {
      kind,
      path: kind === 'turn-over' ? loop(from, bend, to) : `M${from.x} ${from.y} Q${bend.x} ${bend.y} ${to.x} ${to.y}`,
      head: head(bend, to, size),
      // A fold that is opened again points both ways.
      tail: kind === 'fold-and-unfold' ? head(bend, from, size) : null,
    };
  }
}

/** A way with a loop in its middle: the paper goes right over. */
function loop(from: Point, bend: Point, to: Point): string {
  const [mx, my] = [(from.x + bend.x + to.x) / 3, (from.y + bend.y + to.y) / 3];
  const [dx, dy] = [(to.x - from.x) * 0.16, (bend.y - my) * 0.9];
  return `M${from.x} ${from.y} C${mx} ${my} ${mx + 2 * dx} ${my + dy} ${mx} ${my + dy} S${mx} ${my} ${to.x} ${to.y}`;
}

/** Shade of a piece: its side's colour, darkened where less light falls. */
function fillOf({ side, light, of }: Patch, colours: PaperColours): string {
  const own = coloursIn(colours, of);
  const { front, back } = own === colours ? { front: 'var(--front)', back: 'var(--back)' } : own;
  const base = side === 'thing' ? 'var(--thing)' : side === 'white' ? back : front;
  return `color-mix(in oklab, ${base} ${Math.round(46 + 54 * light)}%, #3a2f22)`;
}

/** An arrow head at `tip`, coming from `from`. */
function head(from: { x: number; y: number }, tip: { x: number; y: number }, size: number): string {
  const length = Math.hypot(tip.x - from.x, tip.y - from.y) || 1;
  const [ux, uy] = [(tip.x - from.x) / length, (tip.y - from.y) / length];
  const [bx, by] = [tip.x - ux * size, tip.y - uy * size];
  const half = size * 0.46;
  return `${tip.x},${tip.y} ${bx - uy * half},${by + ux * half} ${bx + ux * size * 0.28},${by + uy * size * 0.28} ${bx + uy * half},${by - ux * half}`;
}
