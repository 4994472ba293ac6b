import type { PartId, UnitId } from '../../ids';
import { HARDWARE, type HardwareId } from '../../materials/hardware';
import type { FormContext } from '../form';
import type { Need } from '../../build/needs';
import { partOf } from './lookup';
import { CORD_KG_PER_M } from './typical';

export const CORD_ALLOWANCE = 1.05;

export const fromPart = (
  id: PartId | null,
  quantity: number,
  measure: Need['measure'],
  why: string,
): Need[] =>
  id === null || quantity <= 0 ? [] : [{ item: { kind: 'part', id }, quantity, measure, why }];

export const fromUnit = (
  id: UnitId | null,
  quantity: number,
  measure: Need['measure'],
  why: string,
): Need[] =>
  id === null || quantity <= 0 ? [] : [{ item: { kind: 'unit', id }, quantity, measure, why }];

export const hardware = (id: HardwareId, quantity: number, why: string): Need[] =>
  quantity <= 0
    ? []
    : [{ item: { kind: 'hardware', id }, quantity, measure: HARDWARE[id].measure, why }];

interface MainsChoice {
  cordPartId: PartId | null;
  plugPartId: PartId | null;
  dimmerPartId: PartId | null;
  tailLengthM: number;
}

/** Cord with 5 % for joints, plug and dimmer. */
export const mainsNeeds = (mains: MainsChoice, cordM: number): Need[] => [
  ...fromPart(mains.cordPartId, cordM * CORD_ALLOWANCE, 'm', 'tail, links and 5 % for joints'),
  ...fromPart(mains.plugPartId, 1, 'piece', 'one for the tail'),
  ...fromPart(mains.dimmerPartId, 1, 'piece', 'in the tail'),
];

export const wiringSlots = (mains: MainsChoice) => ({
  cord: { partId: mains.cordPartId, field: 'cordPartId' },
  plug: { partId: mains.plugPartId, field: 'plugPartId' },
  dimmer: { partId: mains.dimmerPartId, field: 'dimmerPartId' },
});

export const cordMassKg = (mains: MainsChoice, cordM: number, context: FormContext): number =>
  (partOf(context, mains.cordPartId, 'cord')?.massKgPerM ?? CORD_KG_PER_M) * cordM;

/** What every build on the mains still has to choose. */
export const mainsOpen = (mains: MainsChoice) =>
  [
    [
      'cord',
      mains.cordPartId,
      'cordPartId',
      'cord',
      'Choose a cord; its limit and its voltage drop are unknown until then.',
    ],
    ['plug', mains.plugPartId, 'plugPartId', 'plug', 'Choose a plug for the tail.'],
  ] as const;

/** Apparent power of a lamp, volt-amperes. */
export const apparentVa = (wattsW: number, powerFactor: number): number => wattsW / powerFactor;
