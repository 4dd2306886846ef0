import { type PaperDraft, type SettingsDraft, UNSAID } from '@odd-corner/contract';
import { STOCK_SHEETS } from '@odd-corner/core';

/** Papers that many people have, to begin with: formats and weights as they are commonly sold, thickness estimated. */
export function usualPapers(page: SettingsDraft['page']): readonly PaperDraft[] {
  const sheet = STOCK_SHEETS.find(({ name }) => name === page)!;
  const size = { widthMm: sheet.widthMm, heightMm: sheet.heightMm };
  const square = (mm: number) => ({ widthMm: mm, heightMm: mm });
  const common = { caliperMm: null, price: null, foodSafe: 'unknown', ...UNSAID } as const;
  const white = { colourFront: '#f7f7f3', colourBack: '#f7f7f3' };
  return [
    { ...common, ...white, ...size, name: `Office paper ${page}`, count: 50, gsm: 80, kind: 'printer' },
    { ...common, ...white, ...size, name: `Card ${page}`, count: 20, gsm: 160, kind: 'cardstock' },
    {
      ...{ ...common, ...square(150), name: 'Folding squares 150', count: 50, gsm: 70, kind: 'origami' },
      ...{ colourFront: '#2f6f9f', colourBack: '#fbfaf5' },
    },
    {
      ...{ ...common, ...square(240), name: 'Folding squares 240', count: 20, gsm: 70, kind: 'origami' },
      ...{ colourFront: '#5d7a45', colourBack: '#fbfaf5' },
    },
    {
      ...{ ...common, widthMm: 500, heightMm: 350, name: 'Brown kraft', count: 10, gsm: 90, kind: 'kraft' },
      ...{ colourFront: '#b98d5b', colourBack: '#b08653' },
    },
  ];
}
