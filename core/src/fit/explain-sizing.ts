import { formatLength, lengthFigure, type ShownUnit } from '../measure/format-length';
import { RULERS, unitOnRuler } from '../measure/ruler';
import { EASES, easeMm } from './ease';
import type { Decided, SizedPart, TraySizing } from './size-tray';
import { LID_PLAY_MM } from './size-tray';

/** What decided a sheet, in words that end “decided”. */
export const DECIDED_BY: Readonly<Record<Decided, string>> = {
  lengthMm: 'The length of the contents',
  widthMm: 'The width of the contents, across the thick ends',
  depthMm: 'The height of the contents',
  'wall-share': 'The tall wall, which asks for a wider base',
  fingers: 'The smallest sheet that fingers fold well',
};

/** The same for a lid, whose contents are the tray. */
export const LID_DECIDED_BY: Readonly<Record<Decided, string>> = {
  ...DECIDED_BY,
  lengthMm: 'The tray’s length',
  widthMm: 'The tray’s width, across the lid’s thick ends',
  depthMm: 'The tray’s height',
};

/** One line of arithmetic: what is worked out, and the figures put in. */
export interface WhyLine {
  readonly what: string;
  readonly figures: string;
}

const TWO_PLACES = 100;

/** Lengths in arithmetic need the hundredths that a ruler does not show. */
function fine(mm: number, unit: ShownUnit): string {
  if (unit === 'in' && lengthFigure(mm, 'in') === '0') unit = 'mm';
  if (unit === 'in') return `${lengthFigure(mm, 'in')} in (${Math.round(mm * TWO_PLACES) / TWO_PLACES} mm)`;
  return unit === 'cm'
    ? `${Math.round(mm * TWO_PLACES) / (TWO_PLACES * 10)} cm`
    : `${Math.round(mm * TWO_PLACES) / TWO_PLACES} mm`;
}

/** Why the tray's sheet is as large as it is: from contents to needs, from folded paper to room, step by step. */
export function explainTray(sizing: TraySizing, unit: ShownUnit): WhyLine[] {
  const { block, ease, thicknessMm } = sizing.request;
  const { tray } = sizing;
  const [long, short] = [Math.max(block.lengthMm, block.widthMm), Math.min(block.lengthMm, block.widthMm)];
  const room = (what: string, size: number): WhyLine => ({
    what,
    figures: `${fine(size, unit)} + ease ${EASES[ease].mm} mm${EASES[ease].percent ? ` and ${EASES[ease].percent} %` : ''} = ${fine(size + easeMm(size, ease), unit)}`,
  });
  return [
    room('Length needed', long),
    room('Width needed', short),
    room('Height needed', block.heightMm),
    ...foldedLines(tray, thicknessMm, unit),
    ruledLine(sizing, tray, unit),
  ];
}

/** Why the lid's sheet is larger: the tray's outside, the play, the lid's own layers. */
export function explainLid(sizing: TraySizing, unit: ShownUnit): WhyLine[] {
  const { ease, thicknessMm } = sizing.request;
  const { tray, lid } = sizing;
  return [
    {
      what: 'The lid must go over',
      figures: `the tray’s outside ${fine(tray.sizes.outer.widthMm, unit)} + play ${LID_PLAY_MM[ease]} mm = ${fine(lid.need.widthMm, unit)}`,
    },
    ...foldedLines(lid, thicknessMm, unit),
    ruledLine(sizing, lid, unit),
  ];
}

function foldedLines({ sizes, params }: SizedPart, thicknessMm: number, unit: ShownUnit): WhyLine[] {
  const lost = (across: number, inside: number): string =>
    `${fine(across, unit)} between creases − ${Math.round((across - inside) / thicknessMm)} layers of ${fine(thicknessMm, 'mm')} = ${fine(inside, unit)}`;
  return [
    {
      what: params.part === 'tray' ? 'Room between the sides' : 'Lid, inside between the sides',
      figures: lost(sizes.nominal.baseMm, sizes.cavity.lengthMm),
    },
    {
      what: params.part === 'tray' ? 'Room between the ends' : 'Lid, inside between the ends',
      figures: lost(sizes.nominal.baseMm, sizes.cavity.widthMm),
    },
    {
      what: 'Depth',
      figures: `wall ${fine(sizes.nominal.wallMm, unit)} − the floor’s layers = ${fine(sizes.cavity.depthMm, unit)}`,
    },
  ];
}

function ruledLine({ request }: TraySizing, { params, sheetMm, decided, slack }: SizedPart, unit: ShownUnit): WhyLine {
  const { stepMm, name } = RULERS[request.ruler];
  const onRuler = unitOnRuler(request.ruler, unit);
  const by = (params.part === 'tray' ? DECIDED_BY : LID_DECIDED_BY)[decided];
  if (decided === 'fingers')
    return {
      what: `${by} decided`,
      figures: `${formatLength(sheetMm, onRuler)}; the contents would do with less.`,
    };
  const least = decided === 'wall-share' ? '' : ` (${fine(slack.left[decided], unit)} to spare there)`;
  return {
    what: `${by} decided`,
    figures: `${formatLength(sheetMm, onRuler)} is the first mark in ${name} that works${least}; ${formatLength(sheetMm - stepMm, onRuler)} was folded too and does not.`,
  };
}
