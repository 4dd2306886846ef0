import { SHELF } from '../forms/shelf';
import { formatLength, type ShownUnit } from '../measure/format-length';
import { RULERS, unitOnRuler } from '../measure/ruler';
import type { WhyLine } from './why-line';
import type { Need } from './needs';
import { type Quantities, quantity, rounded } from '../purpose/quantity';
import type { SizedEntry, SizeOptions, Tried } from './size-options';
import { explainSum } from './size-sums';

/** What each need comes to, what decided the sheet, and how sure it is, in plain words with the figures put in. */
export function explainFit(answer: SizedEntry, options: SizeOptions, shown: Quantities): readonly WhyLine[] {
  const { fit, sheet, decided, next, chance, chanceOneMore, layers, tried } = answer;
  const piece = SHELF.piece(answer.pieceId);
  const onRuler = unitOnRuler(options.ruler, shown.unit);
  const summed = ({ terms: all, need, unit: of }: Need): string => {
    const terms = all?.filter(({ value }) => value > 0) ?? [];
    return terms.length > 1
      ? `${terms.map(({ name, value }) => `${name} ${quantity(value, of, shown)}`).join(' + ')} = ${quantity(need, of, shown)} needed`
      : `${quantity(need, of, shown)} needed`;
  };
  const lines: WhyLine[] = fit.needs.map((need) => ({
    what: need.name[0].toUpperCase() + need.name.slice(1),
    figures: `${summed(need)}; ${quantity(need.have, need.unit, shown)} available, ${quantity(need.have - need.need, need.unit, shown)} to spare.`,
  }));
  if (fit.arrangement && fit.arrangement.placements.length > 1) {
    const [a, b, c] = fit.arrangement.box.map((mm) => quantity(mm, 'mm', shown));
    lines.unshift({
      what: 'All together',
      figures: `${fit.arrangement.placements.length} things fill ${a} × ${b} × ${c}`,
    });
  }
  const across = fit.arrangement?.cornerwise;
  if (across)
    lines.unshift({
      what: 'Laid cornerwise',
      figures: `turned by ${rounded((across.angle * 180) / Math.PI, 0)}° on the floor: ${across.of.map((mm) => quantity(mm, 'mm', shown)).join(' × ')} lies along its diagonal.`,
    });
  for (const sum of answer.sums) {
    const { what, figures } = explainSum(sum, shown);
    lines.push({ what: `${what}, comes from`, figures });
  }
  lines.push({
    what: 'Paper in the walls',
    figures: `one layer is ${rounded(options.thicknessMm, 2)} mm; ${layers.map(({ name, count }) => `${name}: ${count}`).join(', ')}. Room and outside are measured with it.`,
  });
  if (decided.kind === 'fingers')
    lines.push({
      what: 'Fingers decided',
      figures: `${piece.name} cannot be folded well from less than ${formatLength(piece.leastSheetMm, onRuler)}; the contents need less.`,
    });
  if (decided.kind === 'need') {
    const sure =
      chance === null || options.confidence === null
        ? ' if folded exactly'
        : ` in ${rounded(100 * options.confidence, 0)} of 100 tries`;
    lines.push({
      what: `${decided.name[0].toUpperCase()}${decided.name.slice(1)} decided`,
      figures: `${formatLength(sheet.widthMm, onRuler)} is the first mark in ${RULERS[options.ruler].name} that works${sure}.${next ? ` Next comes: ${next}.` : ''}`,
    });
  }
  for (const one of tried) lines.push(explainTried(one, piece.sheetShape === 'square', onRuler, shown));
  if (chance !== null)
    lines.push({
      what: 'How sure',
      figures: `${whoFits(options)} fits it in ${rounded(100 * chance, 0)} of 100 tries${chanceOneMore === null ? '' : `; from a sheet one mark larger, in ${rounded(100 * chanceOneMore, 0)}`}.`,
    });
  if (answer.chanceUsual !== null)
    lines.push({
      what: 'Without what the logbook says',
      figures: `a hand that misses by ${rounded(options.handMm, 2)} mm would fit it in ${rounded(100 * answer.chanceUsual, 0)} of 100 tries.`,
    });
  return lines;
}

/** Whose hand an answer was told for, and what is known of it. */
function whoFits({ knows, learned, handMm }: SizeOptions): string {
  if (!knows || !learned) return `A hand that misses by ${rounded(handMm, 2)} mm`;
  const { missMm, leanMm, pieces } = knows.at;
  const side = leanMm < 0 ? 'small' : 'large';
  const from = `from ${learned.pieces} ${learned.pieces === 1 ? 'piece' : 'pieces'}${pieces ? `, ${pieces} of them of this form` : ''}`;
  return `${learned.called[0].toUpperCase()}${learned.called.slice(1)}: ${rounded(missMm, 2)} mm, leaning ${rounded(Math.abs(leanMm), 2)} mm to the ${side} side, ${from}. It`;
}

/** A smaller sheet that was folded too: with its best lengths it misses a need, or is not sure enough. */
function explainTried(
  { sheet, misses, chance }: Tried,
  square: boolean,
  onRuler: ShownUnit,
  shown: Quantities,
): WhyLine {
  const sides = [sheet.widthMm, ...(square ? [] : [sheet.heightMm])].map((mm) => formatLength(mm, onRuler));
  const what = `Tried: ${sides.join(' × ')}`;
  if (!misses) return { what, figures: 'cannot be folded with any lengths at marks of the ruler.' };
  const { name, have, need, unit: of } = misses;
  if (chance !== null) return { what, figures: `fits in ${rounded(100 * chance, 1)} of 100 tries: not sure enough.` };
  return {
    what,
    figures: `${name}: ${quantity(have, of, shown, 2)} available, ${quantity(need, of, shown, 2)} needed.`,
  };
}
