import * as z from 'zod/mini';
import { FIGURE_ORIGINS } from '../origin';
import type { Dimension } from '../quantity';
import { list, range, wholeRange } from '../schema';
import type { FieldRole, QuantityRecordField, RecordField } from './field';

type Each<T> = T extends unknown ? Omit<T, 'field'> : never;

/** Schema, first value, role and field of one entry of a shelf record, said once. */
interface Spec<S extends z.ZodMiniType = z.ZodMiniType> {
  schema: S;
  /** what a new record says before anybody has read its box */
  start: z.infer<S>;
  role: FieldRole;
  /** null for what has an editor of its own */
  edited: Each<RecordField> | null;
}

type Starts<S extends Record<string, Spec>> = {
  readonly [K in keyof S]: z.infer<S[K]['schema']>;
};
type Shape<S extends Record<string, Spec>> = { [K in keyof S]: S[K]['schema'] };

interface DefinedRecord<S extends Record<string, Spec>> {
  shape: Shape<S>;
  /** in the order they are asked for */
  fields: readonly RecordField[];
  starts: Starts<S>;
  roles: Readonly<Record<string, FieldRole>>;
}

const mapped = <T>(specs: Record<string, Spec>, of: (spec: Spec) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(specs).map(([name, spec]) => [name, of(spec)]));

/** Turns a table of specs into what schema, editor, reader and views want of it. */
export function defineRecord<S extends Record<string, Spec>>(specs: S): DefinedRecord<S> {
  return {
    // Each key's schema gives the type that Shape reads off its spec.
    shape: mapped(specs, ({ schema }) => schema) as Shape<S>,
    fields: Object.entries(specs).flatMap(([field, { edited }]) =>
      edited ? [{ ...edited, field } as RecordField] : [],
    ),
    starts: mapped(specs, ({ start }) => start) as Starts<S>,
    roles: mapped(specs, ({ role }) => role),
  };
}

interface Limits {
  min: number;
  max: number;
  start: number;
  help?: string;
}

interface QuantitySpec {
  schema: z.ZodMiniNumber<number>;
  start: number;
  role: FieldRole;
  edited: Omit<QuantityRecordField, 'field'>;
}

/** A figure of the thing itself, in SI; the unit is that of a bare number, the step that of an arrow. */
export const measured =
  (dimension: Dimension, assumedUnit: string, step: number, whole = false) =>
  (label: string, { min, max, start, help }: Limits, role: FieldRole = 'figure'): QuantitySpec => ({
    schema: whole ? wholeRange(min, max) : range(min, max),
    start,
    role,
    edited: {
      kind: 'quantity',
      label,
      role,
      dimension,
      assumedUnit,
      step,
      min,
      max,
      ...(whole ? { whole } : {}),
      ...(help ? { help } : {}),
    },
  });

export const length = measured('length', 'mm', 0.001);
export const mass = measured('mass', 'g', 0.01);
export const power = measured('power', 'W', 1);
export const voltage = measured('voltage', 'V', 1);
export const current = measured('current', 'A', 1);
export const flux = measured('luminousFlux', 'lm', 10);
export const colourTemperature = measured('colourTemperature', 'K', 100, true);
export const seconds = measured('time', 's', 10);
export const share = measured('ratio', '%', 0.01);
export const count = measured('count', '', 1, true);
/** A bare number; its unit stands in its label. */
export const number = measured('count', '', 0.01);
export const hours = measured('count', '', 1000);

const SILENT = 'label is silent';

/** The same figure where a label may hide it: null, and the field is empty. */
export const maybe = ({ schema, edited, role }: QuantitySpec, emptyText = SILENT) => ({
  schema: z.nullable(schema),
  start: null,
  role,
  edited: { ...edited, emptyText },
});

/** A field that came later: a record that does not name it has its first value. */
export const later = <S extends z.ZodMiniType, T extends { schema: S; start: z.infer<S> }>(
  spec: T,
) => ({ ...spec, schema: z._default(spec.schema, spec.start as never) as unknown as S });

/** The same, of which nobody who signed a thing before knew: at its first value it says nothing. */
export const unsaid = <
  S extends z.ZodMiniType,
  T extends { schema: S; start: z.infer<S> & (string | number | null); edited: object },
>(
  spec: T,
) => later<S, T>({ ...spec, edited: { ...spec.edited, unsaid: spec.start } });

/** A field that only some records of a role have something to say in. */
export const only = <T extends { edited: object }>(
  field: string,
  is: string | readonly string[],
  spec: T,
): T => ({
  ...spec,
  edited: { ...spec.edited, when: { field, is } },
});

/** Which of several things it is; options without words of their own stand for themselves. */
export function choice<const V extends string>(
  label: string,
  options: readonly V[] | Readonly<Record<V, string>>,
  start: NoInfer<V>,
) {
  const words = (
    Array.isArray(options) ? options.map((value: V) => [value, value]) : Object.entries(options)
  ) as [V, string][];
  return {
    schema: z.enum(words.map(([value]) => value) as [V, ...V[]]),
    start,
    role: 'kind' as const,
    edited: {
      kind: 'choice' as const,
      label,
      role: 'kind' as const,
      options: words.map(([value, said]) => ({ value, label: said })),
    },
  };
}

/** Yes or no, in the words of the thing. */
export const yesNo = (
  label: string,
  words: { no: string; yes: string },
  role: FieldRole = 'kind',
) => ({
  schema: z.boolean(),
  start: false,
  role,
  edited: {
    kind: 'choice' as const,
    label,
    role,
    options: [
      { value: false, label: words.no },
      { value: true, label: words.yes },
    ],
  },
});

/** Something with an editor of its own. */
export const kept = <S extends z.ZodMiniType>(
  schema: S,
  start: z.infer<S>,
  role: FieldRole = 'figure',
) => ({ schema, start, role, edited: null });

/** Left-overs in the shed, used before new stock is cut. */
export const offCuts = <S extends z.ZodMiniType>(one: S) =>
  kept(list(one, 0, 50), [] as z.infer<S>[], 'stock');

/** Money in minor units. */
export const money = (label: string, mostMinor = 10_000_000) => ({
  schema: wholeRange(0, mostMinor),
  start: 0,
  role: 'price' as const,
  edited: { kind: 'money' as const, label, role: 'price' as const },
});
/** The same where there may be none: null, and the field is empty. */
export const maybeMoney = (label: string, mostMinor: number, emptyText: string) => {
  const { schema, role, edited } = money(label, mostMinor);
  return { schema: z.nullable(schema), start: null, role, edited: { ...edited, emptyText } };
};

/** Null until somebody has read it: an unknown price is not a price of nothing. */
export const price = maybeMoney('Price of a pack', 10_000_000, 'not known');

/** What is there already, and whether using it up is money spent or free. */
export const onHand = (label: string) => ({
  onHand: number(label, { min: 0, max: 100_000, start: 0 }, 'stock'),
  onHandCounts: yesNo('What is on hand', { no: 'is free', yes: 'counts at its price' }, 'stock'),
});

/**
 * Names of the figures in several records: those whose origin is kept. A figure that nobody has named an
 * origin of is typical of its class, never the label's.
 */
export function figuresOf(records: readonly { fields: readonly RecordField[] }[]): string[] {
  const named = records.flatMap(({ fields }) =>
    fields.filter(({ kind, role }) => kind === 'quantity' && role === 'figure'),
  );
  return [...new Set(named.map(({ field }) => field))];
}

export const originsSchema = (figures: readonly string[]) =>
  z.partialRecord(z.enum(figures as [string, ...string[]]), z.enum(FIGURE_ORIGINS));
