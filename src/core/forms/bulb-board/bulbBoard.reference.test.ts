import { demoBuild } from '../testing';
import { placesAlong, smallestGap } from './layout';

const board = (over: Record<string, unknown> = {}) => demoBuild('sky-board', over);

describe('places along a board', () => {
  test('even: ends inset, equal steps', () => {
    expect(placesAlong(1.2, 0.1, 6, 'even').map((x) => Number(x.toFixed(9)))).toEqual([
      -0.5, -0.3, -0.1, 0.1, 0.3, 0.5,
    ]);
  });
  test('closer at the ends: half · sin(π/2·t), mirror-symmetric', () => {
    const places = placesAlong(2, 0, 5, 'ends');
    expect(places[0]).toBeCloseTo(-1, 12);
    expect(places[1]).toBeCloseTo(-Math.SQRT1_2, 12);
    expect(places[2]).toBeCloseTo(0, 12);
    expect(places[4]! + places[0]!).toBeCloseTo(0, 12);
    expect(smallestGap(places)).toBeCloseTo(1 - Math.SQRT1_2, 12);
  });
  test('one sits in the middle', () => expect(placesAlong(1, 0.1, 1, 'even')).toEqual([0]));
});

describe('the sky board: eight on 1.8 m, two halves', () => {
  test('stands upright: seats above one another', () => {
    const { resolved } = board();
    for (const { positionM } of resolved.emitters) expect(positionM[0]).toBeCloseTo(0, 12);
    expect(resolved.apparent.heightM).toBeGreaterThan(resolved.apparent.widthM);
  });
  test('level: side by side', () => {
    const { resolved } = board({ orientation: 'level' });
    for (const { positionM } of resolved.emitters) expect(positionM[1]).toBeCloseTo(0, 12);
    expect(resolved.apparent.widthM).toBeGreaterThan(resolved.apparent.heightM);
  });
  test('each half carries its own holes; two plates join them along its edges', () => {
    const { sheets } = board();
    const holes = sheets.map(
      ({ shapes }) => shapes.filter(({ layer }) => layer === 'drill').length,
    );
    expect(sheets.map(({ name }) => name).slice(0, 3)).toEqual([
      'Board, first half',
      'Board, second half',
      'Joining plate',
    ]);
    expect(holes.slice(0, 3)).toEqual([4, 4, 0]);
    for (const { shapes, widthM } of sheets)
      for (const shape of shapes) if (shape.kind === 'circle') expect(shape.x).toBeLessThan(widthM);
  });
  test('in one piece it may not fit the car', () => {
    expect(board({ split: 1 }).ids).toContain('bulb-board.car');
    expect(board().ids).not.toContain('bulb-board.car');
  });
  test('flags: two along the sides, four all round, none', () => {
    const flags = (flags: string) =>
      board({ flags })
        .sheets.filter(({ name }) => name.includes('flag'))
        .reduce((sum, { count }) => sum + count, 0);
    // A board in two halves has its side flags in two halves as well.
    expect([flags('none'), flags('sides'), flags('ends'), flags('all')]).toEqual([0, 4, 2, 6]);
    expect(
      board({ flags: 'sides', split: 1 }).sheets.filter(({ name }) => name === 'Side flag'),
    ).toMatchObject([{ count: 2, widthM: 1.8 }]);
  });
  test('switching one off is a step of an eighth', () => {
    expect(board().fact('dim-step')).toBe(1 / 8);
  });
  test('cord: tail, seven links of the least spacing and what goes through the board', () => {
    const { fact } = board({ spacing: 'even' });
    const spacing = (1.8 - 0.2) / 7;
    expect(fact('spacing')).toBeCloseTo(spacing, 9);
    expect(fact('link')).toBeCloseTo(spacing + 2 * 0.009 + 2 * 0.03, 9);
    expect(fact('cord')).toBeCloseTo((3 + 7 * fact('link')!) * 1.05, 9);
  });
});

describe('sockets gathered to the ends (worked out by hand: sin(π/2·t) on 1.6 m)', () => {
  // Gaps 153, 400, 494, 400, 153 mm; what a link takes beside its gap is 2 × 9 + 2 × 30 mm.
  const six = board({ socketCount: 6, spacing: 'ends', split: 1 });
  test('each link is as long as its own gap', () => {
    const links = six.resolved.wiring.loads.slice(1).map(({ cordM }) => Math.round(cordM * 1000));
    expect(links).toEqual([153, 400, 494, 400, 153].map((gap) => gap + 78));
    expect(Math.round(six.fact('link')! * 1000)).toBe(572);
    expect(Math.round(six.fact('link-least')! * 1000)).toBe(231);
  });
  test('cord: 3 m of tail and 1990 mm of links, 5 % for joints', () => {
    expect(six.fact('cord')).toBeCloseTo(5.24, 3);
    expect(six.need('cord-075')).toBeCloseTo(5.24, 3);
  });
  test('eight of them, as the sky board has: 5.403 m', () => {
    expect(board({ socketCount: 8, spacing: 'ends' }).fact('cord')).toBeCloseTo(5.403, 3);
  });
});

describe('a joint never falls on a socket', () => {
  test.each([2, 3, 5, 7, 8, 11, 14])('%i sockets', (socketCount) => {
    const { sheets, resolved } = board({ socketCount, split: 2, spacing: 'even' });
    const halves = sheets.slice(0, 2);
    expect(halves.reduce((sum, { widthM }) => sum + widthM, 0)).toBeCloseTo(1.8, 9);
    const holes = halves.flatMap(({ shapes, widthM }) =>
      shapes.flatMap((shape) =>
        shape.kind === 'circle' && shape.layer === 'drill' ? [{ ...shape, widthM }] : [],
      ),
    );
    expect(holes).toHaveLength(socketCount);
    for (const { x, r, widthM } of holes) {
      expect(x - r).toBeGreaterThan(0);
      expect(x + r).toBeLessThan(widthM);
    }
    // Plates lie along both edges, clear of the row of holes; flags are no longer than a half.
    const plate = sheets.find(({ id }) => id === 'joining-plate')!;
    expect(plate.count).toBe(2);
    expect(2 * plate.heightM + 0.025).toBeLessThan(halves[0]!.heightM);
    expect(resolved.folded.widthM).toBeCloseTo(Math.max(...halves.map(({ widthM }) => widthM)), 9);
    for (const half of halves) expect(half.markOut[0]).toMatch(/^Sockets at /);
  });
});

describe('mistakes it catches', () => {
  test('sockets that overlap: the message names the most, and that many do fit', () => {
    const tight = board({ socketCount: 60, spacing: 'even' });
    expect(tight.problems).toEqual(['socketCount sockets_overlap']);
    const most = tight.form.fill!.most(tight.parameters, tight.context);
    expect(board({ socketCount: most, spacing: 'even' }).problems).toEqual([]);
    expect(board({ socketCount: most + 1, spacing: 'even' }).problems).toHaveLength(1);
  });
  test.each<[Record<string, unknown>, string]>([
    [{ insetM: 0.95 }, 'insetM inset'],
    [{ boardWidthM: 0.041 }, 'boardWidthM too_narrow'],
  ])('%j', (over, expected) => expect(board(over).problems).toContain(expected));
  test('a base that does not fit', () => {
    expect(board({ socketPartId: 'socket-e14' }).severity('bulb-board.base.0')).toBe('stop');
  });
});

test('groups are dealt along the board in turn', () => {
  const two = board({
    groups: [
      { bulbId: 'daylight-a60-10', level: 1 },
      { bulbId: 'globe-a60-9-2700', level: 0.5 },
    ],
  });
  expect(two.resolved.groups.map(({ count }) => count)).toEqual([4, 4]);
  expect(two.resolved.groups[1]!.emitters).toEqual([1, 3, 5, 7]);
});
