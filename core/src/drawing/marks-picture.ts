import { creasePicture } from './crease-picture';
import type { Drawing, DrawnLine } from './drawing';
import { type Named, placeLabels } from './labels';
import type { Folding } from '../forms/form';
import type { PlannedPinch } from '../marks/mark-plan';
import { distance, type Point } from '../measure/point';
import type { StepMarks } from '../marks/sheet-marks';

/** Length of a mark's tick as a share of the picture's larger side. */
const TICK = 0.03;

/** Nearer to each other than this share of the picture, two places of one number need it once. */
const BESIDE = 0.12;

const flip = ({ x, y }: Point): Point => ({ x, y: -y });

/**
 * The open sheet, white side up as it lies when folding begins, with every mark and its number: what is measured as a tick
 * at the end of a dotted line from where it is measured, pinches as they are creased, all other creases faint.
 * @param pinches how marks are found that are folded instead: the last of each says which it is
 */
export function marksPicture(
  { finished }: Pick<Folding, 'finished'>,
  steps: readonly StepMarks[],
  pinches: readonly PlannedPinch[] = [],
): Drawing {
  const whole = creasePicture(finished);
  const size = Math.max(whole.box.width, whole.box.height);
  const lines: DrawnLine[] = whole.lines.map((line) => (line.kind === 'raw' ? line : { ...line, kind: 'crease' }));
  const named: Named[] = [];
  for (const { n, name, how } of steps.flatMap(({ marks }) => marks)) {
    if (n === null) continue;
    if (how.kind === 'folded') {
      const pinch = finished.marks?.find((mark) => mark.name === name);
      if (!pinch) continue;
      const [from, to] = [flip(pinch.from), flip(pinch.to)];
      lines.push({ kind: pinch.sense > 0 ? 'valley' : 'mountain', from, to });
      named.push({ at: to, text: `${n}` });
      continue;
    }
    for (const place of how.places) {
      const [at, from] = [flip(place.at), flip(place.from)];
      const length = Math.max(1e-9, distance(at, from));
      const across = { x: -(at.y - from.y) / length, y: (at.x - from.x) / length };
      const end = (s: number): Point => ({
        x: at.x + s * TICK * size * across.x,
        y: at.y + s * TICK * size * across.y,
      });
      lines.push({ kind: 'hidden', from, to: at }, { kind: 'folded', from: end(-0.5), to: end(0.5) });
      named.push({ at, text: `${n}` });
    }
  }
  for (const { from, to, sense, called } of pinches) {
    lines.push({ kind: sense > 0 ? 'valley' : 'mountain', from: flip(from), to: flip(to) });
    // Beside a place that has its number already, a second one says nothing.
    const isNamed = named.some(({ at, text }) => text === called && distance(at, flip(to)) < BESIDE * size);
    if (called && !isNamed) named.push({ at: flip(to), text: called });
  }
  const drawn = { ...whole, lines };
  const labels = placeLabels(drawn, named);
  return { ...drawn, labels, box: around(whole.box, labels) };
}

/** The box with room for all labels. */
function around(box: Drawing['box'], labels: Drawing['labels']): Drawing['box'] {
  const x0 = Math.min(box.x, ...labels.map(({ at, width }) => at.x - width / 2));
  const x1 = Math.max(box.x + box.width, ...labels.map(({ at, width }) => at.x + width / 2));
  const y0 = Math.min(box.y, ...labels.map(({ at, height }) => at.y - height / 2));
  const y1 = Math.max(box.y + box.height, ...labels.map(({ at, height }) => at.y + height / 2));
  return { x: x0, y: y0, width: x1 - x0, height: y1 - y0 };
}
