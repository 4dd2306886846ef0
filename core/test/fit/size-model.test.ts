import * as fc from 'fast-check';
import { cavityAt, flattened, FORMS, make, modelOf, outerAt, waysOf } from '../../src/index';

const ways = Object.keys(FORMS).flatMap(waysOf);

describe('sizes are affine in sheet, measured lengths and thickness', () => {
  it.each(ways.map((way) => [way.formId, way.lengths.join(', ') || 'folding alone', way] as const))(
    '%s, %s: the model says what folding gives, far from where it was made',
    (formId, _lengths, way) => {
      const model = modelOf(way);
      const form = FORMS[formId];
      fc.assert(
        fc.property(
          fc.integer({ min: 135, max: 520 }),
          fc.double({ min: 0.15, max: 0.85, noNaN: true }),
          fc.double({ min: 0.02, max: 0.6, noNaN: true }),
          fc.double({ min: 0, max: 1, noNaN: true }),
          (shorter, share, thicknessMm, along) => {
            const [least, most] = form.sheetShape === 'square' ? [1, 1] : form.sheetShape.longPerShort;
            const sheet = {
              widthMm: shorter * (least + along * Math.min(0.3, most - least)),
              heightMm: shorter,
            };
            const given: Record<string, number> = {};
            for (const key of way.lengths) {
              const field = form.fields.find((one) => one.key === key)!;
              if (field.input.kind !== 'length') throw new Error('A length.');
              const [low, high] = field.input.range(sheet, { ...way.choices, ...given });
              if (high < low) return;
              given[key] = low + share * (high - low);
            }
            const params = { ...way.choices, ...given };
            const { sizes } = make(formId, { sheet, params, paper: { thicknessMm } });
            const point = { sheet, lengths: way.lengths.map((key) => given[key]), thicknessMm };
            const measured: Record<string, number> = { ...flattened(sizes) };
            const told = flattened({ ...sizes, cavity: cavityAt(model, point), outer: outerAt(model, point) });
            // How many flaps of a wrap lie over one spot changes with the card's proportions.
            if (formId === 'card-template-wrap') delete measured['outer heightMm'];
            for (const [name, mm] of Object.entries(measured))
              expect(Math.abs(told[name] - mm)).toBeLessThan(1e-5 * shorter);
          },
        ),
        { numRuns: 5 },
      );
    },
  );
});
