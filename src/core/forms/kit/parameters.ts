import { DEGREE } from '../../angle';
import * as z from 'zod/mini';
import { partIdSchema, unitIdSchema } from '../../ids';
import { FINISH_IDS, FINISHES, type FinishId } from '../../materials/finish';
import type { Role } from '../../materials/part';
import type { Dimension } from '../../quantity';
import { list, range, wholeRange } from '../../schema';
import { MIX_PARTS, MIX_WORDS, SOLD } from '../../units/channels';
import type { Category } from '../../units/unit';
import type { Field } from '../form';

/** Schema, first value and field of one parameter, said once. */
interface Spec<T> {
  schema: z.ZodMiniType<T>;
  start: T;
  field: (parameter: string) => Field;
}

type Values<S> = { -readonly [K in keyof S]: S[K] extends Spec<infer T> ? T : never };

/** Turns a table of specs into what a form definition wants: schema, fields and defaults. */
export function defineParameters<S extends Record<string, Spec<unknown>>>(specs: S) {
  const names = Object.keys(specs) as (keyof S & string)[];
  const shape = Object.fromEntries(names.map((name) => [name, specs[name]!.schema]));
  return {
    // Each key's schema gives the type that Values reads off its spec.
    schema: z.object(shape) as unknown as z.ZodMiniType<Values<S>>,
    fields: names.map((name): Field => specs[name]!.field(name)),
    defaults: () =>
      structuredClone(
        Object.fromEntries(names.map((name) => [name, specs[name]!.start])),
      ) as Values<S>,
  };
}

/**
 * A parameter that came with a later version of its form: where a design does not name it, it has its first value.
 */
export const later = <T>(spec: Spec<T>): Spec<T> => ({
  ...spec,
  schema: z._default(spec.schema, spec.start as never) as unknown as z.ZodMiniType<T>,
});

/** The same, of which nobody who signed a design before knew: at its first value it says nothing. */
export const unsaid = <T extends string | number>(spec: Spec<T>): Spec<T> =>
  later({ ...spec, field: (parameter) => ({ ...spec.field(parameter), unsaid: spec.start }) });

interface Extra {
  help?: string;
  when?: Field['when'];
}

interface Measured extends Extra {
  start: number;
  min: number;
  max: number;
  step?: number;
}

/** A measured parameter of any dimension; counts are whole. */
export function quantity(
  dimension: Dimension,
  assumedUnit: string,
  step: number,
  label: string,
  group: string,
  { start, min, max, help, when, step: own = step }: Measured,
): Spec<number> {
  return {
    schema: dimension === 'count' ? wholeRange(min, max) : range(min, max),
    start,
    field: (parameter) => ({
      kind: 'quantity',
      parameter,
      label,
      group,
      dimension,
      assumedUnit,
      step: own,
      min,
      max,
      help,
      when,
    }),
  };
}

export const length = (label: string, group: string, given: Measured) =>
  quantity('length', 'cm', 0.01, label, group, given);
export const count = (label: string, group: string, given: Measured) =>
  quantity('count', '', 1, label, group, given);
export const share = (label: string, group: string, given: Measured) =>
  quantity('ratio', '%', 0.01, label, group, given);
export const degrees = (label: string, group: string, given: Measured) =>
  quantity('angle', '°', DEGREE, label, group, given);

export function choice<const V extends string | number>(
  label: string,
  group: string,
  options: readonly (readonly [V, string])[],
  extra: Extra & { start?: V; variants?: readonly V[] | 'all' } = {},
): Spec<V> {
  const values = options.map(([value]) => value);
  return {
    schema: z.union(values.map((value) => z.literal(value))) as unknown as z.ZodMiniType<V>,
    start: extra.start ?? values[0]!,
    field: (parameter) => ({
      kind: 'choice',
      parameter,
      label,
      group,
      options: options.map(([value, words]) => ({ value, label: words })),
      help: extra.help,
      when: extra.when,
      ...(extra.variants ? { variants: extra.variants === 'all' ? values : extra.variants } : {}),
    }),
  };
}

export const finish = (label: string, group: string, start: FinishId): Spec<FinishId> =>
  choice(
    label,
    group,
    FINISH_IDS.map((id) => [id, FINISHES[id].name] as const),
    // The two that makers choose between: mirror-like and matt.
    { start, variants: ['foil', 'white-emulsion'] },
  );

/** @param wanted false for what a build can do without */
export const part = (
  label: string,
  group: string,
  role: Role,
  wanted = true,
  extra: Extra &
    Partial<Pick<Extract<Field, { kind: 'part' }>, 'layer' | 'takes' | 'begins' | 'brings'>> = {},
) => ({
  schema: z.nullable(partIdSchema),
  start: null as z.infer<typeof partIdSchema> | null,
  field: (parameter: string): Field => ({
    kind: 'part',
    ref: 'part',
    parameter,
    label,
    group,
    role,
    optional: !wanted,
    ...extra,
  }),
});

export const unit = (
  label: string,
  group: string,
  category: Category,
  extra: Extra & Partial<Pick<Extract<Field, { kind: 'unit' }>, 'brings'>> = {},
) => ({
  schema: z.nullable(unitIdSchema),
  start: null as z.infer<typeof unitIdSchema> | null,
  field: (parameter: string): Field => ({
    kind: 'unit',
    ref: 'unit',
    parameter,
    label,
    group,
    category,
    ...extra,
  }),
});

/** One part of a mixture, asked for only where parts like it are mixed. */
const mixPart = <P extends (typeof MIX_PARTS)[number]>(part: P, group: string) =>
  unsaid(
    share(MIX_WORDS.parts[part], group, {
      start: SOLD[part],
      min: 0,
      max: 1,
      when: { parameter: 'mix', is: MIX_WORDS.of[part] },
    }),
  );
/** How the colours of a lamp that has several are turned up. */
export const mixParameters = (group: string) => ({
  mix: unsaid(
    choice(
      MIX_WORDS.mix,
      group,
      (['sold', 'whites', 'colours'] as const).map((id) => [id, MIX_WORDS.mixes[id]] as const),
    ),
  ),
  mixWarm: mixPart('mixWarm', group),
  mixCool: mixPart('mixCool', group),
  mixRed: mixPart('mixRed', group),
  mixGreen: mixPart('mixGreen', group),
  mixBlue: mixPart('mixBlue', group),
  mixWhite: mixPart('mixWhite', group),
});

export const MOST_GROUPS = 4;
const groupSchema = z.object({ bulbId: z.nullable(unitIdSchema), level: range(0, 1) });
export type BulbGroup = z.infer<typeof groupSchema>;

/** Bulbs dealt round the sockets in turn, each group at its own level. */
export const bulbGroups = (label: string, group: string): Spec<BulbGroup[]> => ({
  schema: list(groupSchema, 1, MOST_GROUPS) as unknown as z.ZodMiniType<BulbGroup[]>,
  start: [{ bulbId: null, level: 1 }],
  field: (parameter) => ({
    kind: 'groups',
    ref: 'unit',
    category: 'bulb',
    parameter,
    label,
    group,
  }),
});

export const FILL_MODES = [
  ['count', 'As many as I say'],
  ['fit', 'As many as fit'],
  ['target', 'Enough for the shot'],
  ['onHand', 'Use up what is on hand'],
] as const;
type FillMode = (typeof FILL_MODES)[number][0];

export const fillMode = (group: string): Spec<FillMode> =>
  choice('Fill', group, FILL_MODES, { start: 'count' });

/** Cord, plug and dimmer, the same on every build that hangs on the mains. */
export const mainsParameters = (tailM = 3) => ({
  cordPartId: part('Cord', 'Cord', 'cord'),
  plugPartId: part('Plug', 'Cord', 'plug'),
  dimmerPartId: part('Dimmer', 'Cord', 'dimmer', false),
  tailLengthM: length('Tail to the plug', 'Cord', { start: tailM, min: 0.2, max: 30, step: 0.1 }),
});

/**
 * Up to three layers in front, from the lamps outwards.
 * @param begins  false where a front comes with the thing itself
 */
export const layerParameters = (group = 'Front', first = 'First layer', begins = true) => ({
  layer1PartId: part(first, group, 'diffusion', false, {
    layer: true,
    ...(begins && { begins: true }),
  }),
  layer2PartId: part('Second layer', group, 'diffusion', false, { layer: true }),
  layer3PartId: part('Third layer', group, 'diffusion', false, { layer: true }),
});
