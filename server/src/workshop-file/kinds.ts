import { quoted } from './tables';

/** Rows that are one thing for the maker: those of a table, with what belongs to each. */
export interface Kind {
  /** What they are called, and one of them. */
  readonly kind: string;
  readonly one: string;
  readonly table: string;
  readonly key: string;
  /** Tables of what belongs to them, and which rows: `of` is the key of the whole. In the order in which they can be written. */
  readonly parts: readonly { readonly table: string; readonly where: (schema: string, of: string) => string }[];
}

const inMakes = (schema: string, of: string): string =>
  `make_id IN (SELECT id FROM ${schema}.makes WHERE job_id = ${of})`;

/** In the order in which they can be written: each names only rows of those before it. */
export const KINDS: readonly Kind[] = [
  { kind: 'papers', one: 'paper', table: 'papers', key: 'id', parts: [] },
  { kind: 'things', one: 'thing', table: 'things', key: 'id', parts: [] },
  { kind: 'hands', one: 'hand', table: 'hands', key: 'id', parts: [] },
  {
    ...{ kind: 'jobs', one: 'job', table: 'jobs', key: 'id' },
    parts: [
      { table: 'makes', where: (_, of) => `job_id = ${of}` },
      { table: 'progress', where: inMakes },
      { table: 'cut_sheets', where: inMakes },
    ],
  },
  {
    ...{ kind: 'log entries', one: 'log entry', table: 'log_entries', key: 'id' },
    parts: [{ table: 'sheets_used', where: (_, of) => `entry_id = ${of}` }],
  },
  {
    ...{ kind: 'cutting plans', one: 'cutting plan', table: 'cutting_plans', key: 'id' },
    parts: [
      { table: 'plan_parents', where: (_, of) => `plan_id = ${of}` },
      { table: 'plan_makes', where: (_, of) => `plan_id = ${of}` },
    ],
  },
  { kind: 'trials', one: 'trial', table: 'trials', key: 'id', parts: [] },
  { kind: 'photographs', one: 'photograph', table: 'photographs', key: 'id', parts: [] },
  { kind: 'tries by eye', one: 'try by eye', table: 'eye_tries', key: 'id', parts: [] },
  { kind: 'recent questions', one: 'recent question', table: 'recent', key: 'purpose', parts: [] },
];

/** Tables that are no kind of their own: there is one row, or their rows follow their papers. */
export const OTHERS = ['settings', 'paper_moves'] as const;

/** A list of columns of a table under another name. */
export const columnsOf = (columns: readonly string[], as: string): string =>
  columns.map((column) => `${as}.${quoted(column)}`).join(', ');
