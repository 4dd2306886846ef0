import { type Paper, type PaperMonth, type PaperMove, paperMove } from '@odd-corner/contract';
import type { Db } from '../db/open-database';

type Sized = Pick<Paper, 'id' | 'widthMm' | 'heightMm'>;

interface Used {
  readonly month: string;
  readonly usedMm2: number;
  readonly wasteMm2: number;
}

interface Held {
  readonly month: string;
  readonly paperId: string;
  readonly sheets: number;
}

interface Priced {
  readonly id: string;
  readonly currency: PaperMonth['value'][number]['currency'] | null;
  readonly each: number | null;
}

/** How sheets came and went: written with every change of a count, never changed. */
export function paperMoves(db: Db) {
  const insert = db.prepare<[string | null, string, string, number, number, number]>(
    'INSERT INTO paper_moves (paper_id, at, why, sheets, area_mm2, waste_mm2) VALUES (?, ?, ?, ?, ?, ?)',
  );
  const all = db.prepare<[], PaperMove>(
    'SELECT paper_id AS paperId, at, why, sheets, area_mm2 AS areaMm2, waste_mm2 AS wasteMm2 FROM paper_moves ORDER BY at, id',
  );
  // What was counted anew was neither used nor bought: nobody knows which.
  const used = db.prepare<[], Used>(`SELECT substr(at, 1, 7) AS month,
      -sum(CASE WHEN why IN ('cut', 'put back', 'offcut', 'folded') THEN sheets * area_mm2 ELSE 0 END) AS usedMm2, sum(waste_mm2) AS wasteMm2
    FROM paper_moves GROUP BY month ORDER BY month`);
  const held = db.prepare<[], Held>(`SELECT substr(at, 1, 7) AS month, paper_id AS paperId, sum(sheets) AS sheets
    FROM paper_moves WHERE paper_id IS NOT NULL GROUP BY month, paper_id ORDER BY month`);
  const priced = db.prepare<[], Priced>(
    'SELECT id, price_currency AS currency, CAST(price_minor AS REAL) / price_sheets AS each FROM papers WHERE removed_at IS NULL',
  );
  return {
    note({ id, widthMm, heightMm }: Sized, sheets: number, why: PaperMove['why'], at: string, wasteMm2 = 0): void {
      if (sheets || wasteMm2) insert.run(id, at, why, sheets, widthMm * heightMm, wasteMm2);
    },
    put: ({ paperId, at, why, sheets, areaMm2, wasteMm2 }: PaperMove): void =>
      void insert.run(paperId, at, why, sheets, areaMm2, wasteMm2),
    all: (): PaperMove[] => all.all().map((row) => paperMove.parse(row)),
    /** Month by month from the first one on, also those in which nothing happened. */
    months(): PaperMonth[] {
      const [uses, holds] = [used.all(), held.all()];
      if (!uses.length) return [];
      const prices = new Map(priced.all().map((one) => [one.id, one]));
      const counts = new Map<string, number>();
      return monthsFrom(uses[0].month, uses[uses.length - 1].month).map((month): PaperMonth => {
        for (const { paperId, sheets } of holds.filter((one) => one.month === month))
          counts.set(paperId, (counts.get(paperId) ?? 0) + sheets);
        const value = new Map<NonNullable<Priced['currency']>, number>();
        let sheets = 0;
        for (const [id, count] of counts) {
          const price = prices.get(id);
          if (!price) continue;
          sheets += count;
          if (price.currency && price.each !== null)
            value.set(price.currency, (value.get(price.currency) ?? 0) + count * price.each);
        }
        const { usedMm2, wasteMm2 } = uses.find((one) => one.month === month) ?? { usedMm2: 0, wasteMm2: 0 };
        return {
          ...{ month, usedMm2, wasteMm2, sheets },
          value: [...value].map(([currency, minor]) => ({ currency, minor })),
        };
      });
    },
  };
}

function monthsFrom(first: string, last: string): string[] {
  const number = (month: string): number => 12 * Number(month.slice(0, 4)) + Number(month.slice(5, 7)) - 1;
  const [from, to] = [number(first), number(last)];
  return Array.from({ length: to - from + 1 }, (_, k) => {
    const at = from + k;
    return `${String(Math.floor(at / 12)).padStart(4, '0')}-${String((at % 12) + 1).padStart(2, '0')}`;
  });
}
