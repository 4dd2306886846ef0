import { type Learned, make, measured, NO_PAPER, papersThen, predicted } from '@odd-corner/contract';
import { caliperOf, deviationsOf, HANDS } from '@odd-corner/core';
import * as z from 'zod';
import type { Db } from '../db/open-database';
import { everyRow } from '../db/every-row';
import { readJson } from '../db/read-json';
import type { Workshop } from '../db/workshop';
import type { Learn, LearnAsked, LearnEntry } from './learn-from';

/** The latest entries of the logbook say enough. */
const MOST_ENTRIES = 1000;

const json = <T extends z.ZodType>(schema: T) => z.string().transform(readJson).pipe(schema);
const row = z.object({
  handId: z.string().nullable(),
  copies: z.int(),
  minutes: z.number().nullable(),
  make: json(make),
  papers: json(papersThen),
  predicted: json(predicted),
  measured: json(measured),
  steps: json(z.array(z.record(z.string(), z.number()))),
});

function entriesOf(db: Db): readonly LearnEntry[] {
  const rows = db
    .prepare<[number], Record<string, unknown>>(
      `SELECT folder_hand_id AS handId, copies, minutes, make, papers, predicted, measured,
        -- The table's times of a make go with one of its entries only.
        (SELECT json_group_array(json(p.step_seconds)) FROM progress p WHERE p.make_id = t.make_id AND t.id =
          (SELECT MAX(id) FROM log_entries WHERE make_id = t.make_id AND removed_at IS NULL)) AS steps FROM log_entries t
      WHERE removed_at IS NULL AND (measured <> '{}' OR minutes IS NOT NULL) ORDER BY folded_at DESC, id DESC LIMIT ?`,
    )
    .all(MOST_ENTRIES)
    .reverse();
  return rows.flatMap((raw): LearnEntry[] => {
    const { success, data } = row.safeParse(raw);
    // What cannot be read any more says nothing; the logbook shows it as broken.
    if (!success) return [];
    const { handId, copies, minutes, papers, steps } = data;
    return [
      {
        ...{ handId, copies, minutes, make: data.make },
        stepSeconds: steps.filter((one) => Object.keys(one).length > 0),
        offMm: Object.fromEntries(deviationsOf(data).map(({ key, offMm }) => [key, offMm])),
        papers: Object.fromEntries(
          data.make.entries.map(({ key, thicknessMm }) => {
            const paper = Object.hasOwn(papers, key) ? papers[key].at(0) : undefined;
            // Predicted for what it was sized for.
            return [key, { key: paper?.paperId ?? NO_PAPER, caliperMm: thicknessMm }];
          }),
        ),
      },
    ];
  });
}

function askedOf({ db, hands, papers, settings }: Workshop): LearnAsked {
  return {
    entries: entriesOf(db),
    hands: [
      { handId: null, missMm: HANDS[settings.get().hand].missMm },
      ...everyRow(hands.list).map(({ id, missMm }) => ({ handId: id, missMm })),
    ],
    calipers: Object.fromEntries(everyRow(papers.list).map((paper) => [paper.id, caliperOf(paper)])),
  };
}

/** What the logbook says of hands, worked out anew when anything that it follows from has changed. */
export function learning(workshop: Workshop, learn: Learn): () => Promise<Learned> {
  const changes = workshop.db.prepare<[], { readonly n: number }>('SELECT total_changes() AS n');
  let seen = -1;
  let known: { readonly of: string; readonly learned: Promise<Learned> } | null = null;
  return () => {
    const { n } = changes.get()!;
    if (known && n === seen) return known.learned;
    seen = n;
    const asked = askedOf(workshop);
    const of = JSON.stringify(asked);
    if (known?.of !== of) {
      const learned = learn(asked);
      const mine = { of, learned };
      known = mine;
      // What failed is tried again.
      learned.catch(() => {
        if (known === mine) known = null;
      });
    }
    return known.learned;
  };
}
