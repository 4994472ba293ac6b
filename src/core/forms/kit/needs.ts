import type { PartId, UnitId } from '../../ids';
import { boltFor, screwFor, type ThreadId } from '../../materials/fasteners';
import { HARDWARE, type HardwareId } from '../../materials/hardware';
import type { FormContext } from '../form';
import type { Need } from '../../build/needs';
import type { Step } from '../../build/step';
import { partOf } from './lookup';
import { step } from './steps';
import { CORD_KG_PER_M } from './typical';

export const CORD_ALLOWANCE = 1.05;

export const fromPart = (
  id: PartId | null,
  quantity: number,
  measure: Need['measure'],
  why: string,
  step: string,
): Need[] =>
  id === null || quantity <= 0
    ? []
    : [{ item: { kind: 'part', id }, quantity, measure, why, step }];

export const fromUnit = (
  id: UnitId | null,
  quantity: number,
  measure: Need['measure'],
  why: string,
  step: string,
): Need[] =>
  id === null || quantity <= 0
    ? []
    : [{ item: { kind: 'unit', id }, quantity, measure, why, step }];

export const hardware = (
  id: HardwareId,
  quantity: number,
  why: string,
  step: string,
  size?: string,
): Need[] =>
  quantity <= 0
    ? []
    : [
        {
          item: { kind: 'hardware', id, ...(size === undefined ? {} : { size }) },
          quantity,
          measure: HARDWARE[id].measure,
          why,
          step,
        },
      ];

/** Bolts with nuts of the length that what they clamp wants; one that nobody sells is asked for by its thread. */
export const bolts = (
  thread: ThreadId,
  quantity: number,
  clampedM: number,
  why: string,
  step: string,
): Need[] => hardware('bolt', quantity, why, step, boltFor(thread, clampedM)?.size ?? thread);

/**
 * Screws whose points stay inside; what is too thin for any is bolted.
 * @param stackM what the screw is driven through and into, together
 */
export function screws(quantity: number, stackM: number, why: string, step: string): Need[] {
  const screw = screwFor(stackM);
  return screw
    ? hardware('screw', quantity, why, step, screw.size)
    : bolts('M4', quantity, stackM, `${why}: too thin for a screw`, step);
}

interface MainsChoice {
  cordPartId: PartId | null;
  plugPartId: PartId | null;
  dimmerPartId: PartId | null;
  tailLengthM: number;
}

/** Cord with 5 % for joints, plug and dimmer. */
export const mainsNeeds = (mains: MainsChoice, cordM: number): Need[] => [
  ...fromPart(
    mains.cordPartId,
    cordM * CORD_ALLOWANCE,
    'm',
    'tail, links and 5 % for joints',
    'wire-mains',
  ),
  ...fromPart(mains.plugPartId, 1, 'piece', 'one for the tail', 'fit-plug'),
  ...fromPart(mains.dimmerPartId, 1, 'piece', 'in the tail', 'wire-mains'),
  ...hardware('strain-relief', 1, 'where the tail enters', 'close-back'),
];

/** A lamp with its own cord: a plug or dimmer that is chosen stands between it and the outlet. */
export const ownCordNeeds = (mains: Pick<MainsChoice, 'plugPartId' | 'dimmerPartId'>): Need[] => [
  ...fromPart(mains.plugPartId, 1, 'piece', 'if its own does not fit', 'own-cord'),
  ...fromPart(mains.dimmerPartId, 1, 'piece', 'between its plug and the outlet', 'own-cord'),
];
export const ownCordSteps = ({
  plugPartId,
  dimmerPartId,
}: Pick<MainsChoice, 'plugPartId' | 'dimmerPartId'>): Step[] =>
  plugPartId === null && dimmerPartId === null
    ? []
    : [
        step(
          'close',
          'own-cord',
          plugPartId === null ? 'Set the dimmer between plug and outlet' : 'Change the plug',
          'The lamp’s own cord stays as it is',
          plugPartId === null ? 'hands' : 'screwdriver, stripper',
          plugPartId === null ? 2 : 10,
          'sheath under the grip; nothing bare, nothing loose',
          'Unplugged. If you have never changed a plug, have somebody do it who has.',
        ),
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
