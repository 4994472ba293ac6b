import type { Cable } from './cables';
import type { LightBody } from './scene';
import type { Setup } from './setup';
import { CARDS, type LightThing, type Thing } from './things';

/** One line of what has to be there. */
export interface Brought {
  what: string;
  count: number;
  /** in metres, to be written in the reader’s units */
  sizesM: readonly number[];
  note: string;
}

/** A light on the plan, and how it is fed. */
export interface PlannedLight {
  number: number;
  thing: LightThing;
  body: LightBody | null;
  cable: Cable;
}

/** Higher than this a stand is made taller or the light hangs [common practice]. */
const STAND_M = 2.4;

/** Of several side by side each has a stand of its own. */
const copiesOf = (lights: readonly PlannedLight[]): number =>
  lights.reduce((all, { thing }) => all + thing.copies, 0);

const grouped = <T>(rows: readonly T[], of: (row: T) => string): Map<string, T[]> => {
  const groups = new Map<string, T[]>();
  for (const row of rows) groups.set(of(row), [...(groups.get(of(row)) ?? []), row]);
  return groups;
};

/** What a light is called on the list: all of one build, fixture or lamp in one line. */
const sourceKey = ({ buildId, fixtureId, unitId }: LightThing): string =>
  `${buildId} ${fixtureId} ${unitId}`;

function held(lights: readonly PlannedLight[], cards: readonly Thing[]): Brought[] {
  const stood = lights.filter(({ thing }) => thing.role !== 'practical' && thing.role !== 'room');
  const [low, high] = [
    stood.filter(({ thing }) => thing.zM <= STAND_M),
    stood.filter(({ thing }) => thing.zM > STAND_M),
  ];
  const tallest = Math.max(0, ...low.map(({ thing }) => thing.zM));
  const stands = copiesOf(low) + cards.length;
  return [
    ...(low.length
      ? [
          {
            what: 'Stands for lights',
            count: copiesOf(low),
            sizesM: [tallest],
            note: 'the tallest, at least',
          },
        ]
      : []),
    ...high.map(({ thing }) => ({
      what: `Something to hang ${thing.name} from`,
      count: thing.copies,
      sizesM: [thing.zM],
      note: 'and a second line that holds it by itself',
    })),
    ...(cards.length
      ? [
          {
            what: 'Stands and clamps for cards and flags',
            count: cards.length,
            sizesM: [],
            note: '',
          },
        ]
      : []),
    ...(stands ? [{ what: 'Sandbags', count: stands, sizesM: [], note: 'one a stand' }] : []),
  ];
}

/** Everything a setup asks for, lights first. @param nameOf  what a light’s source is called */
export function bringList(
  { things }: Setup,
  lights: readonly PlannedLight[],
  nameOf: (light: LightThing) => string,
): Brought[] {
  const cards = things.filter((thing) => thing.kind === 'card');
  const gels = lights.filter(({ thing }) => thing.gelMired !== 0);
  const leads = lights.flatMap(({ cable, thing }) =>
    Array.from({ length: thing.copies }, () => cable.leadsM).flat(),
  );
  return [
    ...[...grouped(lights, ({ thing }) => sourceKey(thing)).values()].map((own) => ({
      what: nameOf(own[0]!.thing),
      count: copiesOf(own),
      sizesM: [],
      note: own
        .map(
          ({ number, thing }) =>
            `${number} ${thing.name}${thing.copies > 1 ? `, ${thing.copies} of it` : ''}`,
        )
        .join(', '),
    })),
    ...gels.map(({ number, thing, body }) => ({
      what: `Gel, ${thing.gelMired > 0 ? '+' : '−'}${Math.abs(thing.gelMired)} mired, for ${number}`,
      count: thing.copies,
      sizesM: body ? [body.widthM, body.heightM] : [],
      note: thing.gelMired > 0 ? 'orange' : 'blue',
    })),
    ...cards.map((card) => ({
      what: CARDS[card.card].name,
      count: 1,
      sizesM: [card.widthM, card.heightM],
      note: card.name,
    })),
    ...held(lights, cards),
    ...[...grouped(leads, (lead) => String(lead)).values()]
      .toSorted((a, b) => a[0]! - b[0]!)
      .map((same) => ({
        what: 'Lead',
        count: same.length,
        sizesM: [same[0]!],
        note: 'wound off when in use',
      })),
    ...things.flatMap((thing): Brought[] =>
      thing.kind === 'backdrop'
        ? [{ what: thing.name, count: 1, sizesM: [thing.widthM, thing.heightM], note: 'backdrop' }]
        : [],
    ),
    {
      what: 'Gaffer tape for cables, gloves, spare lamps and fuses',
      count: 1,
      sizesM: [],
      note: '',
    },
    {
      what: 'Outlet strip with RCD (GFCI)',
      count: 1,
      sizesM: [],
      note: 'where the circuit has none',
    },
  ];
}
