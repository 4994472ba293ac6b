import type { Finding } from '../../findings/finding';
import type { PartId } from '../../ids';
import type { Base } from '../../electrics/caps';
import type { Wiring } from '../../build/wiring';
import type { Bulb } from '../../units/unit';
import type { FormContext } from '../form';
import { partOf } from './lookup';
import { stop } from './findingWriters';
import { bulbsOf } from './lamps';
import type { BulbGroup } from './parameters';

/** What a bulb is screwed into: a socket of the shelf, or the one in a bought lamp. */
interface Holder {
  name: string;
  base: Base;
  ratedW: number;
  /** null where the label gives none */
  ratedV: number | null;
}

/** Nominal voltages of one class differ by this share: 220, 230 and 240 V are one [IEC 60038; from memory]. */
const SAME_VOLTS = 0.1;
/** Lamps below this hang on a supply of their own, not on the mains [IEC 61140, extra-low voltage]. */
const EXTRA_LOW_V = 50;

/** Several lamps in one holder heat it together: an adapter adds no rating. */
export function sharedHolderWatts(
  form: string,
  groups: readonly BulbGroup[],
  { name, ratedW }: Pick<Holder, 'name' | 'ratedW'>,
  where: Finding['where'],
  context: FormContext,
): Finding[] {
  const bulbs = bulbsOf(groups, context);
  const watts = bulbs.reduce((sum, bulb) => sum + (bulb?.wattsW ?? 0), 0);
  // One that is too much by itself is told as such.
  if (watts <= ratedW || bulbs.some((bulb) => bulb && bulb.wattsW > ratedW)) return [];
  return [
    stop(
      'heat',
      `${form}.socket-watts`,
      'Too many watts for the socket',
      `Together the bulbs take ${watts} W in “${name}”, made for ${ratedW} W: the socket chars and its wires lose their insulation. Use fewer or cooler bulbs.`,
      where,
      'Rating printed on the lamp',
      `${ratedW} W`,
    ),
  ];
}

/** A bulb's base, watts and volts against what it is screwed into. */
export function holderFindings(
  form: string,
  groups: readonly BulbGroup[],
  holder: Holder,
  where: Finding['where'],
  context: FormContext,
): Finding[] {
  return bulbsOf(groups, context).flatMap((bulb, group): Finding[] => {
    if (!bulb) return [];
    if (bulb.base !== holder.base)
      return [
        stop(
          'geometry',
          `${form}.base.${group}`,
          'The bulb does not fit the socket',
          `“${bulb.name}” has a ${bulb.base} base, “${holder.name}” takes ${holder.base}. Forced or adapted caps work loose and arc: choose a matching pair.`,
          where,
          'Lamp cap standards, IEC 60061; from memory',
        ),
      ];
    return [
      ...(bulb.wattsW > holder.ratedW
        ? [
            stop(
              'heat',
              `${form}.socket-watts.${group}`,
              'Too many watts for the socket',
              `“${bulb.name}” takes ${bulb.wattsW} W in a socket for ${holder.ratedW} W: the socket chars and its wires lose their insulation. Choose a cooler bulb or a porcelain socket.`,
              where,
              'Rating printed on the socket',
              `${holder.ratedW} W`,
            ),
          ]
        : []),
      ...wrongVolts(form, bulb, group, holder, where, context),
    ];
  });
}

function wrongVolts(
  form: string,
  bulb: Bulb,
  group: number,
  { name, ratedV }: Holder,
  where: Finding['where'],
  { circuit }: FormContext,
): Finding[] {
  const volts = bulb.supplyV < EXTRA_LOW_V ? bulb.supplyV : circuit.voltageV;
  if (ratedV === null || ratedV * (1 + SAME_VOLTS) >= volts) return [];
  return [
    stop(
      'power',
      `${form}.socket-volts.${group}`,
      'Too many volts for the socket',
      `“${name}” is made for ${ratedV} V and hangs on ${volts} V: what keeps its contacts apart is too thin. Choose a socket for ${volts} V.`,
      where,
      'Rating printed on the socket',
      `${ratedV} V`,
    ),
  ];
}

interface SocketChoice {
  groups: readonly BulbGroup[];
  socketPartId: PartId | null;
}

/** The bulbs of a build whose sockets are chosen from the shelf. */
export function socketFindings(form: string, build: SocketChoice, context: FormContext): Finding[] {
  const socket = partOf(context, build.socketPartId, 'socket');
  if (!socket) return [];
  const where = { field: 'socketPartId', drawing: 'seat-0' };
  return holderFindings(form, build.groups, socket, where, context);
}

/** The link of the chain that a holder is. @param shared  all bulbs of the build hang in one */
export function holderOf(
  holder: Pick<Holder, 'name' | 'ratedW'> | null,
  groups: readonly BulbGroup[],
  field: string,
  context: FormContext,
  shared = false,
): Pick<Wiring, 'holder'> {
  if (!holder) return {};
  const watts = bulbsOf(groups, context).map((bulb) => bulb?.wattsW ?? 0);
  const mostW = shared ? watts.reduce((sum, each) => sum + each, 0) : Math.max(0, ...watts);
  return { holder: { name: holder.name, ratedW: holder.ratedW, mostW, field } };
}

export const socketHolder = (build: SocketChoice, context: FormContext): Pick<Wiring, 'holder'> =>
  holderOf(partOf(context, build.socketPartId, 'socket'), build.groups, 'socketPartId', context);
