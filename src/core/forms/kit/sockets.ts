import type { Finding } from '../../findings/finding';
import type { PartId } from '../../ids';
import { CORDS } from '../../electrics/cord';
import type { FormContext } from '../form';
import { partOf } from './lookup';
import { stop } from './findingWriters';
import { bulbsOf } from './lamps';
import type { BulbGroup } from './parameters';

interface SocketChoice {
  groups: readonly BulbGroup[];
  socketPartId: PartId | null;
}

/** A bulb's base and watts against the socket it is screwed into. */
export function socketFindings(form: string, build: SocketChoice, context: FormContext): Finding[] {
  const socket = partOf(context, build.socketPartId, 'socket');
  if (!socket) return [];
  const where = { field: 'socketPartId', drawing: 'seat-0' };
  return bulbsOf(build.groups, context).flatMap((bulb, group): Finding[] => {
    if (!bulb) return [];
    if (bulb.base !== socket.base)
      return [
        stop(
          'geometry',
          `${form}.base.${group}`,
          'The bulb does not fit the socket',
          `“${bulb.name}” has a ${bulb.base} base, “${socket.name}” takes ${socket.base}. Forced or adapted caps work loose and arc: choose a matching pair.`,
          where,
          'Lamp cap standards, IEC 60061; from memory',
        ),
      ];
    if (bulb.wattsW <= socket.ratedW) return [];
    return [
      stop(
        'heat',
        `${form}.socket-watts.${group}`,
        'Too many watts for the socket',
        `“${bulb.name}” takes ${bulb.wattsW} W in a socket for ${socket.ratedW} W: the socket chars and its wires lose their insulation. Choose a cooler bulb or a porcelain socket.`,
        where,
        'Rating printed on the socket',
        `${socket.ratedW} W`,
      ),
    ];
  });
}

/** A metal board that a loose wire can touch must be earthed [docs/model/power.md]. */
export function unearthedMetal(
  form: string,
  boardPartId: PartId | null,
  cordPartId: PartId | null,
  context: FormContext,
): Finding[] {
  const sheet = partOf(context, boardPartId, 'sheet');
  const cord = partOf(context, cordPartId, 'cord');
  if (sheet?.burns !== 'no' || !cord || CORDS[cord.cord].earthed) return [];
  return [
    stop(
      'earth',
      `${form}.unearthed-metal`,
      'A metal board without earth',
      `“${sheet.name}” must be joined to earth and “${cord.name}” has no earth wire: one loose strand makes the whole board live to the touch. Use a three-conductor cord and a plug with earth, or a wooden board.`,
      { field: 'cordPartId', drawing: 'board' },
      'IEC 60598 class I luminaires; from memory',
      'metal parts are earthed',
    ),
  ];
}
