import { moved } from '../folding/moved';
import { isFlat, middleOfTable, whereIs } from '../folding/pose';
import { turnOnTable } from '../folding/transform';
import type { FormStep } from '../forms/form';
import type { WrongFold } from './wrong-folds';

/** What comes of a step that only turns the paper, when it is turned otherwise. */
export function wrongTurns({ poses, arrows, meant = [] }: FormStep): readonly WrongFold[] {
  const [first, last] = [poses[0], poses[poses.length - 1]];
  if (meant.length || first.pattern !== last.pattern || !isFlat(first)) return [];
  const found: WrongFold[] = [];
  const centre = middleOfTable(last);
  if (arrows.some(({ kind }) => kind === 'turn-over')) {
    found.push({ kind: 'not turned over', pose: first });
    found.push({ kind: 'turned over endways', pose: moved(last, turnOnTable(centre, 180)) });
  }
  for (const arrow of arrows) {
    if (arrow.kind !== 'rotate') continue;
    const about = middleOfTable(first);
    const [from, to] = [first, last].map((pose) => whereIs(pose, arrow.grip));
    const angle = (p: { readonly x: number; readonly y: number }): number => Math.atan2(p.y - about.y, p.x - about.x);
    const turnedDeg = ((angle(to) - angle(from)) * 180) / Math.PI;
    found.push({ kind: 'turned the other way', pose: moved(first, turnOnTable(about, -turnedDeg)) });
  }
  return found;
}
