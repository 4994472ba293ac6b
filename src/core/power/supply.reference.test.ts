import type { TapeRun } from '../build/wiring';
import { sourced } from '../origin';
import { part } from '../testing/makers';
import { leadNeeds } from './tapeLeads';
import { planTape } from './tapePlan';
import { supplyFindings } from './supplyFindings';

const supply = (voltageV: number, ratedW: number) =>
  part('supply', {
    id: `supply-${voltageV}-${ratedW}`,
    name: `${voltageV} V ${ratedW} W`,
    voltageV,
    ratedW,
    priceMinor: 1000,
  });
const shelf = [supply(24, 350), supply(24, 100), supply(12, 200)];

/** Five metres of 14.4 W/m at 24 V: 72 W. */
const run = (over: Partial<TapeRun> = {}): TapeRun => ({
  voltageV: 24,
  wattsPerM: 14.4,
  load: 'string',
  loopOhmPerM: sourced(0.33, 'typical'),
  colour: false,
  rowsM: [5],
  feed: 'one',
  supplies: 1,
  supply: { name: 'its own', voltageV: 24, ratedW: 100, protection: 'II' },
  leadLengthM: 0.5,
  leadMm2: 0.75,
  connector: 'soldered',
  outputsJoined: false,
  supplyField: 'supplyPartId',
  outputsField: 'outputs',
  feedField: 'feed',
  leadField: 'leadMm2',
  connectorField: 'connector',
  ...over,
});

describe('a supply carries four fifths of its rating (common practice)', () => {
  test('one that fits: nothing to say', () => {
    expect(supplyFindings(run(), shelf)).toEqual([]);
  });
  test('none chosen: 72 W at four fifths is 90 W, and which of the shelf carries it', () => {
    const [found, ...more] = supplyFindings(run({ supply: null }), shelf);
    expect(more).toEqual([]);
    expect(found).toMatchObject({ id: 'tape.supply', severity: 'unknown' });
    expect(found!.message).toContain('72.0 W at 24 V');
    expect(found!.limit).toContain('90 W');
    expect(found!.remedies!.map(({ parameters }) => parameters.supplyPartId)).toEqual([
      'supply-24-100',
      'supply-24-350',
    ]);
    expect(supplyFindings(run({ supply: null }), [])[0]!.message).toContain('at least 90 W');
  });
  test('several share the tape: split, never joined; one that carries it alone is named', () => {
    const [found] = supplyFindings(run({ rowsM: [10], supplies: 2 }), shelf);
    expect(found).toMatchObject({ id: 'tape.supply', severity: 'look' });
    expect(found!.title).toBe('2 supplies share the tape');
    expect(found!.message).toContain('Never join their outputs');
    expect(found!.message).toContain('24 V 350 W');
  });
});

test.each([
  [12, 'stays dark'],
  [36, 'burns out'],
])('a supply of %s V on tape of 24 V is a stop: it %s', (voltageV, words) => {
  const [found, ...more] = supplyFindings(
    run({ supply: { name: 'another', voltageV, ratedW: 200, protection: 'II' } }),
    shelf,
  );
  expect(more).toEqual([]);
  expect(found).toMatchObject({ id: 'tape.supply-volts', severity: 'stop', limit: '24 V' });
  expect(found!.message).toContain(words);
  expect(found!.remedies![0]!.parameters.supplyPartId).toBe('supply-24-100');
});

test('more than 100 VA from one output wants a fuse (UL 1310 class 2; from memory)', () => {
  const strong = { name: 'strong', voltageV: 24, ratedW: 350, protection: 'II' as const };
  const ids = (metres: number) =>
    supplyFindings(run({ supply: strong, rowsM: [metres] }), shelf).map(({ id }) => id);
  expect(ids(100 / 14.4 - 0.01)).toEqual([]);
  expect(ids(100 / 14.4 + 0.01)).toEqual(['tape.class2']);
});

describe('leads are bought for every place the tape is fed at', () => {
  const metres = (over: Partial<TapeRun>) => {
    const given = run(over);
    return leadNeeds(planTape(given), given).map(({ quantity }) => quantity);
  };
  test.each<[string, Partial<TapeRun>, number]>([
    ['one end', {}, 0.5],
    ['both ends', { feed: 'both' }, 1],
    ['one end of each of two parts', { supplies: 2 }, 1],
    ['every row', { feed: 'rows', rowsM: [1, 1, 1, 1] }, 2],
  ])('%s', (_name, over, wanted) => {
    expect(metres(over)).toEqual([wanted]);
  });
  test('even places: as many as the plan feeds', () => {
    const given = run({ feed: 'spaced', rowsM: [20], voltageV: 12 });
    const feeds = planTape(given)!.parts.flatMap(({ feedsM }) => feedsM).length;
    expect(feeds).toBeGreaterThan(2);
    expect(leadNeeds(planTape(given), given)[0]!.quantity).toBeCloseTo(feeds * 0.5, 9);
  });
  test('no tape, no leads', () => {
    expect(leadNeeds(planTape(null), null)).toEqual([]);
  });
});
