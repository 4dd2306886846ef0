import type { Item, Posture, Thing } from '../bodies/contents';
import { formatLength, formatSizes } from '../measure/format-length';
import { formatMass, formatVolume, type Shown, USUALLY_SHOWN, withMark } from '../measure/shown';
import type { Order } from '../bodies/arrange';
import type { Manner, Purpose } from './purpose';
import type { Terms } from './reading/terms';

const POSTURES: Readonly<Record<Posture, string>> = {
  standing: ', standing',
  lying: ', lying flat',
  any: ', any way up',
};

/** A thing as it was understood, in words: what shape it is taken for is said. */
function sayThing(thing: Thing, { unit }: Shown): string {
  switch (thing.shape) {
    case 'ball':
      return `ball ø${formatLength(thing.diameterMm, unit)}`;
    case 'cylinder':
      return `round ø${formatSizes([thing.diameterMm, thing.lengthMm], unit)}`;
    case 'flat':
      return `flat ${formatSizes([thing.widthMm, thing.heightMm], unit)}, ${formatLength(thing.thickMm, unit)} thick`;
    case 'block':
      return `block ${formatSizes([thing.lengthMm, thing.widthMm, thing.heightMm], unit)}`;
  }
}

function sayItem({ name, count, thing, posture, slackMm }: Item, shown: Shown): string {
  const called = name === 'thing' ? (count > 1 ? 'things' : '') : name;
  const less = slackMm ? `, or up to ${formatLength(slackMm, shown.unit)} less` : '';
  const said = `${sayThing(thing, shown)}${less}${posture ? POSTURES[posture] : ''}`;
  const many = count > 1 ? `${count} ${called}, each ` : called && `${called}: `;
  return `${many}${said}`;
}

const ORDERS: Readonly<Record<Order, string>> = {
  row: 'in a row',
  floor: 'side by side in one layer',
  stack: 'one on the other',
  layers: 'each kind in a layer of its own',
};

function sayManner({ order, proudMm, gripped, grams }: Manner, shown: Shown): readonly string[] {
  const length = (mm: number): string => formatLength(mm, shown.unit);
  return [
    ...(order ? [ORDERS[order]] : []),
    ...(proudMm ? [`up to ${length(proudMm)} over the rim`] : []),
    ...(gripped ? ['over the rim far enough for fingers'] : []),
    ...(grams ? [`weighing ${formatMass(grams, { ...shown, decimal: 'point' })}`] : []),
  ];
}

/** What is said beside the things, read back: what it must fit into, which sheet it comes from. */
export function sayTerms({ most, from }: Terms, asked: Partial<Shown> = {}): string {
  const shown = { ...USUALLY_SHOWN, ...asked };
  const length = (mm: number): string => formatLength(mm, shown.unit);
  const side = (mm: number | null | undefined, name: string): string[] => (mm ? [`${length(mm)} ${name}`] : []);
  const limits = [...side(most?.lengthMm, 'long'), ...side(most?.widthMm, 'wide'), ...side(most?.heightMm, 'high')];
  const said = [
    ...(limits.length ? [`at most ${limits.join(', ')} outside`] : []),
    ...(from
      ? [
          `${from.many > 1 ? `${from.many} from one sheet` : 'from a sheet'} of ${formatSizes([from.widthMm, from.heightMm], shown.unit)}`,
        ]
      : []),
  ];
  return withMark(said.join('; '), shown.decimal);
}

/**
 * A purpose read back in plain words beneath the line that it was typed in, so that a misreading is seen at once: which word is
 * the name, how many there are, what is across, how thick a card is taken to be.
 */
export function sayPurpose(purpose: Purpose, asked: Partial<Shown> = {}): string {
  const shown = { ...USUALLY_SHOWN, ...asked };
  const length = (mm: number): string => formatLength(mm, shown.unit);
  const said = ((): string => {
    switch (purpose.kind) {
      case 'hold':
        return [purpose.pieces.map((item) => sayItem(item, shown)).join('; '), ...sayManner(purpose, shown)].join(', ');
      case 'loose':
        return [`${sayItem(purpose.piece, shown)}, poured in`, ...sayManner({ grams: purpose.grams }, shown)].join(
          ', ',
        );
      case 'liquid':
        return `${formatVolume(purpose.ml, { ...shown, decimal: 'point' })} of liquid`;
      case 'bulk':
        return `${purpose.name}, up to ${formatVolume(purpose.ml, { ...shown, decimal: 'point' })}, poured in`;
      case 'strap':
        return `strap ${length(purpose.widthMm)} wide, ${length(purpose.thickMm)} thick`;
      case 'pages':
        return `pages ${length(purpose.thickMm)} thick together, held ${length(purpose.gripMm)} deep at the corner`;
      case 'load':
        return `load of ${formatMass(purpose.grams, { ...shown, decimal: 'point' })} afloat, its centre ${length(purpose.centreMm)} over the floor`;
      case 'place card':
        return `card that stands upright, ${length(purpose.widthMm)} across and ${length(purpose.heightMm)} high, ${length(purpose.thickMm)} thick`;
      case 'head':
        return `head ${length(purpose.roundMm)} round`;
      case 'bead':
        return purpose.exitMm === undefined
          ? `bead ø${length(purpose.diameterMm)}, rolling`
          : `bead ø${length(purpose.diameterMm)}, caught where it comes over an edge ${length(purpose.exitMm)} high`;
    }
  })();
  return withMark(said, shown.decimal);
}
