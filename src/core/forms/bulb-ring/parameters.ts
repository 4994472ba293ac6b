import * as z from 'zod/mini';
import { list, range, wholeRange } from '../../schema';
import { bulbIdSchema, partIdSchema } from '../../ids';
import { FINISH_IDS, FINISHES } from '../../materials/finish';
import type { Field } from '../form';
import { FILL_MODES, MOST_GROUPS } from '../kit/parameters';

/** Least and greatest of every measured parameter; the schema and the fields both read these. */
const RANGES = {
  outerDiameterM: { min: 0.15, max: 4 },
  ringWidthM: { min: 0.03, max: 1.5 },
  socketCount: { min: 1, max: 400 },
  largestGapM: { min: 0.005, max: 2 },
  standoffM: { min: 0, max: 0.3 },
  centreBarWidthM: { min: 0, max: 0.3 },
  skirtDepthM: { min: 0, max: 1 },
  stripAllowanceM: { min: 0.005, max: 0.2 },
  tailLengthM: { min: 0.2, max: 30 },
} as const;

const measured = (parameter: keyof typeof RANGES) =>
  range(RANGES[parameter].min, RANGES[parameter].max);

/** Sockets round an annular board. Lengths in metres. */
export const bulbRingSchema = z.object({
  outerDiameterM: measured('outerDiameterM'),
  ringWidthM: measured('ringWidthM'),
  fillMode: z.enum(['count', 'gap', 'fit', 'target', 'onHand']),
  socketCount: wholeRange(RANGES.socketCount.min, RANGES.socketCount.max),
  /** clear space between globes that must not be passed when filling by gap */
  largestGapM: measured('largestGapM'),
  rows: z.union([z.literal(1), z.literal(2)]),
  /** dealt round the ring in turn: one group for all alike, two for every other socket */
  groups: list(z.object({ bulbId: z.nullable(bulbIdSchema), level: range(0, 1) }), 1, MOST_GROUPS),
  socketPartId: z.nullable(partIdSchema),
  /** spacer between board and socket */
  standoffM: measured('standoffM'),
  boardPartId: z.nullable(partIdSchema),
  finish: z.enum(FINISH_IDS),
  paintPartId: z.nullable(partIdSchema),
  centreBarWidthM: measured('centreBarWidthM'),
  skirtDepthM: measured('skirtDepthM'),
  skirtPartId: z.nullable(partIdSchema),
  holes: z.enum(['single', 'pair']),
  stripAllowanceM: measured('stripAllowanceM'),
  tailLengthM: measured('tailLengthM'),
  cordPartId: z.nullable(partIdSchema),
  plugPartId: z.nullable(partIdSchema),
  dimmerPartId: z.nullable(partIdSchema),
});
export type BulbRing = z.infer<typeof bulbRingSchema>;

/** A ring with nothing chosen for it yet: sizes that fit a car boot, no parts. */
export const bulbRingDefaults = (): BulbRing => ({
  outerDiameterM: 1,
  ringWidthM: 0.15,
  fillMode: 'count',
  socketCount: 16,
  largestGapM: 0.1,
  rows: 1,
  groups: [{ bulbId: null, level: 1 }],
  socketPartId: null,
  standoffM: 0,
  boardPartId: null,
  finish: 'white-emulsion',
  paintPartId: null,
  centreBarWidthM: 0,
  skirtDepthM: 0,
  skirtPartId: null,
  holes: 'single',
  stripAllowanceM: 0.03,
  tailLengthM: 3,
  cordPartId: null,
  plugPartId: null,
  dimmerPartId: null,
});

const length = (
  parameter: keyof typeof RANGES,
  label: string,
  group: string,
  step: number,
  help?: string,
) =>
  ({
    kind: 'quantity',
    parameter,
    label,
    group,
    dimension: 'length',
    step,
    assumedUnit: 'cm',
    ...RANGES[parameter],
    help,
  }) satisfies Field;

export const bulbRingFields: readonly Field[] = [
  length('outerDiameterM', 'Outer Ø', 'Board', 0.01),
  length('ringWidthM', 'Ring width', 'Board', 0.005),
  {
    kind: 'part',
    ref: 'part',
    parameter: 'boardPartId',
    label: 'Sheet',
    group: 'Board',
    role: 'sheet',
    optional: false,
  },
  length('centreBarWidthM', 'Centre bar', 'Board', 0.005, '0 for none; carries the stand bolt'),
  {
    kind: 'choice',
    parameter: 'fillMode',
    label: 'Fill',
    group: 'Sockets',
    options: [
      ...FILL_MODES.map(([value, label]) => ({ value, label })),
      { value: 'gap', label: 'By the largest gap' },
    ],
  },
  {
    kind: 'quantity',
    parameter: 'socketCount',
    label: 'Sockets',
    group: 'Sockets',
    dimension: 'count',
    step: 1,
    assumedUnit: '',
    ...RANGES.socketCount,
    when: { parameter: 'fillMode', is: 'count' },
  },
  {
    ...length('largestGapM', 'Largest gap', 'Sockets', 0.005, 'clear space between two globes'),
    when: { parameter: 'fillMode', is: 'gap' },
  },
  {
    kind: 'choice',
    parameter: 'rows',
    label: 'Rows',
    group: 'Sockets',
    options: [
      { value: 1, label: 'One row' },
      { value: 2, label: 'Two, staggered' },
    ],
  },
  {
    kind: 'part',
    ref: 'part',
    parameter: 'socketPartId',
    label: 'Socket',
    group: 'Sockets',
    role: 'socket',
    optional: false,
  },
  length('standoffM', 'Spacer under socket', 'Sockets', 0.005),
  { kind: 'groups', ref: 'bulb', parameter: 'groups', label: 'Bulbs', group: 'Bulbs' },
  {
    kind: 'choice',
    parameter: 'finish',
    label: 'Front finish',
    group: 'Front',
    options: FINISH_IDS.map((value) => ({ value, label: FINISHES[value].name })),
  },
  {
    kind: 'part',
    ref: 'part',
    parameter: 'paintPartId',
    label: 'Paint',
    group: 'Front',
    role: 'paint',
    optional: true,
  },
  length('skirtDepthM', 'Skirt depth', 'Front', 0.01, '0 for none'),
  {
    kind: 'part',
    ref: 'part',
    parameter: 'skirtPartId',
    label: 'Skirt cloth',
    group: 'Front',
    role: 'cloth',
    optional: true,
  },
  {
    kind: 'part',
    ref: 'part',
    parameter: 'cordPartId',
    label: 'Cord',
    group: 'Cord',
    role: 'cord',
    optional: false,
  },
  length('tailLengthM', 'Tail to the plug', 'Cord', 0.1),
  length('stripAllowanceM', 'Strip allowance', 'Cord', 0.005),
  {
    kind: 'choice',
    parameter: 'holes',
    label: 'Cord holes',
    group: 'Cord',
    options: [
      { value: 'single', label: 'One of 25 mm' },
      { value: 'pair', label: 'A slanted pair' },
    ],
  },
  {
    kind: 'part',
    ref: 'part',
    parameter: 'plugPartId',
    label: 'Plug',
    group: 'Cord',
    role: 'plug',
    optional: false,
  },
  {
    kind: 'part',
    ref: 'part',
    parameter: 'dimmerPartId',
    label: 'Dimmer',
    group: 'Cord',
    role: 'dimmer',
    optional: true,
  },
];
