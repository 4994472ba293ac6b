import fc from 'fast-check';
import { ACCESSORIES } from '../accessories';
import { accessorySchema } from '../accessories/carried';
import type { Build, Production } from '../document/production';
import { changed } from '../document/testing';
import { CORD_IDS, CORDS } from '../electrics/cord';
import { bulbsOf, sample } from '../testing/sample';
import { Derivations } from './derive';

const demo = sample();
const WEIGHT = { ok: 0, look: 1, unknown: 2, stop: 3 } as const;
/** Topics that are about people and things staying whole. */
const SAFETY = new Set(['power', 'earth', 'heat', 'dimmer', 'tape', 'hanging', 'standing']);
const ids = demo.builds.map(({ id }) => id);

const weights = (document: Production, id: Build['id']): Map<string, number> => {
  const derive = new Derivations();
  const build = document.builds.find((each) => each.id === id)!;
  return new Map(
    derive
      .findings(document, build, { gridCells: 2 })
      .filter(({ topic }) => SAFETY.has(topic))
      .map(({ id: finding, severity }) => [finding, WEIGHT[severity]]),
  );
};
/** Findings that are heavier, or new and heavy. */
const worse = (before: Map<string, number>, now: Map<string, number>): string[] =>
  [...now].flatMap(([id, weight]) => (weight > Math.max(1, before.get(id) ?? 0) ? [id] : []));

type Step = (draft: Production, build: Build) => void;
/** A light after some steps, alone on its circuit: neighbours would only be worked out again and again. */
const of = (id: Build['id'], ...steps: Step[]) =>
  changed(demo, (draft) => {
    draft.builds = draft.builds.filter((each) => each.id === id);
    for (const step of steps) step(draft, draft.builds[0]!);
  });
const hot: Step = (draft) => {
  for (const bulb of bulbsOf(draft.shelf)) Object.assign(bulb, { kind: 'halogen', wattsW: 60 });
};
const own =
  (role: string, field: string, over: object): Step =>
  (draft, build) => {
    if (!(field in build.parameters)) return;
    const part = draft.shelf.parts.find((each) => each.role === role)!;
    draft.shelf.parts.push({ ...part, id: `own-${role}` as never, ...over } as never);
    build.parameters[field] = `own-${role}`;
  };
const metal: Step = (draft) => {
  for (const part of draft.shelf.parts) if (part.role === 'sheet') part.burns = 'no';
};

/** Pairs of one light: what is before, and the same with more of what keeps people whole. */
const SAFER: [name: string, before: Step[], after: (light: Build) => Step[]][] = [
  ...CORD_IDS.flatMap((thin) =>
    CORD_IDS.filter(
      (thick) =>
        CORDS[thick].system === CORDS[thin].system &&
        CORDS[thick].earthed === CORDS[thin].earthed &&
        CORDS[thick].areaMm2 > CORDS[thin].areaMm2,
    )
      .slice(0, 1)
      .map((thick): (typeof SAFER)[number] => [
        `a thicker cord: ${thin} → ${thick}`,
        [own('cord', 'cordPartId', { cord: thin })],
        () => [own('cord', 'cordPartId', { cord: thick })],
      ]),
  ),
  [
    'a cord with earth for one without, everything metal',
    [metal, own('cord', 'cordPartId', { cord: 'mm1-2' })],
    () => [metal, own('cord', 'cordPartId', { cord: 'mm1-3' })],
  ],
  [
    'an RCD for none',
    [(draft) => draft.circuits.forEach((circuit) => (circuit.rcd = 'none'))],
    () => [(draft) => draft.circuits.forEach((circuit) => (circuit.rcd = 'circuit'))],
  ],
  [
    'somebody who stays, and nobody within reach',
    [hot, (_, build) => void Object.assign(build.site, { attended: 'alone', reach: 'anybody' })],
    () => [hot],
  ],
  [
    'a lower breaker, and all of a drum wound off',
    [(_, build) => void Object.assign(build.site, { lead: 'drum', leadCord: 'mm1.5-3' })],
    () => [(_, build) => void Object.assign(build.site, { lead: 'drum-out', leadCord: 'mm1.5-3' })],
  ],
  [
    'fewer watts',
    [hot],
    () => [
      (draft) => {
        for (const bulb of bulbsOf(draft.shelf))
          Object.assign(bulb, { kind: 'halogen', wattsW: 25 });
      },
    ],
  ],
];

describe.each(SAFER)('%s never makes a finding worse', (_, before, after) => {
  test.each(ids)('%s', (id) => {
    const build = demo.builds.find((each) => each.id === id)!;
    expect(worse(weights(of(id, ...before), id), weights(of(id, ...after(build)), id))).toEqual([]);
  });
});

test('farther from what burns is never worse', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<[string, string]>(
        ['clerk-ring', 'standoffM'],
        ['counter-lamp', 'standoffM'],
        ['corridor-work', 'bounceDistanceM'],
      ),
      fc.double({ min: 0, max: 0.4, noNaN: true }),
      fc.double({ min: 0.01, max: 0.5, noNaN: true }),
      ([id, field], from, more) => {
        const at =
          (value: number): Step =>
          (_, build) =>
            void (build.parameters[field] = value);
        const near = of(id as never, hot, at(Math.max(0.1, from)));
        const far = of(id as never, hot, at(Math.max(0.1, from) + more));
        expect(
          worse(weights(near, id as never), weights(far, id as never)).filter((each) =>
            each.startsWith('heat.'),
          ),
        ).toEqual([]);
      },
    ),
    { numRuns: 60 },
  );
});

describe('the order accessories were added in never changes a verdict', () => {
  const carried = [...ACCESSORIES.values()].map((accessory, k) =>
    accessorySchema.parse({ id: `c${k}`, kind: accessory.id, parameters: accessory.defaults() }),
  );
  test.each(ids)('%s', (id) => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(carried, { minLength: 2, maxLength: 5 }),
        fc.func(fc.nat()),
        (some, key) => {
          const shuffled = some.toSorted((a, b) => key(a.id) - key(b.id));
          const said = (list: typeof some) =>
            [
              ...weights(
                of(id, hot, (_, build) => void (build.accessories = [...list])),
                id,
              ),
            ]
              .map(([finding, weight]) => `${finding} ${weight}`)
              .toSorted();
          expect(said(shuffled)).toEqual(said(some));
        },
      ),
      { numRuns: 12 },
    );
  });
});
