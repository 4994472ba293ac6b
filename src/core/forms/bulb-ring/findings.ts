import type { Finding } from '../../findings/finding';
import { FINISHES } from '../../materials/finish';
import { mm } from '../../quantity';
import type { FormContext } from '../form';
import { bulbsOf } from '../kit/lamps';
import type { RingLayout } from './layout';
import { ringProblems } from './limits';
import { partOf } from '../kit/lookup';
import { socketFindings } from '../kit/sockets';
import { stockSideM } from './needs';
import type { BulbRing } from './parameters';

/** Dots farther apart are seen one by one in the eye; a board wider than this does not lie in a car [common practice]. */
const DOTS_APART_M = 0.2;
const CAR_BOOT_M = 1.1;
/** A front that gives back less wastes light. */
const BRIGHT = 0.7;

/** Mistakes of this form: what cannot be made, what is not chosen, what does not fit. */
export function ringFindings(ring: BulbRing, context: FormContext, layout: RingLayout): Finding[] {
  return [
    ...ringProblems(ring, context).map((problem): Finding => ({
      id: `ring.${problem.code}`,
      topic: 'geometry',
      severity: 'stop',
      title: 'This ring cannot be made',
      message: problem.message,
      source: 'Geometry',
      where: { field: problem.path, drawing: 'board' },
    })),
    ...missing(ring, context),
    ...sheetFit(ring, context),
    ...socketFindings('ring', ring, context),
    ...carFit(ring),
    ...darkFront(ring, layout),
  ];
}

/** Nothing chosen yet is an open question, not a mistake. */
function missing(ring: BulbRing, context: FormContext): Finding[] {
  const open: [string, boolean, string, string][] = [
    [
      'bulb',
      bulbsOf(ring.groups, context).includes(null),
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
            topic: 'choice',
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
  if (!sheet || stockSideM(ring) <= Math.min(sheet.widthM, sheet.heightM) + 1e-9) return [];
  const largest = Math.min(sheet.widthM, sheet.heightM) - (stockSideM(ring) - ring.outerDiameterM);
  return [
    {
      // The cutting plan says the same; this one knows the way out and comes first.
      id: `cut.too-big.${sheet.id}`,
      topic: 'cut',
      severity: 'stop',
      title: 'The ring does not fit the sheet',
      message: `It takes a square of ${mm(stockSideM(ring))}; “${sheet.name}” is ${mm(sheet.widthM)} by ${mm(sheet.heightM)}. Choose a bigger sheet or a smaller ring.`,
      limit: `outer Ø ${mm(largest)} on this sheet`,
      source: 'Geometry: outer Ø + 2 × 20 mm',
      where: { field: 'boardPartId', drawing: 'board' },
      remedies:
        largest > DOTS_APART_M
          ? [{ label: `Make it Ø ${mm(largest)}`, parameters: { outerDiameterM: largest } }]
          : [],
    },
  ];
}

function carFit(ring: BulbRing): Finding[] {
  if (ring.outerDiameterM <= CAR_BOOT_M) return [];
  return [
    {
      id: 'ring.car',
      topic: 'geometry',
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
  if (reflectance >= BRIGHT || layout.count === 0) return [];
  return [
    {
      id: 'ring.dark-front',
      topic: 'light',
      severity: 'look',
      title: 'The board swallows light',
      message: `${name} gives back ${Math.round(reflectance * 100)} % of what the bulbs throw on the board; white matt paint gives back 85 % and softens the dots.`,
      source: 'Typical reflectances, from memory',
      where: { field: 'finish', drawing: 'board' },
      remedies: [{ label: 'Paint it white', parameters: { finish: 'white-emulsion' } }],
    },
  ];
}
