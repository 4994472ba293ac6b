import fc from 'fast-check';
import { bulbIn, sample } from '../../testing/sample';
import { sceneOf } from '../../evaluate/context';
import { changeParameters } from '../../document/change';
import { rangeOf } from '../range';
import { pulledValue } from '../../drawing/pull';
import { bulbRing } from '.';
import { layoutRing, mostSeats, rowRadii, seatSpacing, secondRing } from './layout';
import { bulbRingParameters, type BulbRing } from './parameters';

const document = sample();
const scene = sceneOf(document, document.builds[0]!);
const { context } = scene;
const clerk = document.builds[0]!.parameters as unknown as BulbRing;
const ring = (over: Partial<BulbRing> = {}): BulbRing => ({ ...clerk, ...over });
const range = (parameters: BulbRing, name: keyof BulbRing) => {
  const field = bulbRing.fields.find(({ parameter }) => parameter === name)!;
  if (field.kind !== 'quantity') throw new Error(`${name} is not measured`);
  return rangeOf(field, bulbRing.limits(parameters, context)[name]);
};
const fact = (parameters: BulbRing, id: string) =>
  bulbRing.resolve(parameters, context).facts.find((each) => each.id === id)?.value;

describe('a trammel ring: outer radius 500 mm, 150 mm wide, mark at 520 mm (common practice)', () => {
  test.each([
    ['trammel-outer', 0.5],
    ['trammel-inner', 0.35],
    ['pivot', 0.52],
    ['stock', 1.04],
    ['socket-circle-0', 0.85],
  ])('%s', (id, metres) => expect(fact(ring(), id)).toBeCloseTo(metres, 12));
});

describe('layout', () => {
  test('sixteen sockets: chord 2·r·sin(π/16) = 165.8 mm, all neighbours alike', () => {
    const { seats, spacingM } = layoutRing(ring(), context);
    expect(spacingM).toBeCloseTo(0.85 * Math.sin(Math.PI / 16), 12);
    seats.forEach((seat, k) => {
      const next = seats[(k + 1) % seats.length]!;
      expect(Math.hypot(seat.x - next.x, seat.y - next.y)).toBeCloseTo(spacingM, 12);
    });
  });
  test('cord between neighbours = chord + depth twice + 2 × strip allowance (docs/model/forms.md)', () => {
    const expected = 0.85 * Math.sin(Math.PI / 16) + 2 * 0.006 + 2 * 0.03;
    expect(fact(ring(), 'link')).toBeCloseTo(expected, 12);
    expect(fact(ring(), 'cord')).toBeCloseTo((3 + 15 * expected) * 1.05, 12);
  });
  test('by gap: the fewest sockets whose clear gap is not passed', () => {
    const byGap = layoutRing(ring({ fillMode: 'gap', largestGapM: 0.1 }), context);
    expect(byGap.spacingM - byGap.globeM).toBeLessThanOrEqual(0.1);
    const oneLess = seatSpacing(byGap.rowRadiiM, byGap.count - 1) - byGap.globeM;
    expect(oneLess).toBeGreaterThan(0.1);
  });
  test('two rows stagger a quarter width to each side of the mean circle', () => {
    const radii = rowRadii(ring({ rows: 2 }));
    expect(radii[0]).toBeCloseTo(0.4625, 12);
    expect(radii[1]).toBeCloseTo(0.3875, 12);
    const { seats } = layoutRing(ring({ rows: 2 }), context);
    expect(seats[0]!.radiusM).not.toBe(seats[1]!.radiusM);
  });
  test('groups are dealt round in turn', () => {
    const two = ring({ groups: [clerk.groups[0]!, clerk.groups[0]!] });
    const { groups } = bulbRing.resolve(two, context);
    expect(groups.map(({ count }) => count)).toEqual([8, 8]);
    expect(groups[0]!.emitters.slice(0, 3)).toEqual([0, 2, 4]);
  });
  test('the disc gives a second ring that can itself be made', () => {
    const second = secondRing(ring(), layoutRing(ring(), context))!;
    expect(second.outerDiameterM).toBeLessThan(0.7);
    expect(bulbRing.problems(ring(second), context)).toEqual([]);
  });
  test('a small disc gives none', () => {
    const small = ring({ outerDiameterM: 0.3, ringWidthM: 0.12, socketCount: 4 });
    expect(secondRing(small, layoutRing(small, context))).toBeNull();
  });
});

describe('what cannot be made is told at its field', () => {
  test.each<[Partial<BulbRing>, string]>([
    [{ ringWidthM: 0.6 }, 'ringWidthM ring_too_wide'],
    [{ ringWidthM: 0.04 }, 'ringWidthM ring_too_narrow'],
    [{ socketCount: 60 }, 'socketCount sockets_overlap'],
    [{ rows: 2, ringWidthM: 0.2, socketCount: 15 }, 'socketCount odd_stagger'],
    [{ fillMode: 'gap', largestGapM: 0.005 }, 'largestGapM sockets_overlap'],
  ])('%j', (over, expected) => {
    const found = bulbRing.problems(ring(over), context).map(({ path, code }) => `${path} ${code}`);
    expect(found).toEqual([expected]);
  });
  test('the message names the most that fit, and that many do fit', () => {
    const most = mostSeats(rowRadii(ring()), 0.055);
    const [problem] = bulbRing.problems(ring({ socketCount: 60 }), context);
    expect(problem!.message).toContain(`at most ${most} fit`);
    expect(bulbRing.problems(ring({ socketCount: most }), context)).toEqual([]);
    expect(bulbRing.problems(ring({ socketCount: most + 1 }), context)).toHaveLength(1);
  });
  test('zero, negative, absurd and wrong types stop at the schema', () => {
    for (const wrong of [
      { outerDiameterM: 0 },
      { outerDiameterM: -1 },
      { socketCount: 1e6 },
      { socketCount: 2.5 },
      { ringWidthM: 'wide' },
      { groups: [] },
      { outerDiameterM: Infinity },
    ])
      expect(bulbRing.parameters.safeParse({ ...clerk, ...wrong }).success).toBe(false);
  });
  test('a change is refused when it breaks the ring, allowed when it mends a broken one', () => {
    const change = (current: BulbRing, changes: Partial<BulbRing>) =>
      changeParameters(bulbRing as never, { ...current }, changes, context).ok;
    expect(change(ring(), { ringWidthM: 0.6 })).toBe(false);
    expect(change(ring({ socketCount: 60 }), { socketCount: 50 })).toBe(true);
    expect(change(ring({ socketCount: 60 }), { socketCount: 16 })).toBe(true);
  });
  test('sheet too small, wrong base, too hot a socket', () => {
    const ids = (over: Partial<BulbRing>) =>
      bulbRing.resolve(ring(over), context).findings.map(({ id, severity }) => `${id} ${severity}`);
    expect(ids({ outerDiameterM: 1.5 })).toContain('cut.too-big.mdf-6 stop');
    const candle = bulbRingIds({ bulbId: 'candle-e14-5' });
    expect(ids(candle)).toContain('ring.base.0 stop');
    expect(ids({ finish: 'black-paint' })).toContain('ring.dark-front look');
  });
});

const bulbRingIds = ({ bulbId }: { bulbId: string }): Partial<BulbRing> => ({
  groups: [{ bulbId: bulbIn(document.shelf, bulbId).id, level: 1 }],
});

/** Every ring the limits allow must be makeable, and resolve to finite numbers. */
test('inside its limits every ring can be made (seeded properties)', () => {
  const anyRing = fc.record({
    outerDiameterM: fc.double({ min: 0.2, max: 2, noNaN: true }),
    widthShare: fc.double({ min: 0, max: 1, noNaN: true }),
    countShare: fc.double({ min: 0, max: 1, noNaN: true }),
  });
  fc.assert(
    fc.property(anyRing, ({ outerDiameterM, widthShare, countShare }) => {
      const sized = ring({ outerDiameterM, socketCount: 1, ringWidthM: 0.06 });
      const width = range(sized, 'ringWidthM');
      const wide = { ...sized, ringWidthM: width.min + (width.max - width.min) * widthShare };
      const count = range(wide, 'socketCount');
      const full = { ...wide, socketCount: Math.floor(1 + (count.max - 1) * countShare) };
      expect(bulbRing.problems(full, context)).toEqual([]);
      const { emitters, massKg, facts } = bulbRing.resolve(full, context);
      expect(emitters).toHaveLength(full.socketCount);
      expect(Number.isFinite(massKg) && facts.every(({ value }) => Number.isFinite(value))).toBe(
        true,
      );
      const diameter = range(full, 'outerDiameterM');
      expect(bulbRing.problems({ ...full, outerDiameterM: diameter.min + 1e-6 }, context)).toEqual(
        [],
      );
    }),
    { seed: 11, numRuns: 300 },
  );
});

describe('pulling a handle', () => {
  test('straight: along the direction counts, across does not', () => {
    const pull = { kind: 'straight', direction: [1, 0], perMetre: 2 } as const;
    expect(pulledValue(pull, 1, [0.5, 0], [0.55, 0.3])).toBeCloseTo(1.1, 12);
  });
  test('division: a pointer a sixteenth of a turn on makes sixteen', () => {
    const pull = { kind: 'division', fromRad: Math.PI / 2 } as const;
    const at = (turns: number) =>
      [Math.sin(turns * 2 * Math.PI), Math.cos(turns * 2 * Math.PI)] as const;
    for (const count of [2, 3, 8, 16, 40])
      expect(pulledValue(pull, 0, [0, 1], at(1 / count))).toBe(count);
  });
  test('the drawn handle sits where pulling it by nothing changes nothing', () => {
    const { views } = bulbRing.draw(ring(), context);
    for (const handle of views.flatMap((view) => view.handles)) {
      const value = ring()[handle.parameter as keyof BulbRing] as number;
      expect(pulledValue(handle.pull, value, handle.at, handle.at)).toBeCloseTo(value, 9);
    }
  });
});

test('an empty ring resolves to no light, no needs for bulbs, and asks what is missing', () => {
  const empty = bulbRing.resolve(bulbRingParameters.defaults(), context);
  expect(empty.emitters.every(({ luminousFluxLm }) => luminousFluxLm === 0)).toBe(true);
  expect(empty.needs.filter(({ item }) => item.kind !== 'hardware')).toEqual([]);
  expect(
    empty.findings.filter(({ severity }) => severity === 'unknown').length,
  ).toBeGreaterThanOrEqual(5);
});

test('board piece: every socket has its hole; a slanted pair has two', () => {
  const drilled = (parameters: BulbRing) =>
    bulbRing
      .resolve(parameters, context)
      .pieces.flatMap((piece) => (piece.kind === 'sheet' ? piece.shapes : []))
      .filter(({ layer }) => layer === 'drill').length;
  expect(drilled(ring())).toBe(16);
  expect(drilled(ring({ holes: 'pair' }))).toBe(32);
  expect(bulbRing.resolve(ring({ centreBarWidthM: 0.06 }), context).pieces).toHaveLength(2);
  const covered = bulbRing.resolve(ring({ coverPartId: 'opal-sheet-3' as never }), context);
  expect(covered.pieces.map(({ name }) => name)).toEqual(['Ring board', 'Back cover']);
  // Bought to size where no sheet is chosen for it.
  const bought = bulbRing
    .resolve(ring(), context)
    .needs.filter(({ item }) => item.id === 'back-panel');
  expect(bought).toMatchObject([{ item: { size: 'ring Ø 1000 mm, hole Ø 700 mm' } }]);
});
