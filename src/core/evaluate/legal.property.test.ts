import fc from 'fast-check';
import { ACCESSORIES } from '../accessories';
import { FORMS } from '../forms';
import { CIRCUIT_RECORD } from '../location/circuit';
import { SHOT_RECORD } from '../location/shot';
import { PART_RECORDS } from '../materials/part';
import { inLimits, legalRange, parseQuantity, type Dimension } from '../quantity';
import { UNIT_RECORDS } from '../units/unit';

interface Limited {
  name: string;
  dimension: Dimension;
  min: number;
  max: number;
}

/** Every field that is typed, of forms, accessories and records. */
const FIELDS: Limited[] = [
  ...[...FORMS.values(), ...ACCESSORIES.values()].flatMap(({ id, fields }) =>
    fields.flatMap((field) =>
      field.kind === 'quantity' ? [{ ...field, name: `${id}.${field.parameter}` }] : [],
    ),
  ),
  ...[
    SHOT_RECORD,
    CIRCUIT_RECORD,
    ...Object.values(UNIT_RECORDS),
    ...Object.values(PART_RECORDS),
  ].flatMap(({ fields }) =>
    fields.flatMap((field) => (field.kind === 'quantity' ? [{ ...field, name: field.field }] : [])),
  ),
];

const taken = ({ dimension, ...limits }: Omit<Limited, 'name'>, system: 'metric' | 'imperial') =>
  legalRange(limits, dimension, system)
    .split(' to ')
    .map((text) => {
      const read = parseQuantity(text.replace('−', '-'), dimension, '');
      return read.ok && inLimits(read.value, limits);
    });

describe('a hint names only what is taken', () => {
  test.each(['metric', 'imperial'] as const)('every field, %s', (system) => {
    expect(FIELDS.length).toBeGreaterThan(150);
    for (const field of FIELDS)
      expect([field.name, ...taken(field, system)]).toEqual([field.name, true, true]);
  });
  test('whatever the limits', () => {
    const limit = fc.double({ min: 0.001, max: 20, noNaN: true });
    fc.assert(
      fc.property(
        limit,
        limit,
        fc.constantFrom<Dimension>('length', 'power', 'mass'),
        (a, b, dimension) => {
          const [min, max] = [Math.min(a, b), Math.max(a, b) + 0.05];
          for (const system of ['metric', 'imperial'] as const)
            expect([min, max, ...taken({ dimension, min, max }, system)]).toEqual([
              min,
              max,
              true,
              true,
            ]);
        },
      ),
      { seed: 16, numRuns: 300 },
    );
  });
});
