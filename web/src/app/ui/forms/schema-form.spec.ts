import { FormGroup } from '@angular/forms';
import { measured as measuredSizes, newLogEntry, paperDraft } from '@odd-corner/contract';
import * as fc from 'fast-check';
import { controlOf, faultOf, land, mayBeSent } from './schema-form';

describe('a field and its schema', () => {
  const { name, count, gsm } = paperDraft.shape;

  it('accept the same, and refuse in the same words', () =>
    fc.assert(
      fc.property(fc.oneof(fc.double(), fc.integer(), fc.constant(null)), (value) => {
        for (const schema of [count, gsm, newLogEntry.shape.minutes]) {
          const read = schema.safeParse(value);
          expect(faultOf(controlOf<number | null>(schema, value))).toBe(
            read.success ? null : read.error.issues[0].message,
          );
        }
      }),
    ));

  it('never speak in the words of a program', () => {
    for (const control of [
      controlOf<number>(count, null),
      controlOf<number>(gsm, null),
      controlOf<string>(name, null),
      controlOf<number>(measuredSizes.valueType, null),
      controlOf<number>(measuredSizes.valueType, 1e9),
    ])
      expect(faultOf(control)).not.toMatch(/expected|invalid|received/i);
  });
});

describe('what the server refuses', () => {
  const form = () =>
    new FormGroup({
      name: controlOf(paperDraft.shape.name, 'Kraft'),
      size: controlOf(paperDraft.shape.widthMm, 100),
      measured: new FormGroup({ lengthMm: controlOf(measuredSizes.valueType, 60) }),
    });

  it('lands on its field, under another name or further in, until it is typed anew', () => {
    const some = form();
    const left = land(
      some,
      [
        { path: ['name'], message: 'Taken.' },
        { path: ['heightMm'], message: 'Too high.' },
        { path: ['measured', 'lengthMm'], message: 'Too long.' },
        { path: ['version'], message: 'No version.' },
      ],
      ([first, ...rest]) => [first === 'heightMm' ? 'size' : first, ...rest],
    );
    expect(left.map(({ message }) => message)).toEqual(['No version.']);
    const { name, size, measured } = some.controls;
    expect([name, size, measured.controls.lengthMm].map(faultOf)).toEqual(['Taken.', 'Too high.', 'Too long.']);
    expect(mayBeSent(some)).toBe(false);
    name.setValue('Chart');
    expect(faultOf(name)).toBeNull();
    expect(faultOf(size)).toBe('Too high.');
  });

  it('with no field of its own is handed back, also when it names nothing', () =>
    expect(land(form(), [{ path: [], message: 'Odd.' }])).toHaveLength(1));
});
