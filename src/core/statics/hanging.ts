import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Support } from '../build/supports';
import type { LayoutFact } from '../build/facts';
import type { Finding } from '../findings/finding';
import { mm } from '../quantity';
import { sagM } from './beam';

type Of<K extends Support['kind']> = Extract<Support, { kind: K }>;

/** Two legs of a bridle share one point at rest: a point may take a third more than its part [common practice]. */
const UNEVEN_ROPES = 1.33;

/** Load on the worst point, kg: an uneven share of all, or an even one when one point has failed. */
export const pointLoadKg = (points: number, massKg: number): number =>
  points > 1 ? Math.max((massKg / points) * UNEVEN_ROPES, massKg / (points - 1)) : massKg;

const kg = (mass: number): string => `${mass.toFixed(1)} kg`;

export function fixingFindings(support: Of<'fixing'>, carriedKg: number): Finding[] {
  const { id, name, points, limitKg, overPeople, ref, field } = support;
  const each = carriedKg / points;
  const over = each > limitKg;
  const where = { field, drawing: ref };
  return [
    {
      id: `${id}.load`,
      topic: 'hanging',
      severity: over ? 'stop' : 'ok',
      title: over ? 'Too heavy for the mount' : 'The mount bears it',
      message: over
        ? `${kg(each)} hang on each ${name}: it bends or tears out and falls. Add points or take a stronger kind.`
        : `${kg(each)} on each ${name}.`,
      limit: `${limitKg} kg on one ${name}`,
      source: 'Common practice; the maker’s rating wins',
      where,
    },
    ...(overPeople ? [overhead(`${id}.overhead`, where)] : []),
  ];
}

const overhead = (id: string, where: Finding['where']): Finding => ({
  id,
  topic: 'hanging',
  severity: 'look',
  title: 'A load over people',
  message:
    'Only from points somebody has rated, each with a steel bond for at least five times its load. Nobody underneath while it moves; a second person on the floor keeps others out; a ladder or platform that stands, never a chair. A competent rigger’s word before it stays up; local rules come first.',
  source: 'Common practice',
  where,
});

const TURNS = 'It can turn over';
/** A light no wider than this hangs well enough from fewer ropes [common practice]. */
const NARROW_M = 0.6;

/** Fewer ropes than hold it level. */
function turning(
  { points, id, ref, field }: Of<'hoist'>,
  built: ResolvedBuild['built'],
): Finding[] {
  const wide = [built.widthM, built.heightM].filter((sideM) => sideM > NARROW_M).length;
  const needed = 1 + wide;
  if (points >= needed) return [];
  return [
    {
      id: `${id}.points`,
      topic: 'hanging',
      severity: 'stop',
      title: TURNS,
      message: `${points === 1 ? 'One rope lets' : 'Two ropes let'} a light ${mm(built.widthM)} × ${mm(built.heightM)} swing, turn and tip what lies on it. Hang it from ${needed === 2 ? 'two' : 'three'} points or more.`,
      limit: needed === 2 ? 'two points' : 'three points',
      source: 'Statics',
      where: { field, drawing: ref },
      remedies: [
        { label: `Hang it from ${needed + 1} points`, parameters: { [field]: needed + 1 } },
      ],
    },
  ];
}

export function hoistFindings(
  support: Of<'hoist'>,
  carriedKg: number,
  built: ResolvedBuild['built'],
): Finding[] {
  const { id, points, limitKg, bonds, bondsField, ref, field } = support;
  const each = pointLoadKg(points, carriedKg);
  const over = each > limitKg;
  const where = { field, drawing: ref };
  const enough = Math.ceil(Math.max((carriedKg * UNEVEN_ROPES) / limitKg, carriedKg / limitKg + 1));
  return [
    {
      id: `${id}.load`,
      topic: 'hanging',
      severity: over ? 'stop' : 'ok',
      title: over ? 'More load than the points bear' : 'The points bear it',
      message: over
        ? `${kg(each)} hang on a point rated for ${limitKg} kg, or would when one fails: it comes down on whoever is below. More points, or a lighter light.`
        : `${kg(each)} on the worst one, one failing among them. Who rated the points, and when? Rope, knots and shackles need the same rating, ropes ten times the load for people below.`,
      limit: `${limitKg} kg a point`,
      source: 'A third for uneven ropes, and all but one when one fails; common practice',
      where,
      remedies:
        over && enough <= MOST_POINTS
          ? [{ label: `Hang it from ${enough} points`, parameters: { [field]: enough } }]
          : [],
    },
    ...turning(support, built),
    ...(bonds
      ? []
      : [
          {
            id: `${id}.bond`,
            topic: 'hanging' as const,
            severity: 'stop' as const,
            title: 'No second fixing',
            message:
              'A light over people needs a steel safety bond at every point, each for at least five times its load. Rope, wire or tape is none.',
            source: 'Common practice',
            where: { field: bondsField ?? field, drawing: ref },
            remedies: bondsField
              ? [{ label: 'A bond at every point', parameters: { [bondsField]: 'yes' } }]
              : [],
          },
        ]),
    overhead(`${id}.people`, where),
  ];
}

/** Of any form's or accessory's field. */
const MOST_POINTS = 12;

/** Past this share of the span the beam formula has left its range; half as much shows. */
const OUT_OF_RANGE = 1 / 20;
const SHOWS = 1 / 100;

export const beamSagM = ({ pipe, spanM, loadedM }: Of<'beam'>, carriedKg: number): number =>
  sagM(pipe, spanM, pipe.massKgPerM + carriedKg / loadedM);

export function beamFindings(support: Of<'beam'>, carriedKg: number): Finding[] {
  const { id, spanM, ref, field } = support;
  const sag = beamSagM(support, carriedKg);
  if (sag <= spanM * SHOWS) return [];
  const stop = sag > spanM * OUT_OF_RANGE;
  return [
    {
      id: `${id}.sag`,
      topic: 'hanging',
      severity: stop ? 'stop' : 'look',
      title: stop ? 'The pipe does not carry it' : 'The pipe sags',
      message: stop
        ? `Between hang points ${mm(spanM)} apart it would sag more than a twentieth of that: it kinks or slips out of its fittings. More points, or stronger pipe.`
        : `About ${mm(sag)} between hang points ${mm(spanM)} apart: more points or stronger pipe.`,
      limit: stop ? '1/20 of the span' : '1/100 of the span',
      source: 'Beam under even load; docs/model/forms.md',
      where: { field, drawing: ref },
    },
  ];
}

/** What hangs where, for the list of measures. */
export function hangingFacts(support: Support, carriedKg: number): LayoutFact[] {
  switch (support.kind) {
    case 'fixing':
      return [
        massFact(
          `${support.id}-load`,
          'Load on each mount',
          carriedKg / support.points,
          'mass / points',
        ),
      ];
    case 'hoist':
      return [
        massFact(
          `${support.id}-load`,
          'Load on a hang point',
          pointLoadKg(support.points, carriedKg),
          'mass / points · 1.33, or mass / (points − 1) when one fails',
        ),
      ];
    case 'beam':
      return [
        {
          id: `${support.id}-sag`,
          label: 'Sag between hang points',
          value: beamSagM(support, carriedKg),
          working: '5·w·L⁴/(384·E·I)',
          dimension: 'length',
        },
      ];
    case 'stand':
      return [];
  }
}

const massFact = (id: string, label: string, value: number, working: string): LayoutFact => ({
  id,
  label,
  value,
  working,
  dimension: 'mass',
});
