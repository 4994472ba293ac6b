import { bringList, type PlannedLight } from './bring';
import { cableOf } from './cables';
import { blankSetup, type Setup } from './setup';
import { newThing, type LightThing, type SocketThing, type Thing } from './things';

type Body = NonNullable<PlannedLight['body']>;
const body = (more: Partial<Body> = {}): Body => ({
  widthM: 0.4,
  heightM: 0.3,
  wattsW: 60,
  apparentVa: 66,
  circuitId: null,
  ...more,
});
const light = (more: Partial<LightThing> = {}) =>
  newThing('light', 'l', 'Key', { xM: 1, yM: 1, zM: 2, ...more });
const socket = (id: string, xM: number, yM: number, circuitId: string | null) =>
  newThing('socket', id, id, { xM, yM, circuitId: circuitId as SocketThing['circuitId'] });
const setupOf = (...things: Thing[]): Setup => ({ ...blankSetup('s', 'S', null), things });

describe('a cable', () => {
  test('goes down the stand, along the walls and up to the socket, with slack', () => {
    const near = socket('a', 4, 3, 'ring');
    // 2 m down, 3 + 2 m along, 0.3 m up; a tenth more, and a loop of a metre.
    const cable = cableOf(setupOf(light(), near), light(), body());
    expect(cable.lengthM).toBeCloseTo(7.3 * 1.1 + 1, 9);
    expect(cable.leadsM).toEqual([10]);
    expect(cable).toMatchObject({ socket: near, circuitId: 'ring' });
  });
  test('takes the nearest socket of its own circuit, and of none other', () => {
    const things = [socket('a', 1.2, 1, 'other'), socket('b', 4, 1, 'mine')];
    const own = body({ circuitId: 'mine' });
    expect(cableOf(setupOf(...things), light(), own).socket?.id).toBe('b');
    expect(cableOf(setupOf(things[0]!), light(), own)).toMatchObject({
      socket: null,
      circuitId: 'mine',
      lengthM: null,
      leadsM: [],
    });
    // Whoever has no circuit hangs on that of the socket next to it; nobody knows what another hangs on.
    expect(cableOf(setupOf(...things), light(), body()).circuitId).toBe('other');
    expect(cableOf(setupOf(socket('c', 1, 1, null)), light(), body()).circuitId).toBeNull();
  });
  test('is none for what draws nothing or is gone, and several leads where none is so long', () => {
    const far = socket('a', 59, 20, 'ring');
    expect(cableOf(setupOf(far), light(), body({ wattsW: 0, apparentVa: 0 })).socket).toBeNull();
    expect(cableOf(setupOf(far), light(), null).socket).toBeNull();
    const long = cableOf(setupOf(far), light(), body());
    expect(long.lengthM!).toBeGreaterThan(80);
    expect(long.leadsM.reduce((sum, lead) => sum + lead, 0)).toBeGreaterThanOrEqual(long.lengthM!);
    expect(long.leadsM).toHaveLength(2);
  });
});

test('the list names lights, what holds them, gels, cards, leads and the backdrop, each once', () => {
  const things: Thing[] = [
    light({ buildId: 'x' as LightThing['buildId'] }),
    light({ id: 'm', name: 'Fill', buildId: 'x' as LightThing['buildId'], zM: 1.6 }),
    light({ id: 'n', name: 'Sky', zM: 3, gelMired: -80 }),
    light({ id: 'o', name: 'Lamp', role: 'practical' }),
    newThing('card', 'k', 'Flag', { card: 'flag' }),
    newThing('backdrop', 'b', 'Sea', { widthM: 3 }),
    socket('s', 1, 1, 'ring'),
  ];
  const setup = setupOf(...things);
  const lights = things
    .filter((thing): thing is LightThing => thing.kind === 'light')
    .map((thing, k): PlannedLight => {
      return { number: k + 1, thing, body: body(), cable: cableOf(setup, thing, body()) };
    });
  const list = bringList(setup, lights, ({ buildId }) => (buildId ? 'Pan' : 'Globe'));
  const counted = (what: RegExp) => list.filter((row) => what.test(row.what));
  expect(counted(/^Pan$/)).toMatchObject([{ count: 2, note: '1 Key, 2 Fill' }]);
  expect(counted(/^Globe$/)).toMatchObject([{ count: 2 }]);
  // The practical stands in the set; the sky is too high for a stand.
  expect(counted(/Stands for lights/)).toMatchObject([{ count: 2, sizesM: [2] }]);
  expect(counted(/hang Sky/)).toMatchObject([{ sizesM: [3] }]);
  expect(counted(/Sandbags/)).toMatchObject([{ count: 3 }]);
  expect(counted(/Gel, −80 mired, for 3/)).toHaveLength(1);
  expect(counted(/flag or paper/)).toMatchObject([{ note: 'Flag' }]);
  expect(counted(/^Lead$/).reduce((sum, { count }) => sum + count, 0)).toBe(4);
  expect(counted(/^Sea$/)).toHaveLength(1);
});

test('of several side by side each wants its own lead, gel and something to hang from', () => {
  const setup = setupOf(light(), socket('s', 1, 1, 'ring'));
  const many = light({ copies: 3, zM: 3, gelMired: 50 });
  const cable = cableOf(setup, many, body());
  const list = bringList(setup, [{ number: 1, thing: many, body: body(), cable }], () => 'Pan');
  const count = (what: RegExp) => list.find((row) => what.test(row.what))?.count;
  expect([count(/^Pan/), count(/^Lead/), count(/^Gel/), count(/to hang/)]).toEqual([3, 3, 3, 3]);
});

test('a light that stands dark now but can be turned up has its cable all the same', () =>
  expect(cableOf(setupOf(socket('s', 1, 1, 'ring')), light(), body({ wattsW: 0 })).circuitId).toBe(
    'ring',
  ));
