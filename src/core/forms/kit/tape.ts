import type { Dots } from '../../light/ripple';
import type { PartId, UnitId } from '../../ids';
import { isWhite } from '../../units/classes';
import { effectiveTape, tapeCopper, tapeWattsPerM } from '../../units/effective';
import type { UnitOf } from '../../units/unit';
import type { Fill, FormContext } from '../form';
import {
  CONNECTOR_IDS,
  CONNECTORS,
  GEAR_APART_M,
  LEAD_SIZES,
  type Connector,
  type LeadMm2,
} from '../../electrics/leads';
import { SOME_SUPPLY, SUPPLY_SHARE } from '../../electrics/supply';
import type { Need } from '../../build/needs';
import type { LayoutFact } from '../../build/facts';
import type { Load, TapeRun } from '../../build/wiring';
import { partOf, unitOf } from './lookup';
import { apparentVa, fromPart, fromUnit, hardware } from './needs';
import { choice, fillMode, length, mixParameters, part, share, unit } from './parameters';

/** A hair of length that rounding may take; keeps 5 m at 50 mm a hundred pieces. */
const HAIR_M = 1e-6;

/** The longest length up to a limit that ends on a cut mark. */
export const toCutMark = (lengthM: number, cutM: number): number =>
  Math.floor((lengthM + HAIR_M) / cutM) * cutM;

/** Tape laid in rows: how far it reaches. */
export interface TapeRows {
  /** tape in each row that has any; row 0 first */
  rowsM: number[];
  /** tape that shines, cut at marks */
  usedM: number;
  /** what would fill every row */
  capacityM: number;
  fullRows: number;
  /** share of the row where it ends, 0 when that row is full */
  lastShare: number;
}

/**
 * One continuous tape, row after row, bending over into the next: a ring or a pan.
 * @param rowLengthsM row lengths in laying order
 * @param bridgeM tape that a change of row takes
 */
export function continuousRows(
  rowLengthsM: readonly number[],
  tapeM: number,
  cutM: number,
  bridgeM: number,
): TapeRows {
  const capacityM =
    rowLengthsM.reduce((sum, row) => sum + row, 0) + bridgeM * Math.max(0, rowLengthsM.length - 1);
  const usedM = toCutMark(Math.min(tapeM, capacityM), cutM);
  const rowsM: number[] = [];
  let left = usedM;
  for (const row of rowLengthsM) {
    if (left <= HAIR_M) break;
    const laid = Math.min(row, left);
    rowsM.push(laid);
    left -= laid + bridgeM;
  }
  return { rowsM, usedM, capacityM: toCutMark(capacityM, cutM), ...ends(rowsM, rowLengthsM) };
}

/** Straight rows, each cut at a mark and joined to the next with a jumper. */
export function cutRows(rowLengthsM: readonly number[], tapeM: number, cutM: number): TapeRows {
  const whole = rowLengthsM.map((row) => toCutMark(row, cutM));
  const rowsM: number[] = [];
  let left = tapeM;
  for (const row of whole) {
    const laid = toCutMark(Math.min(row, left), cutM);
    if (laid <= HAIR_M) break;
    rowsM.push(laid);
    left -= laid;
  }
  const sum = (rows: readonly number[]) => rows.reduce((total, row) => total + row, 0);
  return { rowsM, usedM: sum(rowsM), capacityM: sum(whole), ...ends(rowsM, whole) };
}

function ends(rowsM: readonly number[], wholeM: readonly number[]) {
  const last = rowsM.length - 1;
  const reached = last < 0 ? 0 : rowsM[last]! / wholeM[last]!;
  const full = reached > 1 - 1e-9;
  return { fullRows: full ? rowsM.length : Math.max(0, last), lastShare: full ? 0 : reached };
}

/** Parameters every form with tape shares. */
export const tapeParameters = (startM: number) => ({
  stripId: unit('Tape', 'Tape', 'strip'),
  fillMode: fillMode('Tape'),
  tapeLengthM: length('Tape laid', 'Tape', {
    start: startM,
    min: 0,
    max: 400,
    step: 0.05,
    when: { parameter: 'fillMode', is: 'count' },
  }),
  level: share('Level', 'Tape', { start: 1, min: 0, max: 1 }),
  ...mixParameters('Tape'),
  supplyPartId: part('Supply', 'Cord', 'supply'),
  feed: choice('Fed from', 'Tape', [
    ['one', 'one end'],
    ['both', 'both ends'],
    ['rows', 'every row'],
    ['spaced', 'even places, as many as it needs'],
  ]),
  outputs: choice('Several supplies', 'Cord', [
    ['separate', 'a part of the tape each'],
    ['joined', 'outputs joined together'],
  ]),
  leadLengthM: length('Lead from the supply', 'Cord', { start: 1, min: 0.05, max: 60, step: 0.1 }),
  leadMm2: choice(
    'Lead, copper',
    'Cord',
    LEAD_SIZES.map((mm2) => [mm2, `${mm2} mm²`] as const),
    { start: 0.75 },
  ),
  connector: choice(
    'Leads are',
    'Cord',
    CONNECTOR_IDS.map((id) => [id, CONNECTORS[id].name] as const),
  ),
});

export interface TapeChoice {
  stripId: UnitId | null;
  tapeLengthM: number;
  level: number;
  supplyPartId: PartId | null;
  feed: TapeRun['feed'];
  outputs: 'separate' | 'joined';
  leadLengthM: number;
  leadMm2: LeadMm2;
  connector: Connector;
}

/** Marks of a tape nobody has chosen yet [typ]: three diodes at 60 a metre. */
const CUT_MARK_M = 0.05;
export const TAPE_WIDTH_M = 0.01;

export const cutMarkOf = (strip: UnitOf<'strip'> | null) => strip?.cutIncrementM ?? CUT_MARK_M;
export const tapeWidthOf = (strip: UnitOf<'strip'> | null) => strip?.tapeWidthM ?? TAPE_WIDTH_M;
export const stripOf = (tape: { stripId: UnitId | null }, context: FormContext) =>
  unitOf(context, tape.stripId, 'strip');

/** Fill of a tape form: metres of tape, up to what its rows hold. */
export const tapeFill = <P extends TapeChoice>(
  capacityM: (parameters: P, context: FormContext) => number,
): Fill<P> => ({
  parameter: 'tapeLengthM' as keyof P & string,
  step: (tape, context) => cutMarkOf(stripOf(tape, context)),
  most: capacityM,
  onHand: (tape, context) => stripOf(tape, context)?.onHand ?? 0,
});

/** The tape as one lamp behind its supply. */
export function tapeUnit(tape: TapeChoice, usedM: number, context: FormContext) {
  const strip = stripOf(tape, context);
  const supply = partOf(context, tape.supplyPartId, 'supply');
  return { strip, unit: strip && effectiveTape(strip, usedM, supply?.powerFactor ?? SOME_SUPPLY) };
}

/** How far apart feeds lie: at both ends of the run, at the start of every row, anywhere along it; metres. */
interface FeedSpans {
  both: number;
  rows: number;
  spaced: number;
}

/** Straight rows beside one another. */
export function rowSpans(rowM: number, rows: number, pitchM: number): FeedSpans {
  const across = Math.max(0, rows - 1) * pitchM;
  const corner = Math.hypot(rowM, across);
  return { both: corner, rows: across, spaced: corner };
}

/** Turns about one middle. */
export const ringSpans = (diameterM: number, rows: number, pitchM: number): FeedSpans => ({
  both: diameterM,
  rows: Math.max(0, rows - 1) * pitchM,
  spaced: diameterM,
});

/** What the engines know of laid tape; null without one. */
export function tapeRun(
  tape: TapeChoice,
  rows: TapeRows,
  context: FormContext,
  spans: FeedSpans,
): TapeRun | null {
  const strip = stripOf(tape, context);
  if (!strip || rows.usedM <= 0) return null;
  return {
    voltageV: strip.voltageV,
    wattsPerM: tapeWattsPerM(strip),
    load: strip.load,
    loopOhmPerM: tapeCopper(strip),
    colour: strip.colour === 'bi-colour' || !isWhite(strip),
    rowsM: rows.rowsM,
    feed: tape.feed,
    supplies: supplyCount(tape, rows.usedM, context),
    leadLengthM: tape.leadLengthM,
    feedSpanM: tape.feed === 'one' ? 0 : spans[tape.feed],
    leadMm2: tape.leadMm2,
    connector: tape.connector,
    supply: partOf(context, tape.supplyPartId, 'supply'),
    outputsJoined: tape.outputs === 'joined',
    supplyField: 'supplyPartId',
    outputsField: 'outputs',
    feedField: 'feed',
    leadField: 'leadMm2',
    leadLengthField: 'leadLengthM',
    connectorField: 'connector',
  };
}

/** The supply is the one load on the mains. */
export function tapeLoads(
  tape: TapeChoice & { tailLengthM: number },
  usedM: number,
  context: FormContext,
): Load[] {
  const { unit: lamp } = tapeUnit(tape, usedM, context);
  const va = lamp ? apparentVa(lamp.wattsW.value, lamp.powerFactor.value) : 0;
  return [{ ref: 'supply', apparentVa: va, cordM: tape.tailLengthM }];
}

/** Cord of a light on tape: its tail, and from each supply to the next. */
export const tapeCordM = (
  tape: TapeChoice & { tailLengthM: number },
  usedM: number,
  context: FormContext,
): number => tape.tailLengthM + (supplyCount(tape, usedM, context) - 1) * GEAR_APART_M;

/** How many supplies carry the tape at four fifths of their rating; 1 while none is chosen. */
export function supplyCount(tape: TapeChoice, usedM: number, context: FormContext): number {
  const strip = stripOf(tape, context);
  const supply = partOf(context, tape.supplyPartId, 'supply');
  if (!strip || !supply) return 1;
  return Math.max(
    1,
    Math.ceil((tapeWattsPerM(strip) * usedM) / (supply.ratedW * SUPPLY_SHARE) - 1e-9),
  );
}

/** Joints of a tape that runs on from row to row: one at each feed. */
export const feedJoints = (feed: TapeRun['feed'], rows: number): number =>
  feed === 'one' ? 1 : feed === 'both' ? 2 : rows;

/** Rows cut apart are fed one by one, or run on through a jumper with a joint at both its ends. */
export function rowJoints(
  feed: TapeRun['feed'],
  rows: number,
): { jumpers: number; joints: number } {
  const jumpers = feed === 'rows' ? 0 : Math.max(0, rows - 1);
  return { jumpers, joints: 2 * jumpers + feedJoints(feed, rows) };
}

/** Leads from the supply come later: how many it takes, the wiring works out. */
export const tapeNeeds = (
  tape: TapeChoice,
  rows: TapeRows,
  joints: number,
  jumpersM: number,
  context: FormContext,
): Need[] => [
  ...fromUnit(tape.stripId, rows.usedM, 'm', 'tape, cut at its marks', 'lay-tape'),
  ...fromPart(
    tape.supplyPartId,
    supplyCount(tape, rows.usedM, context),
    'piece',
    'each at no more than four fifths of its rating',
    'wire-mains',
  ),
  ...hardware('tape-joint', joints, 'where rows and leads join', 'join-tape'),
  ...hardware('tape-lead', jumpersM, 'jumpers and tails', 'join-tape'),
];

/** Where it ends, what is left of the reel, and which reel on the shelf would fill it. */
export function tapeFacts(
  rows: TapeRows,
  strip: UnitOf<'strip'> | null,
  rowNoun: string,
): LayoutFact[] {
  const reels = strip ? Math.max(1, Math.ceil(rows.usedM / strip.reelLengthM - 1e-9)) : 1;
  const fact = (
    id: string,
    label: string,
    value: number,
    dimension: LayoutFact['dimension'],
    working: string,
  ) => ({ id, label, value, dimension, working });
  return [
    fact('tape-used', 'Tape laid', rows.usedM, 'length', 'down to a cut mark'),
    fact(
      'tape-capacity',
      'Tape that would fill it',
      rows.capacityM,
      'length',
      `every ${rowNoun} full`,
    ),
    fact('rows-full', `Full ${rowNoun}s`, rows.fullRows, 'count', 'as far as the tape reaches'),
    ...(rows.lastShare > 0
      ? [fact('row-part', `Last ${rowNoun} filled`, rows.lastShare, 'ratio', 'where the tape ends')]
      : []),
    ...(strip
      ? [
          fact('reels', 'Reels', reels, 'count', `of ${strip.reelLengthM} m each`),
          fact(
            'reels-full',
            'Reels that would fill it',
            Math.ceil(rows.capacityM / strip.reelLengthM - 1e-9),
            'count',
            `every ${rowNoun} full`,
          ),
          fact(
            'tape-left',
            'Left on the reel',
            reels * strip.reelLengthM - rows.usedM,
            'length',
            'reels less the tape laid',
          ),
          fact('tape-watts', 'Tape load', tapeWattsPerM(strip) * rows.usedM, 'power', 'W/m · m'),
        ]
      : []),
  ];
}

/** Diodes of laid tape behind a layer; null without a tape. */
export const dotsOf = (
  strip: UnitOf<'strip'> | null,
  rowPitchM: number,
  standOffM: number,
): Dots | null => strip && { pitchM: 1 / strip.ledsPerM, rowPitchM, standOffM };
