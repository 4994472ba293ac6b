import type { Finding } from '../findings/finding';
import { threeFigures } from '../quantity';
import { classOf, isWhite } from './classes';
import { effectiveUnit } from './effective';
import { lumensOfEquivalent } from './equivalence';
import type { Base } from '../electrics/caps';
import type { Bulb, Unit, UnitOf } from './unit';

const BOUNDS = 'Typical bounds of efficacy by class; from memory';
const COMMON = 'Common practice';
/** Lamps that take longer than this are worth waiting for. */
const SLOW_S = 30;
/** A bulb that lives less than this needs a spare on set; a long day of shooting [common practice]. */
const SHORT_LIFE_H = 200;
const SHOOTING_DAY_H = 10;

/** Traps of docs/model/units.md that a label can set. Ids are unique per unit. */
export function labelFindings(unit: Unit): Finding[] {
  return [
    impossibleEfficacy(unit),
    unit.category === 'bulb' ? brokenEquivalence(unit) : null,
    missingLumens(unit),
    missingCri(unit),
    missingCct(unit),
    warmUp(unit),
    unit.category === 'bulb' ? shortLife(unit) : null,
    ...(unit.category === 'strip' ? stripTraps(unit) : []),
    holdsMercury(unit) ? mercury(unit) : null,
    bareHalogen(unit) ? burstingGlass(unit) : null,
    unit.category === 'work-light' && unit.lamp === 'halogen' ? hotWorkLight(unit) : null,
  ].filter((finding) => finding !== null);
}

/** Where a category writes its watts and its light. */
const fluxField = (unit: Unit) => (unit.category === 'strip' ? 'lumensPerM' : 'luminousFluxLm');
const watts = (unit: Unit) => (unit.category === 'strip' ? unit.wattsPerM : unit.wattsW);
const flux = (unit: Unit) => (unit.category === 'strip' ? unit.lumensPerM : unit.luminousFluxLm);
/** "lm", or "lm a metre" of what is sold by the metre. */
const each = (unit: Unit, si: string) => (unit.category === 'strip' ? `${si} a metre` : si);

interface Trap {
  trap: string;
  field: string;
  severity: Finding['severity'];
  title: string;
  message: string;
  limit?: string;
  source?: string;
}

const finding = (
  unit: Unit,
  { trap, field, message, source = COMMON, ...rest }: Trap,
): Finding => ({
  ...rest,
  id: `label.${trap}.${unit.id}`,
  topic: 'label',
  message: `${unit.name}: ${message}`,
  source,
  where: { field: `unit.${field}` },
});

function impossibleEfficacy(unit: Unit): Finding | null {
  const lumens = flux(unit);
  if (lumens === null) return null;
  const bound = classOf(unit).efficacyBoundLmPerW;
  const efficacy = lumens / watts(unit);
  if (efficacy <= bound) return null;
  return finding(unit, {
    trap: 'efficacy',
    field: fluxField(unit),
    severity: 'look',
    title: 'The label promises more light than is possible',
    message: `${lumens} ${each(unit, 'lm')} from ${watts(unit)} ${each(unit, 'W')} is ${threeFigures(efficacy)} lm/W. You would buy light that is not there. Check for a misread digit, or meter a piece.`,
    limit: `${bound} lm/W for this class`,
    source: BOUNDS,
  });
}

function brokenEquivalence(bulb: Bulb): Finding | null {
  if (bulb.equivalentW === null || bulb.luminousFluxLm === null) return null;
  const owed = lumensOfEquivalent(bulb.equivalentW);
  if (owed === null || bulb.luminousFluxLm >= owed * 0.95) return null;
  return finding(bulb, {
    trap: 'equivalence',
    field: 'equivalentW',
    severity: 'look',
    title: `“${bulb.equivalentW} W equivalent” is not kept`,
    message: `it gives ${bulb.luminousFluxLm} lm; a true ${bulb.equivalentW} W bulb gives about ${Math.round(owed)} lm. Count the lumens, not the claim.`,
    limit: `${Math.round(owed)} lm`,
    source: 'ENERGY STAR Lamps, minimum lumens for omnidirectional lamps; from memory',
  });
}

function missingLumens(unit: Unit): Finding | null {
  if (flux(unit) !== null) return null;
  const guess =
    unit.category === 'strip'
      ? unit.wattsPerM * classOf(unit).efficacyLmPerW
      : effectiveUnit(unit).luminousFluxLm.value;
  return finding(unit, {
    trap: 'lumens',
    field: fluxField(unit),
    severity: 'unknown',
    title: 'No lumens on the label',
    message: `about ${threeFigures(guess)} ${each(unit, 'lm')} is assumed from its watts and class. Look on the side of the box, or meter a piece.`,
    source: BOUNDS,
  });
}

function missingCri(unit: Unit): Finding | null {
  if (unit.criRa !== null) return null;
  return finding(unit, {
    trap: 'cri',
    field: 'criRa',
    severity: 'unknown',
    title: 'No CRI on the label',
    message: `Ra ${classOf(unit).criRa} is assumed. Skin may look grey or green under it; light a hand beside daylight before buying a boxful.`,
    source: 'Common practice for unlabelled lamps',
  });
}

function missingCct(unit: Unit): Finding | null {
  if (unit.cctK !== null) return null;
  return finding(unit, {
    trap: 'cct',
    field: 'cctK',
    severity: 'unknown',
    title: 'No colour temperature on the label',
    message: `${classOf(unit).cctK} K is assumed from its class. “Warm white” is mostly 2700–3000 K, “cool white” 4000 K, “daylight” 5000–6500 K.`,
  });
}

function warmUp(unit: Unit): Finding | null {
  if (unit.category !== 'bulb' && unit.category !== 'tube') return null;
  const compact = unit.category === 'bulb' && unit.kind === 'cfl';
  if (unit.warmUpS < SLOW_S && !compact) return null;
  const waitS = unit.category === 'bulb' ? Math.max(60, unit.warmUpS) : unit.warmUpS;
  return finding(unit, {
    trap: 'warm-up',
    field: 'warmUpS',
    severity: 'look',
    title: 'Needs warming up',
    message: `switch it on ${waitS} s before you meter or shoot; until then it gets brighter and changes colour.${unit.category === 'tube' ? ' It is brightest near 25 °C.' : ''}`,
    limit: '60 to 120 s',
    source: 'Common practice for fluorescent lamps',
  });
}

function shortLife(bulb: Bulb): Finding | null {
  if (bulb.ratedLifeH === null || bulb.ratedLifeH >= SHORT_LIFE_H) return null;
  const days = Math.max(1, Math.floor(bulb.ratedLifeH / SHOOTING_DAY_H));
  return finding(bulb, {
    trap: 'life',
    field: 'ratedLifeH',
    severity: 'look',
    title: 'It does not live long',
    message: `${bulb.ratedLifeH} h on its label are ${days === 1 ? 'one long day' : `about ${days} long days`} of shooting: buy spares of the same pack, and switch it off between takes.`,
    limit: `${SHORT_LIFE_H} h`,
    source: 'Life printed on the box; common practice',
  });
}

function stripTraps(strip: UnitOf<'strip'>): (Finding | null)[] {
  const look = (trap: string, title: string, message: string) =>
    finding(strip, { trap, field: 'colour', severity: 'look', title, message });
  return [
    strip.colour === 'bi-colour'
      ? look(
          'bi-colour',
          'Half the tape shines at a time',
          'a bi-colour tape gives about half its watts in one white. Its light is counted so; a driver that lights both whites doubles it.',
        )
      : null,
    isWhite(strip)
      ? null
      : look(
          'rgb-white',
          'White mixed from colours',
          'white from red, green and blue is dim and renders skin badly, whatever the box says. Keep it for colour effects.',
        ),
    strip.colour === 'addressable'
      ? look(
          'data',
          'This tape talks to its own driver',
          'a plain supply will not light it, and its driver will not run another tape.',
        )
      : null,
  ];
}

const holdsMercury = (unit: Unit): boolean =>
  (unit.category === 'tube' && unit.technology === 'fluorescent') ||
  (unit.category === 'bulb' && unit.kind === 'cfl');

const mercury = (unit: Unit): Finding =>
  finding(unit, {
    trap: 'mercury',
    field: unit.category === 'tube' ? 'technology' : 'kind',
    severity: 'look',
    title: 'Contains mercury',
    message:
      'if it breaks: air the room, leave it 15 minutes, gather the pieces with card and tape, never with a vacuum cleaner; hand it in as hazardous waste.',
  });

/** Its capsule may stand open at the front; a globe round it holds the splinters. */
const OPEN_BASES: ReadonlySet<Base> = new Set(['GU10', 'GU5.3']);

const bareHalogen = (unit: Unit): unit is Bulb =>
  unit.category === 'bulb' && unit.kind === 'halogen' && OPEN_BASES.has(unit.base);

const burstingGlass = (bulb: Bulb): Finding =>
  finding(bulb, {
    trap: 'capsule',
    field: 'base',
    severity: 'look',
    title: 'A halogen capsule may burst, and gives ultraviolet',
    message:
      'use it with its front glass alone, never with a cracked or missing one; touch the capsule with a cloth only, unplugged and cold.',
  });

const hotWorkLight = (light: UnitOf<'work-light'>): Finding =>
  finding(light, {
    trap: 'halogen',
    field: 'lamp',
    severity: 'look',
    title: 'A halogen work light burns',
    message:
      'keep its glass and guard on, cloth 0.5 m and anything that burns 1 m out of its beam; let it cool before you touch or fold it.',
    source: 'Common practice; the lamp maker’s distances win',
  });
