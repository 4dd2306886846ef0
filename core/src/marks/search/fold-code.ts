import {
  FIRST_FOLD,
  type FoldBy,
  type FoldRoot,
  type LineRef,
  type MarkFold,
  needsOf,
  type PlaceRef,
} from './mark-fold';

/** One letter for each way to line up a fold. */
const LETTERS: Readonly<Record<FoldBy['kind'], string>> = {
  'point-onto-point': 'p',
  'line-onto-line': 'l',
  'through-points': 't',
  perpendicular: 's',
  'point-onto-line-square': 'q',
  'point-onto-line': 'o',
  'points-onto-lines': 'b',
  'by-eye': 'e',
};

const KINDS = new Map(Object.entries(LETTERS).map(([kind, letter]) => [letter, kind as FoldBy['kind']]));

/** Shares of an edge that are creased by eye are written in millionths. */
const PARTS = 1_000_000;

/** A sequence of folds in small letters and digits, a hyphen between two folds: as it is kept with a job. */
export function writeFolds(folds: readonly MarkFold[]): string {
  const ref = (line: LineRef): string => line.toString(36);
  const place = ([j, k]: PlaceRef): string => ref(j) + ref(k);
  return folds
    .map(({ by, root }) => {
      const said = LETTERS[by.kind] + root.toString();
      switch (by.kind) {
        case 'point-onto-point':
          return said + place(by.point) + place(by.onto);
        case 'line-onto-line':
          return said + ref(by.line) + ref(by.onto);
        case 'through-points':
          return said + place(by.a) + place(by.b);
        case 'perpendicular':
          return said + place(by.through) + ref(by.to);
        case 'point-onto-line-square':
          return said + place(by.point) + ref(by.onto) + ref(by.squareTo);
        case 'point-onto-line':
          return said + place(by.point) + ref(by.onto) + place(by.through);
        case 'points-onto-lines':
          return said + place(by.point) + ref(by.onto) + place(by.other) + ref(by.otherOnto);
        case 'by-eye':
          return said + ref(by.edge) + Math.round(by.share * PARTS).toString(36);
      }
    })
    .join('-');
}

/** Reads what `writeFolds` wrote. @returns null when it is none, or refers to what is not there yet */
export function readFolds(code: string): readonly MarkFold[] | null {
  const folds: MarkFold[] = [];
  for (const text of code.split('-')) {
    const fold = readFold(text);
    if (!fold) return null;
    const { lines, places } = needsOf(fold.by);
    if ([...lines, ...places.flat()].some((line) => !(line < FIRST_FOLD + folds.length))) return null;
    folds.push(fold);
  }
  return folds;
}

function readFold(text: string): MarkFold | null {
  const kind = KINDS.get(text[0]);
  if (!kind || !/^[a-z][0-2][0-9a-z]+$/.test(text)) return null;
  const root = Number(text[1]) as FoldRoot;
  const refs = [...text.slice(2)].map((letter) => Number.parseInt(letter, 36));
  const places = (at: number): PlaceRef => [refs[at], refs[at + 1]];
  const made = (length: number, by: FoldBy): MarkFold | null => (refs.length === length ? { by, root } : null);
  switch (kind) {
    case 'point-onto-point':
      return made(4, { kind, point: places(0), onto: places(2) });
    case 'line-onto-line':
      return made(2, { kind, line: refs[0], onto: refs[1] });
    case 'through-points':
      return made(4, { kind, a: places(0), b: places(2) });
    case 'perpendicular':
      return made(3, { kind, through: places(0), to: refs[2] });
    case 'point-onto-line-square':
      return made(4, { kind, point: places(0), onto: refs[2], squareTo: refs[3] });
    case 'point-onto-line':
      return made(5, { kind, point: places(0), onto: refs[2], through: places(3) });
    case 'points-onto-lines':
      return made(6, { kind, point: places(0), onto: refs[2], other: places(3), otherOnto: refs[5] });
    case 'by-eye': {
      const share = Number.parseInt(text.slice(3), 36) / PARTS;
      return refs[0] < FIRST_FOLD && share > 0 && share < 1 ? { by: { kind, edge: refs[0], share }, root } : null;
    }
  }
}
