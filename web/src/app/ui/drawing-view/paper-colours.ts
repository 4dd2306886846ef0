export {
  coloursIn,
  coloursOf,
  coloursOfAnswer,
  coloursOfMake,
  type PaperColours,
  PLAIN_PAPER,
  type SideColours,
} from '@odd-corner/core';
