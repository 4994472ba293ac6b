import type { LayoutFact } from '../build/facts';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Stand } from '../build/supports';
import type { Finding, Remedy } from '../findings/finding';
import { mm } from '../quantity';
import { bearsPa, bendingPa, bucklingN, cantileverM, GRAVITY } from './beam';

/** A push at lamp height that a stand must take without falling: a sleeve caught in passing [common practice]. */
const PUSH_N = 15;
/** Below this a draught or the pull of its own cord tips it, and from this mass on that hurts [common practice]. */
const DRAUGHT_N = 5;
const HURTS_KG = 2;
/** No stand is taller than so many times its width [common practice]. */
const SLENDER = 6;
/** A column is loaded to a third of what buckles it; from a sixth on somebody looks [common practice]. */
const COLUMN_SAFETY = 3;
/** A top that moves so much of its height under a push makes the light swing. */
const SWAY = 0.1;

interface Standing {
  heightM: number;
  /** how far the light's mass hangs before the uprights, m */
  leanM: number;
  /** force at lamp height that tips it, in the worst direction */
  forceN: number;
  worst: 'forwards' | 'backwards' | 'sideways';
  armM: number;
  sandbagKg: number;
}

/** Moments about the foot's edge in each direction; the built light leans by its own centre of mass. */
export function standingOf(stand: Stand, build: ResolvedBuild, carriedKg: number): Standing {
  const { uprightM, foreM, sideM, ownKg } = stand;
  const heightM = uprightM + build.built.heightM / 2;
  const leanM = carriedKg > 0 ? build.momentKgM / carriedKg : 0;
  const ways = (
    [
      ['forwards', foreM, carriedKg * (foreM - leanM) + ownKg * foreM],
      ['backwards', foreM, carriedKg * (foreM + leanM) + ownKg * foreM],
      ['sideways', sideM, (carriedKg + ownKg) * sideM],
    ] as const
  ).map(([worst, armM, kgM]) => ({ worst, armM, holdsNm: kgM * GRAVITY }));
  const least = ways.reduce((a, b) => (b.holdsNm < a.holdsNm ? b : a));
  return {
    heightM,
    leanM,
    worst: least.worst,
    armM: least.armM,
    forceN: least.holdsNm / heightM,
    sandbagKg: Math.max(0, (PUSH_N * heightM - least.holdsNm) / (GRAVITY * least.armM)),
  };
}

export function standFindings(stand: Stand, build: ResolvedBuild, carriedKg: number): Finding[] {
  const found = standingOf(stand, build, carriedKg);
  return [
    ...tipFindings(stand, build, found, carriedKg),
    ...columnFindings(stand, found, carriedKg),
  ];
}

const longEnough = (metres: number) => Math.ceil(metres * 100) / 100;

/** Feet long enough that the push no longer tips it, in every direction. */
function longerFeet(stand: Stand, { heightM, leanM }: Standing, carriedKg: number): Remedy[] {
  const { ownKg, foreM, sideM, foreField, sideField } = stand;
  const total = carriedKg + ownKg;
  const needNm = (PUSH_N * heightM) / GRAVITY;
  const slender = heightM / (2 * SLENDER);
  const wanted = Math.max(foreM, slender, (needNm + carriedKg * Math.abs(leanM)) / total);
  const side = Math.max(sideM, slender, needNm / total);
  const fore = longEnough(wanted + 0.005);
  const across = longEnough(2 * side + 0.01);
  if (fore > MOST_FORE_M || (sideField && across > MOST_ACROSS_M)) return [];
  return [
    {
      label: `Feet of ${mm(fore)}${sideField ? `, ${mm(across)} apart` : ''}`,
      parameters: { [foreField]: fore, ...(sideField ? { [sideField]: across } : {}) },
    },
  ];
}

/** Longest pieces a foot is made of. */
const MOST_FORE_M = 1;
const MOST_ACROSS_M = 2;

function tipFindings(
  stand: Stand,
  build: ResolvedBuild,
  found: Standing,
  carriedKg: number,
): Finding[] {
  const { heightM, leanM, forceN, worst, armM, sandbagKg } = found;
  const { id, ref, field } = stand;
  const text = `A push of ${Math.max(0, forceN).toFixed(1)} N at ${mm(heightM)} tips it ${worst}`;
  const common = {
    id: `${id}.tip`,
    topic: 'standing' as const,
    source: 'Moments about the edge of the foot with the built light; the push is common practice',
    limit: `${PUSH_N} N at lamp height`,
    where: { field, drawing: ref },
    remedies: sandbagKg > 0 ? longerFeet(stand, found, carriedKg) : [],
  };
  if (forceN <= 0)
    return [
      {
        ...common,
        id: `${id}.lean`,
        severity: 'stop',
        title: 'It falls over by itself',
        message: `The light’s weight hangs ${mm(leanM)} before the uprights, beyond a foot that reaches ${mm(armM)}: it falls on whoever stands there. Lengthen the feet, or take the hood off.`,
        limit: 'its weight over its foot',
      },
    ];
  if (heightM > SLENDER * 2 * armM)
    return [
      {
        ...common,
        id: `${id}.tall`,
        severity: 'stop',
        title: 'Too tall for its foot',
        message: `${text}. Nothing this narrow may stand over people: lengthen the feet.`,
        limit: 'no more than six times as tall as wide',
        remedies: longerFeet(stand, found, carriedKg),
      },
    ];
  if (forceN < DRAUGHT_N && carriedKg > HURTS_KG)
    return [
      {
        ...common,
        severity: 'stop',
        title: 'A draught tips it',
        message: `${text}: a sleeve, or the pull of its own cord. Lengthen the feet, or lay ${sandbagKg.toFixed(1)} kg on them and try again.`,
        limit: `${DRAUGHT_N} N at lamp height with nothing laid on the foot`,
      },
    ];
  if (sandbagKg > 0)
    return [
      {
        ...common,
        severity: 'look',
        title: 'It tips easily',
        message: `${text}. Lay ${sandbagKg.toFixed(1)} kg on the foot or lengthen the feet; ${build.built.widthM > 1 ? 'a light this wide also catches wind.' : 'keep people off the cord.'}`,
      },
    ];
  return [
    {
      ...common,
      severity: 'ok',
      title: 'It takes a push',
      message: `${text}. Try it from every side, with a hand ready; above head height tie it off to something that holds.`,
    },
  ];
}

/** From half of what its material bears on somebody looks. */
const HALF_BORNE = 0.5;

/** As many uprights as share the load; each takes its part. @param times what one of now bears too much */
function moreUprights({ uprights, uprightsField, mostUprights }: Stand, times: number): Remedy[] {
  const wanted = Math.ceil(uprights * times);
  if (times <= 1 || wanted > mostUprights) return [];
  return [{ label: `${wanted} uprights`, parameters: { [uprightsField]: wanted } }];
}

/** Uprights as columns fixed at their foot, and bent by a push and by what leans on them. */
function columnFindings(stand: Stand, { heightM, leanM }: Standing, carriedKg: number): Finding[] {
  const { pipe, uprights, uprightM, id, ref } = stand;
  if (!pipe) return [];
  const where = { field: stand.uprightField, drawing: ref };
  const eachN = (carriedKg * GRAVITY) / uprights;
  const buckles = bucklingN(pipe, uprightM);
  const used = eachN / buckles;
  const bent =
    bendingPa(pipe, (PUSH_N * heightM + carriedKg * GRAVITY * Math.abs(leanM)) / uprights) /
    bearsPa(pipe);
  const sways = cantileverM(pipe, uprightM, PUSH_N / uprights) / uprightM;
  const remedies = moreUprights(stand, Math.max(used * 2 * COLUMN_SAFETY, bent / HALF_BORNE));
  const common = { topic: 'standing' as const, where, remedies };
  const found: Finding[] = [];
  if (used > 1 / (2 * COLUMN_SAFETY))
    found.push({
      ...common,
      id: `${id}.buckles`,
      severity: used > 1 / COLUMN_SAFETY ? 'stop' : 'look',
      title: 'The uprights buckle',
      message: `${(eachN / GRAVITY).toFixed(1)} kg stand on each upright of ${mm(uprightM)}, which gives way at about ${(buckles / GRAVITY).toFixed(1)} kg, sooner when warm. Shorter, thicker or more uprights.`,
      limit: `a third of the load that buckles it, ${(buckles / GRAVITY / COLUMN_SAFETY).toFixed(1)} kg`,
      source: 'Euler column, foot fixed and top free: π²·E·I/(4·L²)',
    });
  if (bent > HALF_BORNE)
    found.push({
      ...common,
      id: `${id}.bends`,
      severity: bent > 1 ? 'stop' : 'look',
      title: 'The uprights bend',
      message: `A push of ${PUSH_N} N at ${mm(heightM)} loads the foot of each upright to ${Math.round(bent * 100)} % of what its material bears: it kinks or creeps over. Shorter, thicker or more uprights.`,
      limit: 'the strain its material takes time and again',
      source: 'Cantilever in bending, M·c/I; strains typical, from memory',
    });
  if (sways > SWAY)
    found.push({
      ...common,
      id: `${id}.sways`,
      severity: 'look',
      title: 'It sways',
      message: `The same push moves its top ${mm(sways * uprightM)}: light and shadow swing with every touch. Thicker pipe, or a brace.`,
      limit: 'a tenth of the upright',
      source: 'Cantilever, F·L³/(3·E·I)',
    });
  return found;
}

export const standFacts = (stand: Stand, build: ResolvedBuild, carriedKg: number): LayoutFact[] => {
  const { heightM, sandbagKg, leanM } = standingOf(stand, build, carriedKg);
  return [
    {
      id: `${stand.id}-height`,
      label: 'Lamp height',
      value: heightM,
      working: 'upright + half the built light',
      dimension: 'length',
    },
    {
      id: `${stand.id}-lean`,
      label: 'Weight before the uprights',
      value: Math.max(0, leanM),
      working: 'Σ mass · distance before its back / mass',
      dimension: 'length',
    },
    {
      id: `${stand.id}-sandbag`,
      label: 'Sandbag to lay on',
      value: sandbagKg,
      working: 'so that a push of 15 N at lamp height does not tip it',
      dimension: 'mass',
    },
  ];
};
