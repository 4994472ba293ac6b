import type { Finding } from '../../findings/finding';
import type { PartId, UnitId } from '../../ids';
import type { Wiring } from '../../build/wiring';
import type { Vector } from '../../light/vector';
import type { PartOf } from '../../materials/part';
import { sourced } from '../../origin';
import { effectiveUnit, type EffectiveUnit } from '../../units/effective';
import type { UnitOf } from '../../units/unit';
import type { Spread } from '../../units/spread';
import type { FormContext } from '../form';
import { partOf, unitOf } from './lookup';
import { look, stop } from './findingWriters';
import { mm } from '../../quantity';
import { pointsAlong } from './lamps';
import type { Need } from '../../build/needs';
import { apparentVa, hardware, screws } from './needs';

/** A choke's power factor without its capacitor, and what it takes beside its tubes [typ: docs/model/power.md]. */
const MAGNETIC_POWER_FACTOR = 0.5;
const MAGNETIC_LOSS = 0.2;
const POINTS_PER_TUBE = 12;

export const tubeOf = (id: UnitId | null, context: FormContext) => unitOf(context, id, 'tube');

/** A tube as the mains sees it, behind its ballast where it needs one. */
export function tubeUnit(
  tube: UnitOf<'tube'> | null,
  ballast: PartOf<'ballast'> | null,
): EffectiveUnit | null {
  if (!tube) return null;
  const unit = effectiveUnit(tube);
  if (!tube.needsBallast || !ballast) return unit;
  const magnetic = ballast.kind === 'magnetic';
  const typicalW = magnetic ? unit.wattsW.value * MAGNETIC_LOSS : 0;
  const lossW = ballast.lossW === null ? typicalW : ballast.lossW / ballast.tubes;
  return {
    ...unit,
    wattsW: { ...unit.wattsW, value: unit.wattsW.value + lossW },
    ...(magnetic ? { powerFactor: sourced(MAGNETIC_POWER_FACTOR, 'typical' as const) } : {}),
  };
}

/** Round tubes shine all round; bars with a flat cover forwards. */
export const tubeSpread = (tube: UnitOf<'tube'> | null): Spread =>
  tube?.technology === 'led-bar' ? { class: 'lambert' } : { class: 'tube' };

/** Points of one tube, from end to end; a round tube's axis lies along it, a bar's faces forwards. */
export const tubePoints = (from: Vector, to: Vector, spread: Spread, facing: Vector) => {
  const long = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]) || 1;
  const along = [
    (to[0] - from[0]) / long,
    (to[1] - from[1]) / long,
    (to[2] - from[2]) / long,
  ] as const;
  return pointsAlong(from, to, POINTS_PER_TUBE, spread.class === 'tube' ? along : facing);
};

export function tubeVa(tube: UnitOf<'tube'> | null, ballast: PartOf<'ballast'> | null): number {
  const unit = tubeUnit(tube, ballast);
  return unit ? apparentVa(unit.wattsW.value, unit.powerFactor.value) : 0;
}

/** Ballasts that a number of tubes needs; 0 for tubes that need none. */
export function ballastCount(
  tube: UnitOf<'tube'> | null,
  tubes: number,
  ballastPartId: PartId | null,
  context: FormContext,
): number {
  // One that was chosen is wired and bought, wanted or not: what is wrong with that is told elsewhere.
  if (!tube?.needsBallast && ballastPartId === null) return 0;
  return Math.ceil(tubes / (partOf(context, ballastPartId, 'ballast')?.tubes ?? 1));
}

/** The gear that stands in the wiring, as it is protected. */
export const ballastOf = (
  { ballastPartId }: { ballastPartId: PartId | null },
  context: FormContext,
): Pick<Wiring, 'ballast'> => {
  const ballast = partOf(context, ballastPartId, 'ballast');
  if (!ballast) return {};
  const { name, protection, kind, tubes } = ballast;
  return { ballast: { name, protection, kind, tubes } };
};

/** A choke lights nothing without a starter across each tube. */
export const starterNeeds = (
  { ballastPartId }: { ballastPartId: PartId | null },
  tubes: number,
  context: FormContext,
): Need[] =>
  partOf(context, ballastPartId, 'ballast')?.kind === 'magnetic'
    ? hardware('starter', tubes, 'one across each tube', 'wire-mains')
    : [];

/** What a wire from gear to a tube takes beyond its way, at both its ends together [typ]. */
const WIRE_ENDS_M = 0.3;

/** Single wires from the gear to both ends of every tube: two to each end, one where a choke sits in the live. */
export const tubeWires = (
  given: { unitId: UnitId | null; ballastPartId: PartId | null; tubeCount?: number },
  longM: number,
  context: FormContext,
  rows = given.tubeCount ?? 1,
): Need[] => {
  const gear = partOf(context, given.ballastPartId, 'ballast');
  if (!gear || !hasBallast(given, context)) return [];
  const eachM =
    gear.kind === 'magnetic' ? 2 * longM + 2 * WIRE_ENDS_M : 2 * (longM + 2 * WIRE_ENDS_M);
  return hardware('wire', rows * eachM, 'gear to both ends of the tubes', 'wire-mains');
};

/** Tubes with pins hang in holders, a pair each; bars and wands come with their own ends. */
export const holderNeeds = (
  tube: UnitOf<'tube'> | null,
  tubes: number,
  fixed: { stackM: number; step: string },
): Need[] => {
  if (tube && tube.technology !== 'fluorescent' && tube.technology !== 'led-tube') return [];
  return [
    ...hardware('tube-holder', tubes, 'one pair a tube, for its pins', fixed.step),
    ...screws(4 * tubes, fixed.stackM, 'two a tube holder', fixed.step),
  ];
};

/** Whether a ballast belongs in the wiring: the tubes want one, or one was chosen all the same. */
const hasBallast = (
  given: { unitId: UnitId | null; ballastPartId: PartId | null },
  context: FormContext,
): boolean =>
  given.ballastPartId !== null || (tubeOf(given.unitId, context)?.needsBallast ?? false);

interface TubeGiven {
  unitId: UnitId | null;
  ballastPartId: PartId | null;
  dimmerPartId: PartId | null;
}

/** Ballast, dimmer and end-to-end linking. */
export function tubeFindings(
  form: string,
  given: TubeGiven,
  linked: number,
  context: FormContext,
): Finding[] {
  const tube = tubeOf(given.unitId, context);
  if (!tube) return [];
  const ballast = partOf(context, given.ballastPartId, 'ballast');
  const where = { field: 'ballastPartId', drawing: 'ballast' };
  const found: Finding[] = [];
  if (tube.needsBallast && !ballast)
    found.push({
      id: `${form}.no-ballast`,
      topic: 'power',
      severity: 'unknown',
      title: 'No ballast chosen',
      message: `“${tube.name}” does not light on the mains alone: choose an electronic ballast.`,
      source: 'Fluorescent tubes need a ballast',
      where,
    });
  if (!tube.needsBallast && ballast)
    found.push(
      stop(
        'power',
        `${form}.ballast-bypass`,
        'This tube wants no ballast',
        `“${tube.name}” is wired straight to the mains; behind a ballast it fails or burns. Leave the ballast out.`,
        where,
        'Label of the tube',
      ),
    );
  if (ballast?.kind === 'magnetic')
    found.push(
      look(
        'flicker',
        `${form}.magnetic`,
        'A magnetic ballast flickers',
        'It pulses at twice the mains frequency and hums. An electronic one is steady.',
        where,
      ),
    );
  if (given.dimmerPartId !== null && tube.technology === 'fluorescent')
    found.push(
      stop(
        'dimmer',
        `${form}.dimmer`,
        'Tubes on a wall dimmer',
        'Ordinary ballasts overheat and strobe on a mains dimmer. Take the dimmer out and switch tubes off instead.',
        { field: 'dimmerPartId', drawing: 'dimmer' },
      ),
    );
  if (linked > tube.linkMost)
    found.push(
      stop(
        'geometry',
        `${form}.link`,
        'Too many linked end to end',
        `${linked} in one run of “${tube.name}”, whose label allows ${tube.linkMost}: the first one carries the current of all and overheats. Feed a second run.`,
        { field: 'linkRun', drawing: 'seat-0' },
        'Label of the tube',
        `${tube.linkMost} in a run`,
      ),
    );
  return found;
}

/** A tube that is longer than what carries it. */
export const tubeTooLong = (
  form: string,
  tube: UnitOf<'tube'> | null,
  roomM: number,
  field: string,
): Finding[] =>
  tube && tube.lengthM > roomM + 1e-9
    ? [
        stop(
          'geometry',
          `${form}.tube-long`,
          'The tube is longer than its board',
          `“${tube.name}” is ${mm(tube.lengthM)} long, there is room for ${mm(roomM)}: it would hang out and break.`,
          { field, drawing: 'board' },
          'Geometry',
          mm(roomM),
        ),
      ]
    : [];
