/** A thing that many people own, in public standard sizes, as it would be typed. */
export interface CommonPurpose {
  readonly id: string;
  readonly name: string;
  readonly text: string;
}

const one = (id: string, name: string, text: string): CommonPurpose => ({ id, name, text });

/**
 * The most asked for first: paper formats after ISO 216 and envelopes' inserts, cards after ISO/IEC 7810, cells after
 * IEC 60086, coins as plain diameters, dice, tea lights, pencils and boards as commonly sold.
 */
export const COMMON_PURPOSES: readonly CommonPurpose[] = [
  one('cards-id1-10', 'Ten bank-size cards, stacked', '85.6 x 54 x 7.6 mm'),
  one('slips-a8', 'Stack of A8 slips, 10 mm', '74 x 52 x 10 mm'),
  one('card-id1', 'Bank-size card', 'card 85.6 x 54 x 0.8 mm'),
  one('card-a6', 'A6 card', 'card 148 x 105 mm'),
  one('letter-a4-thirds', 'A4 letter in thirds', 'letter 210 x 99 x 0.6 mm'),
  one('photo-9-13', 'Photo 9 × 13', 'photo 130 x 90 mm'),
  one('coins-24', 'Ten coins, 24 mm', '10 loose coins ø24 x 2 mm'),
  one('washers', 'Forty washers', '40 washers ø10 x 1 mm'),
  one('dice-12', 'A dozen dice, loose', '12 loose dice 16 x 16 x 16 mm'),
  one('cells-aa-8', 'Eight AA cells', '8 cells ø14.5 x 50.5 mm'),
  one('cell-coin', 'Five coin cells', '5 cells ø20 x 3.2 mm'),
  one('tea-lights', 'Four tea lights', '4 tea lights ø38 x 16 mm'),
  one('pencils', 'Three pencils', '3 pencils ø7.5 x 180 mm'),
  one('board', 'Small circuit board', 'board 85 x 56 x 18 mm'),
  one('tickets-key', 'Four tickets and a hex key', '4 tickets 105 x 74 mm, one hex key 120 x 35 x 8 mm'),
  one('sip', 'A sip of water', '80 ml'),
  one('washer-afloat', 'A brass washer afloat', 'load 20 g'),
  one('pages', 'A corner of thirty pages', 'pages 3 mm'),
  one('slips-a7', 'Stack of A7 slips, 10 mm', '105 x 74 x 10 mm'),
  one('cells-aa-4', 'Four AA cells side by side', '58 x 50.5 x 14.5 mm'),
  one('cells-aaa-4', 'Four AAA cells side by side', '44.5 x 42 x 10.5 mm'),
  one('dice-16-4', 'Four 16 mm dice in a square', '32 x 32 x 16 mm'),
  one('tea-light', 'Tea light', 'tea light ø38 x 16 mm'),
  one('cell-9v', '9 V block cell', '48.5 x 26.5 x 17.5 mm'),
  one('square-150', 'What will a 150 mm square hold?', 'sheet 150 mm'),
];
