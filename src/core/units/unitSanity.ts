import type { Finding } from '../findings/finding';
import { threeFigures } from '../quantity';
import { classOf, isWhite } from './effectiveUnit';
import type { Unit } from './unit';

const BOUNDS = 'Typical bounds of efficacy by class; from memory';

/** Traps of docs/model/units.md in the label of a tape, tube, work light or panel. */
export function unitFindings(unit: Unit): Finding[] {
  return [
    impossibleEfficacy(unit),
    missing(
      unit,
      'lumens',
      flux(unit) === null,
      'No lumens on the label',
      'The light is estimated from watts and class',
    ),
    missing(
      unit,
      'cri',
      unit.criRa === null,
      'No CRI on the label',
      `Ra ${classOf(unit).criRa} is assumed`,
    ),
    missing(
      unit,
      'cct',
      unit.cctK === null,
      'No colour temperature on the label',
      `${classOf(unit).cctK} K is assumed`,
    ),
    ...(unit.category === 'strip' ? stripTraps(unit) : []),
    ...(unit.category === 'tube' ? tubeTraps(unit) : []),
    ...(unit.category === 'work-light' && unit.lamp === 'halogen' ? [hotWorkLight(unit)] : []),
  ].filter((finding) => finding !== null);
}

const watts = (unit: Unit) => (unit.category === 'strip' ? unit.wattsPerM : unit.wattsW);
const flux = (unit: Unit) => (unit.category === 'strip' ? unit.lumensPerM : unit.luminousFluxLm);

function finding(
  unit: Unit,
  trap: string,
  severity: Finding['severity'],
  title: string,
  message: string,
  source = 'Common practice',
): Finding {
  return {
    id: `label.${trap}.${unit.id}`,
    topic: 'label',
    severity,
    title,
    message: `${unit.name}: ${message}`,
    source,
    where: { field: `unit.${unit.id}` },
  };
}

function impossibleEfficacy(unit: Unit): Finding | null {
  const lumens = flux(unit);
  if (lumens === null) return null;
  const efficacy = lumens / watts(unit);
  const bound = classOf(unit).efficacyBoundLmPerW;
  if (efficacy <= bound) return null;
  return {
    ...finding(
      unit,
      'efficacy',
      'look',
      'The label promises more light than is possible',
      `${threeFigures(efficacy)} lm/W. You would buy light that is not there. Check for a misread digit, or meter a piece.`,
      BOUNDS,
    ),
    limit: `${bound} lm/W for this class`,
  };
}

function missing(unit: Unit, trap: string, silent: boolean, title: string, said: string) {
  if (!silent) return null;
  return finding(
    unit,
    trap,
    'unknown',
    title,
    `${said}; look on the box, or meter a piece.`,
    BOUNDS,
  );
}

function stripTraps(unit: Extract<Unit, { category: 'strip' }>): (Finding | null)[] {
  return [
    unit.colour === 'bi-colour'
      ? finding(
          unit,
          'bi-colour',
          'look',
          'Half the tape shines at a time',
          'a bi-colour tape gives about half its watts in one white. Its light is counted so; a driver that lights both whites doubles it.',
        )
      : null,
    isWhite(unit)
      ? null
      : finding(
          unit,
          'rgb-white',
          'look',
          'White mixed from colours',
          'white from red, green and blue is dim and renders skin badly, whatever the box says. Keep it for colour effects.',
        ),
    unit.colour === 'addressable'
      ? finding(
          unit,
          'data',
          'look',
          'This tape talks to its own driver',
          'a plain supply will not light it, and its driver will not run another tape.',
        )
      : null,
  ];
}

function tubeTraps(unit: Extract<Unit, { category: 'tube' }>): (Finding | null)[] {
  return [
    unit.warmUpS >= 30
      ? finding(
          unit,
          'warm-up',
          'look',
          'Needs warming up',
          `switch it on ${unit.warmUpS} s before you meter or shoot; it is brightest near 25 °C.`,
        )
      : null,
    unit.technology === 'fluorescent'
      ? finding(
          unit,
          'mercury',
          'look',
          'Contains mercury',
          'if it breaks: air the room, leave it 15 minutes, gather the pieces with card and tape, never with a vacuum cleaner; hand it in as hazardous waste.',
        )
      : null,
  ];
}

const hotWorkLight = (unit: Unit): Finding =>
  finding(
    unit,
    'halogen',
    'look',
    'A halogen work light burns',
    'keep its glass and guard on, cloth 0.5 m and anything that burns 1 m out of its beam; let it cool before you touch or fold it.',
    'Common practice; the lamp maker’s distances win',
  );
