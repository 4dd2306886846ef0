import { aJob, aMake } from '../testing/bench';
import { copiesOf, nextStation, type StationLine, STATIONS, type StripOf } from './stations';

const figures: StripOf['figures'] = { length: (mm) => `${mm} mm`, purpose: () => 'a purpose' };
const lines = (make = aMake(), state: 'planned' | 'folding' | 'folded' = 'planned'): Record<string, StationLine> =>
  Object.fromEntries(
    STATIONS.map(({ id, summary }) => [id, summary({ job: { state }, make, papers: ['Kraft'], figures })]),
  );

describe('the stations of a job', () => {
  it('each have an address, a name and a screen of their own', async () => {
    for (const key of ['id', 'name'] as const)
      expect(new Set(STATIONS.map((station) => station[key])).size).toBe(STATIONS.length);
    const screens = await Promise.all(STATIONS.map(({ load }) => load()));
    expect(new Set(screens).size).toBe(STATIONS.length);
  });

  it('say what was decided, in one line', () => {
    const make = aMake();
    const { purpose, form, sheet, cut, fold, record } = lines(make);
    expect(purpose.line).toBe('60 x 45 x 22, easy');
    expect(form.line).toBe('Square tray');
    const sides = make.make.entries.map((entry) => `${entry.sheet.widthMm} mm`);
    expect(sheet.line).toBe(`${sides.join(' and ')}, Kraft`);
    expect([cut, fold, record].map(({ state }) => state)).toEqual(['open', 'open', 'open']);
  });

  it('of an oblong tell both sides, of several how many, of none what a form calls it', () => {
    const make = aMake({ formId: 'oblong-canoe', holds: 'load 20 g', count: 3 });
    expect(lines(make)['form'].line).toBe('Long canoe, 3 of them');
    expect(lines(make)['sheet'].line).toMatch(/^\d+ mm × \d+ mm, Kraft$/);
    expect(copiesOf(make)).toBe(3);
    const gone = { ...make, make: { ...make.make, formId: 'paper-hat' } };
    expect(lines({ ...gone, asked: { ...make.asked, text: '', purpose: null } })['purpose'].line).toBe(
      'a sheet at hand, easy',
    );
    expect(lines(gone)['form'].line).toContain('paper-hat');
  });

  it('tell how far folding has come, by steps of one and by copies of several', () => {
    expect(lines(aMake({ formId: 'square-card-envelope', holds: 'card 60 x 60', done: [3] }))['fold'].line).toBe(
      '3 steps done',
    );
    expect(lines(aMake({ done: [16, 1] }))['fold'].line).toBe('2 of 2 begun');
    expect(lines(aMake(), 'folded')['fold'].line).toBe('folded');
  });

  it('lead on to where the job is', () => {
    expect((['planned', 'folding', 'folded'] as const).map((state) => nextStation(aJob({ state })))).toEqual([
      'sheet',
      'fold',
      'record',
    ]);
  });
});
