import type { Part } from '../materials/part';

/**
 * One thing a search may change of a form or an accessory: sets of parameters that go together, in order of size
 * where they have one, or everything of the shelf that a place takes.
 */
export type Axis =
  | { sets: readonly Readonly<Record<string, unknown>>[] }
  | {
      /** the parameter whose place is filled from the shelf */
      shelf: string;
      /** also without any */
      none?: true;
      /** of these roles’ things only those it is true of */
      only?: (part: Part) => boolean;
    };

/** A length or a number by itself. */
export const along = (parameter: string, ...values: readonly (number | string)[]): Axis => ({
  sets: values.map((value) => ({ [parameter]: value })),
});

/** Two sizes that change together. */
export const across = (
  [one, other]: readonly [string, string],
  ...values: readonly (readonly [number, number])[]
): Axis => ({ sets: values.map(([a, b]) => ({ [one]: a, [other]: b })) });

/** Layers of the shelf in front, one or two of them. */
export const LAYERS: readonly Axis[] = [
  { shelf: 'layer1PartId' },
  { shelf: 'layer2PartId', none: true },
];
/** The same where it may go bare, and one is enough. */
export const ONE_LAYER: readonly Axis[] = [{ shelf: 'layer1PartId', none: true }];
