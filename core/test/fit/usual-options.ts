import { Fitting, type SizeOptions } from '../../src/index';

/** One thing as it stands, office paper, a ruler in millimetres, and a hand that misses nothing. */
export const USUAL: SizeOptions = {
  ease: 'easy',
  turning: 'upright',
  fingerRoom: false,
  gsm: 80,
  ruler: 'mm',
  thicknessMm: 0.1,
  confidence: null,
  handMm: 0.3,
};

/** What one test file has learned by folding: forms are folded once for all its tests. */
export const fitting = new Fitting();
