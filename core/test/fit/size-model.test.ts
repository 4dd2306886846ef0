import * as fc from 'fast-check';
import { flattened, FORMS, measure, sizeAt, waysOf, formById } from '../../src/index';
import { fitting } from './usual-options';
import { pointOf } from '../forms/points';
import { someOf } from '../runs';

const ways = FORMS.map(({ id }) => id).flatMap((id) => waysOf(formById(id)).slice(0, 3));

describe('sizes are affine in sheet, lengths and thickness, as long as the layers lie as they do', () => {
  it.each(someOf(ways, 16).map((way) => [way.pieceId, way.lengths.join(', ') || 'folding alone', way] as const))(
    '%s, %s: the model of a structure says what folding gives, wherever the structure holds',
    (_form, _lengths, way) => {
      fc.assert(
        fc.property(pointOf(way), fc.double({ min: 0.02, max: 0.6, noNaN: true }), (point, thicknessMm) => {
          if (!point) return;
          const found = fitting.fold(way, point);
          if (!found?.structure.model) return;
          const { model } = found.structure;
          const measured = flattened(measure(found.folded, thicknessMm));
          model.names.forEach((name, r) =>
            expect(Math.abs(sizeAt(model, r, { ...point, thicknessMm }) - measured[name])).toBeLessThan(
              1e-6 * point.sheet.widthMm,
            ),
          );
        }),
        { numRuns: 6 },
      );
    },
  );
});
