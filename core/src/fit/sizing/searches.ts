import type { Piece } from '../../forms/form';
import type { WayToFit } from '../../purpose/demand';
import type { Fitting, Structure } from '../fitting';
import { NeedsTable } from '../needs-table';
import { within } from '../outer-limits';
import type { SizeOptions } from '../size-options';
import { type Way, waysOf } from '../ways';
import { score } from './judge';
import type { Asking, Judged, Search, Work } from './search';

type Tables = Pick<Search, 'answering' | 'table' | 'unlimited'>;

/** The ways of a piece that answer, each as a search; none when its kind of room does not. */
export function* searchesFor(
  fitting: Fitting,
  piece: Piece,
  asking: Asking,
  options: SizeOptions,
  given: Readonly<Record<string, unknown>> = {},
): Work<readonly Search[]> {
  const searches: Search[] = [];
  const known = new Map<readonly WayToFit[], Tables>();
  const tablesOf = (asked: readonly WayToFit[]): Tables => {
    let tables = known.get(asked);
    if (!tables) {
      const answering = within(asked, options.most);
      const unlimited = new NeedsTable(asked);
      const table = answering === asked ? unlimited : new NeedsTable(answering);
      known.set(asked, (tables = { answering, table, unlimited }));
    }
    return tables;
  };
  for (const way of waysOf(piece, given)) {
    if (makesNoDifference(searches, way)) continue;
    const [structure] = yield* fitting.knowing(way);
    const asked = structure ? asking.demands(structure.room.kind) : [];
    const tables = tablesOf(asked);
    const { answering } = tables;
    if (!answering.length && piece.variesRoom) continue;
    if (!answering.length) return searches;
    yield* fitting.learningVolume(structure);
    const like = searches.find((one) => one.way.lengths.length === way.lengths.length && !one.like) ?? null;
    const judged = new Map<Structure, Judged>();
    searches.push({ fitting, way, piece, options, ...tables, judged, like });
  }
  return searches;
}

/** Sides of sheets at which ways are compared, in mm. */
const COMPARED_MM = [150, 300, 600];

/** Whether the usual, the least and the largest value of a number do all the same for the purpose: others then do too. */
function makesNoDifference(searches: readonly Search[], { lengths, choices }: Way): boolean {
  if (lengths.length || !Object.values(choices).some((value) => typeof value === 'number')) return false;
  const [usual, ...extremes] = searches.filter(({ way }) => !way.lengths.length).slice(0, 3);
  if (extremes.length < 2) return false;
  const scoreOf = (search: Search, mm: number): number => {
    const [structure] = search.fitting.structuresOf(search.way);
    const exact: Search = { ...search, options: { ...search.options, confidence: null } };
    const ratio = structure.folded.size.widthMm / structure.folded.size.heightMm;
    const point = {
      sheet: { widthMm: ratio * mm, heightMm: mm },
      lengths: [],
      thicknessMm: search.options.thicknessMm,
    };
    return structure.model ? score(exact, structure, point) : NaN;
  };
  return COMPARED_MM.every((mm) => {
    const own = scoreOf(usual, mm);
    return extremes.every((one) => Math.abs(scoreOf(one, mm) - own) < 1e-9);
  });
}
