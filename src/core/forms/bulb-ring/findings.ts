import type { Finding } from '../../findings/finding';
import { FINISHES } from '../../materials/finish';
import { CORDS } from '../../power/cord';
import { show, showText } from '../../quantity';
import type { FormContext } from '../form';
import { bulbsOf, type RingLayout } from './layout';
import { ringProblems } from './limits';
import { boardsPerSheet, partOf, stockSideM } from './needs';
import type { BulbRing } from './parameters';

const mm = (metres: number) => showText(show(metres, 'length', 'metric'));

/** Mistakes of this form: what cannot be made, what is not chosen, what does not fit. */
export function ringFindings(ring: BulbRing, context: FormContext, layout: RingLayout): Finding[] {
  return [
    ...ringProblems(ring, context).map((problem): Finding => ({
      id: `ring.${problem.code}`,
      severity: 'stop',
      title: 'This ring cannot be made',
      message: problem.message,
      source: 'Geometry',
      where: { field: problem.path, drawing: 'board' },
    })),
    ...missing(ring, context),
    ...sheetFit(ring, context),
    ...socketFit(ring, context),
    ...unearthedMetal(ring, context),
    ...carFit(ring),
    ...darkFront(ring, layout),
  ];
}

/** Nothing chosen yet is an open question, not a mistake. */
function missing(ring: BulbRing, context: FormContext): Finding[] {
  const open: [string, boolean, string, string][] = [
    [
      'bulb',
      bulbsOf(ring, context).includes(null),
      'groups',
      'Choose a bulb, and the light, load and cost follow.',
    ],
    [
      'socket',
      !partOf(context, ring.socketPartId, 'socket'),
      'socketPartId',
      'Choose a socket; until then an ordinary Ø 50 mm batten holder is assumed.',
    ],
    [
      'board',
      !partOf(context, ring.boardPartId, 'sheet'),
      'boardPartId',
      'Choose the sheet the ring is cut from; until then it is taken for wood.',
    ],
    [
      'cord',
      !partOf(context, ring.cordPartId, 'cord'),
      'cordPartId',
      'Choose a cord; its limit and its voltage drop are unknown until then.',
    ],
    [
      'plug',
      !partOf(context, ring.plugPartId, 'plug'),
      'plugPartId',
      'Choose a plug for the tail.',
    ],
  ];
  return open.flatMap(([what, absent, field, message]): Finding[] =>
    absent
      ? [
          {
            id: `ring.no-${what}`,
            severity: 'unknown',
            title: `No ${what} chosen`,
            message,
            source: 'This design',
            where: { field, drawing: what === 'bulb' || what === 'socket' ? 'seat-0' : what },
          },
        ]
      : [],
  );
}

function sheetFit(ring: BulbRing, context: FormContext): Finding[] {
  const sheet = partOf(context, ring.boardPartId, 'sheet');
  if (!sheet || boardsPerSheet(ring, sheet) > 0) return [];
  const largest = Math.min(sheet.widthM, sheet.heightM) - (stockSideM(ring) - ring.outerDiameterM);
  return [
    {
      id: 'ring.sheet-too-small',
      severity: 'stop',
      title: 'The ring does not fit the sheet',
      message: `It takes a square of ${mm(stockSideM(ring))}; “${sheet.name}” is ${mm(sheet.widthM)} by ${mm(sheet.heightM)}. Choose a bigger sheet or a smaller ring.`,
      limit: `outer Ø ${mm(largest)} on this sheet`,
      source: 'Geometry: outer Ø + 2 × 20 mm',
      where: { field: 'boardPartId', drawing: 'board' },
      remedies:
        largest > 0.2
          ? [{ label: `Make it Ø ${mm(largest)}`, parameters: { outerDiameterM: largest } }]
          : [],
    },
  ];
}

function socketFit(ring: BulbRing, context: FormContext): Finding[] {
  const socket = partOf(context, ring.socketPartId, 'socket');
  if (!socket) return [];
  return bulbsOf(ring, context).flatMap((bulb, group): Finding[] => {
    const where = { field: 'socketPartId', drawing: 'seat-0' };
    if (!bulb) return [];
    if (bulb.base !== socket.base)
      return [
        {
          id: `ring.base.${group}`,
          severity: 'stop',
          title: 'The bulb does not fit the socket',
          message: `“${bulb.name}” has a ${bulb.base} base, “${socket.name}” takes ${socket.base}. Forced or adapted caps work loose and arc: choose a matching pair.`,
          source: 'Lamp cap standards, IEC 60061; from memory',
          where,
        },
      ];
    if (bulb.wattsW <= socket.ratedW) return [];
    return [
      {
        id: `ring.socket-watts.${group}`,
        severity: 'stop',
        title: 'Too many watts for the socket',
        message: `“${bulb.name}” takes ${bulb.wattsW} W in a socket for ${socket.ratedW} W: the socket chars and its wires lose their insulation. Choose a cooler bulb or a porcelain socket.`,
        limit: `${socket.ratedW} W`,
        source: 'Rating printed on the socket',
        where,
      },
    ];
  });
}

/** A metal board that a loose wire can touch must be earthed [handbook 05]. */
function unearthedMetal(ring: BulbRing, context: FormContext): Finding[] {
  const sheet = partOf(context, ring.boardPartId, 'sheet');
  const cord = partOf(context, ring.cordPartId, 'cord');
  if (sheet?.burns !== 'no' || !cord || CORDS[cord.cord].earthed) return [];
  return [
    {
      id: 'ring.unearthed-metal',
      severity: 'stop',
      title: 'A metal board without earth',
      message: `“${sheet.name}” must be joined to earth and “${cord.name}” has no earth wire: one loose strand makes the whole board live to the touch. Use a three-conductor cord and a plug with earth, or a wooden board.`,
      limit: 'metal parts are earthed',
      source: 'IEC 60598 class I luminaires; from memory',
      where: { field: 'cordPartId', drawing: 'board' },
    },
  ];
}

function carFit(ring: BulbRing): Finding[] {
  if (ring.outerDiameterM <= 1.1) return [];
  return [
    {
      id: 'ring.car',
      severity: 'look',
      title: 'May not fit the car',
      message: `Ø ${mm(ring.outerDiameterM)} goes through few car doors in one piece. Measure the tailgate before you cut, or cut the ring in two halves with a joining plate.`,
      limit: '1.1 m',
      source: 'Common practice: clear opening of an estate car',
      where: { field: 'outerDiameterM', drawing: 'board' },
    },
  ];
}

function darkFront(ring: BulbRing, layout: RingLayout): Finding[] {
  const { name, reflectance } = FINISHES[ring.finish];
  if (reflectance >= 0.7 || layout.count === 0) return [];
  return [
    {
      id: 'ring.dark-front',
      severity: 'look',
      title: 'The board swallows light',
      message: `${name} gives back ${Math.round(reflectance * 100)} % of what the bulbs throw on the board; white matt paint gives back 85 % and softens the dots.`,
      source: 'Typical reflectances, from memory',
      where: { field: 'finish', drawing: 'board' },
      remedies: [{ label: 'Paint it white', parameters: { finish: 'white-emulsion' } }],
    },
  ];
}
