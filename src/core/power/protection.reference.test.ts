import { SITE_RECORD } from '../location/site';
import { demoBuild } from '../forms/testing';
import { part } from '../testing/makers';
import { CORD_IDS, CORDS, type CordId } from '../electrics/cord';
import { REGIONS, type RegionId } from '../electrics/region';
import type { Circuit } from '../location/circuit';
import type { Part } from '../materials/part';
import { earthFindings } from './earth';
import { loadFindings } from './loadFindings';
import { planPower } from './plan';
import { protectionFindings } from './protection';

const { resolved, document } = demoBuild('clerk-ring');
const circuit = (region: RegionId, ratedA: number): Circuit => ({
  ...document.circuits[0]!,
  region,
  voltageV: REGIONS[region].voltageV,
  ratedA,
});
/** The clerk's ring on a cord of the shelf, behind a plug with a fuse or none. */
function wired(cord: CordId, fuseA: number | null, region: RegionId, breakerA: number) {
  const flex = part('cord', { id: 'flex', cord });
  const plug = part('plug', { id: 'plug', ratedA: 16, fuseA });
  const parts: Part[] = [flex, plug];
  const build = {
    ...resolved,
    wiring: {
      ...resolved.wiring,
      cord: { partId: flex.id, field: 'cordPartId' },
      plug: { partId: plug.id, field: 'plugPartId' },
    },
  };
  const find = (id: string | null) => parts.find((each) => each.id === id) ?? null;
  return { build, parts, plan: planPower(build, circuit(region, breakerA), 0, find) };
}
const judged = (cord: CordId, fuseA: number | null, region: RegionId, breakerA: number) => {
  const { build, parts, plan } = wired(cord, fuseA, region, breakerA);
  return protectionFindings(plan, build, parts)[0]?.severity ?? 'nothing said';
};

// BS 1363 and BS 7671 practice, from memory: 3 A for 0.5 mm², 13 A for 1.25 mm² and more.
describe('a plug’s fuse is no bigger than the flex bears', () => {
  test.each<[CordId, number, string]>([
    ['mm0.5-2', 3, 'ok'],
    ['mm0.5-2', 13, 'stop'],
    ['mm0.75-3', 5, 'ok'],
    ['mm0.75-2', 13, 'stop'],
    ['mm1-3', 13, 'stop'],
    ['mm1.25-3', 13, 'ok'],
    ['mm1.5-3', 13, 'ok'],
  ])('%s behind %i A: %s', (cord, fuseA, severity) =>
    expect(judged(cord, fuseA, 'uk-230-50', 32)).toBe(severity),
  );
  test('the way out is a plug that protects the flex and carries the light', () => {
    const { build, parts, plan } = wired('mm0.75-3', 13, 'uk-230-50', 32);
    const fused = (id: string, fuseA: number) => part('plug', { id, ratedA: 13, fuseA });
    const [found] = protectionFindings(plan, build, [...parts, fused('five', 5), fused('ten', 10)]);
    expect(found!.remedies!.map(({ parameters }) => parameters)).toEqual([{ plugPartId: 'five' }]);
  });
});

// A flex of 0.5 mm² behind 16 A wants a competent person, behind more it is refused.
describe('without a fuse the breaker alone protects', () => {
  test.each<[CordId, RegionId, number, string]>([
    ['mm0.75-2', 'eu-230-50', 16, 'nothing said'],
    ['mm0.5-2', 'eu-230-50', 10, 'look'],
    ['mm0.5-2', 'eu-230-50', 16, 'look'],
    ['mm0.5-2', 'eu-230-50', 20, 'stop'],
    ['mm0.5-2', 'eu-230-50', 63, 'stop'],
    ['mm0.75-2', 'uk-230-50', 32, 'look'],
    ['mm0.5-2', 'uk-230-50', 32, 'stop'],
    ['awg18-2', 'na-120-60', 20, 'nothing said'],
  ])('%s, %s, %i A: %s', (cord, region, breakerA, severity) =>
    expect(judged(cord, null, region, breakerA)).toBe(severity),
  );
  test('a thicker flex never makes it worse', () => {
    const rank = { 'nothing said': 0, ok: 0, look: 1, unknown: 1, stop: 2 };
    const cords = CORD_IDS.filter((id) => CORDS[id].system === 'metric').toSorted(
      (a, b) => CORDS[a].limitA - CORDS[b].limitA,
    );
    for (const breakerA of [10, 16, 32, 63]) {
      const ranks = cords.map((id) => rank[judged(id, null, 'eu-230-50', breakerA)]);
      expect(ranks).toEqual(ranks.toSorted((a, b) => b - a));
    }
  });
});

// NEC 210.21(B)(2), from memory: 12 A for what hangs for hours on a receptacle of 15 A.
describe('a plug that carries for hours', () => {
  const plugOf = (amps: number, region: RegionId) => {
    const { build, parts, plan } = wired('mm2.5-3', null, region, 20);
    const loaded = { ...plan, fullA: amps, plug: part('plug', { ratedA: 15 }) };
    return loadFindings(loaded, build, parts).find(({ id }) => id === 'power.plug')!.severity;
  };
  test('where breakers are derated: 12 A is fine, 12.5 A gets hot, 15 A is too much', () =>
    expect([12, 12.5, 14.9, 15].map((amps) => plugOf(amps, 'na-120-60'))).toEqual([
      'ok',
      'look',
      'look',
      'stop',
    ]));
  test('elsewhere its rating counts', () =>
    expect([15, 15.1].map((amps) => plugOf(amps, 'eu-230-50'))).toEqual(['ok', 'stop']));
});

/** Nothing said yet of where it stands. */
const SITE = SITE_RECORD.starts;

describe('metal that can be touched is earthed (IEC 60598, from memory)', () => {
  const earth = (cord: CordId, metal: boolean, more: object = {}) => {
    const { build, parts, plan } = wired(cord, null, 'eu-230-50', 16);
    const board = part('sheet', { id: 'mdf-6', burns: metal ? 'no' : 'wood' });
    return earthFindings(plan, { ...build, ...more }, [...parts, board], SITE).filter(
      ({ id }) => id === 'earth.metal',
    );
  };
  test('a board of metal on two cores is refused, on three it is not, nor one of wood', () => {
    expect(earth('mm0.75-2', true)[0]!.severity).toBe('stop');
    expect(earth('mm0.75-3', true)).toEqual([]);
    expect(earth('mm0.75-2', false)).toEqual([]);
  });
  test('leaves of metal that an accessory brings are judged like a board', () => {
    const leaf = { ...resolved.pieces[0]!, id: 'leaf', name: 'Top leaf', partId: 'leaf-metal' };
    const { build, parts, plan } = wired('mm0.75-2', null, 'eu-230-50', 16);
    const sheet = part('sheet', { id: 'leaf-metal', burns: 'no' });
    const hung = { ...build, pieces: [leaf as never] };
    expect(earthFindings(plan, hung, [...parts, sheet], SITE)[0]!.message).toContain('top leaf');
  });
  test('the way out brings an earth and no less copper', () => {
    const { build, parts, plan } = wired('mm1-2', null, 'eu-230-50', 16);
    const shelf = CORD_IDS.map((cord) => part('cord', { id: `c-${cord.replace('.', '_')}`, cord }));
    const board = part('sheet', { id: 'mdf-6', burns: 'no' });
    const [found] = earthFindings(plan, build, [...parts, board, ...shelf], SITE);
    const offered = found!.remedies!.map(({ parameters }) => parameters.cordPartId);
    expect(offered).toEqual(['c-mm1-3', 'c-mm1_25-3', 'c-mm1_5-3', 'c-mm2_5-3']);
  });
  test('behind a supply no mains reaches the metal', () =>
    expect(earth('mm0.75-2', true, { tape: demoBuild('clerk-pan').resolved.tape })).toEqual([]));
});

test('a stronger cord for an earthed light keeps its earth', () => {
  const { build, parts, plan } = wired('mm0.75-3', null, 'eu-230-50', 16);
  const shelf = CORD_IDS.map((cord) => part('cord', { id: `c-${cord.replace('.', '_')}`, cord }));
  const hot = { ...plan, fullA: 9 };
  const found = loadFindings(hot, build, [...parts, ...shelf]).find(
    ({ id }) => id === 'power.cord',
  )!;
  const offered = found.remedies!.map(({ parameters }) => String(parameters.cordPartId));
  expect(offered).not.toHaveLength(0);
  expect(offered.every((id) => id.endsWith('-3'))).toBe(true);
});
