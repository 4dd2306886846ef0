import { diamondEnvelope } from './diamond-envelope/diamond-envelope';
import { bandedBox } from './banded-box/banded-box';
import { cardWrap } from './card-wrap/card-wrap';
import { oblongCanoe, podBoat, squareCanoe } from './canoe/canoe';
import { closingCube } from './closing-cube/closing-cube';
import { anyForm, type Form } from './form';
import { tuckFlapEnvelope } from './tuck-flap-envelope/tuck-flap-envelope';
import { flatCup } from './flat-cup/flat-cup';
import { fourPointedDish } from './four-pointed-dish/four-pointed-dish';
import { gussetedBag } from './gusseted-bag/gusseted-bag';
import { pageCorner } from './page-corner/page-corner';
import { thirdsTwist } from './thirds-twist/thirds-twist';
import { triangularPurse } from './triangular-purse/triangular-purse';
import { tableSailboat } from './table-sailboat/table-sailboat';
import { twistPouch } from './twist-pouch/twist-pouch';
import { strapBuckle } from './strap-buckle/strap-buckle';
import { curledEarBasket } from './curled-ear-basket/curled-ear-basket';
import { deckedBarge } from './decked-barge/decked-barge';
import { hatBoat } from './hat-boat/hat-boat';
import { straightBeadTrack } from './bead-track/bead-track-straight';
import { beadCatchTray } from './bead-catch-tray/bead-catch-tray';
import { taperedBeadTrack } from './bead-track/bead-track-tapered';
import { sixTubeTidy } from './six-tube-tidy/six-tube-tidy';
import { octagonBox } from './octagon-box/octagon-box';
import { heartBox } from './heart-box/heart-box';
import { squareTray } from './square-tray/square-tray';

/** All forms, in the order of the shelf. */
export const FORMS: readonly Form[] = [
  anyForm(squareTray),
  anyForm(diamondEnvelope),
  anyForm(tuckFlapEnvelope),
  anyForm(pageCorner),
  anyForm(cardWrap),
  anyForm(flatCup),
  anyForm(sixTubeTidy),
  anyForm(thirdsTwist),
  anyForm(gussetedBag),
  anyForm(curledEarBasket),
  anyForm(fourPointedDish),
  anyForm(bandedBox),
  anyForm(closingCube),
  anyForm(octagonBox),
  anyForm(heartBox),
  anyForm(squareCanoe),
  anyForm(oblongCanoe),
  anyForm(podBoat),
  anyForm(deckedBarge),
  anyForm(hatBoat),
  anyForm(tableSailboat),
  anyForm(triangularPurse),
  anyForm(twistPouch),
  anyForm(strapBuckle),
  anyForm(taperedBeadTrack),
  anyForm(straightBeadTrack),
  anyForm(beadCatchTray),
];
