import {
  intensityPerLm,
  prepareSpread,
  quantilesOf,
  zonesLm,
  backwardShare,
  type Spread,
} from '../units/spread';
import { illuminanceLx } from '../light/illuminance';
import { packEmitters } from '../light/emitter';
import { packArrangement } from '../light/transport/pack';
import { simulate } from '../light/transport/run';
import { sheet, standardPan } from '../light/transport/testing';
import type { Photometry } from './photometric';
import { distributionOf, fluxOf } from '../light/farField';
import { sourceField } from '../light/lightField';
import { writeEulumdat } from './eulumdat';
import { writeIes } from './ies';
import { readEulumdat } from './readEulumdat';
import { spreadSchema } from '../units/spread';
import { MOST_FILE_BYTES, readUnitSpread } from './unitSpread';

const bytes = (text: string) => new TextEncoder().encode(text);
const photometry = (spread: Spread, luminousFluxLm = 1000): Photometry => ({
  how: 'worked out, not measured',
  name: 'Test unit',
  ...distributionOf(
    sourceField([{ positionM: [0, 0, 0], axis: [0, 0, 1], luminousFluxLm, spread }]),
    [0, 0, 0],
    0.1,
  ),
  lampLm: 1250,
  wattsW: 12.5,
  cctK: 4000,
  criRa: 92,
  widthM: 0.3,
  heightM: 0.2,
  round: false,
  date: '2026-11-25',
  notes: ['simulated, not measured'],
});
const read = (text: string, name = 'a.ies') => {
  const found = readUnitSpread(bytes(text), name);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};
const why = (text: string | Uint8Array) => {
  const found = readUnitSpread(typeof text === 'string' ? bytes(text) : text, 'a.ldt');
  return found.ok ? 'read' : found.problems[0]!.message;
};

describe('LM-63 and EULUMDAT written and read back as a unit', () => {
  test.each<[Spread['class'], Spread]>([
    ['omni', { class: 'omni' }],
    ['forward', { class: 'forward' }],
    ['side', { class: 'side' }],
    ['lambert', { class: 'lambert' }],
    ['reflector', { class: 'reflector', beamAngleDeg: 60 }],
  ])('%s: the same flux by zonal sum within 0.5 %%, the same intensities', (_, spread) => {
    const given = photometry(spread);
    const zonal = fluxOf(given);
    for (const text of [writeIes(given), writeEulumdat(given)]) {
      const found = read(text);
      expect(Math.abs(found.luminousFluxLm / zonal - 1)).toBeLessThan(0.005);
      const own = prepareSpread(spread);
      const table = prepareSpread(found.spread);
      for (const cosine of [0.95, 0.6, 0.1, -0.5])
        expect(intensityPerLm(table, cosine)).toBeCloseTo(intensityPerLm(own, cosine), 2);
      expect(found.wattsW).toBeCloseTo(12.5, 6);
    }
  });
  test('Lambert by hand: 1000 lm give 318.3 cd on the axis', () => {
    const { spread, luminousFluxLm } = read(writeIes(photometry({ class: 'lambert' })));
    expect((spread.cdPerKlm[0]! * luminousFluxLm) / 1000).toBeCloseTo(1000 / Math.PI, 0);
    const field = packEmitters([
      { positionM: [0, 0, 0], axis: [0, 0, 1], luminousFluxLm: 1000, spread },
    ]);
    // 318.3 cd at 2 m: 79.6 lx; behind it nothing.
    expect(illuminanceLx(field, [0, 0, 2], [0, 0, -1])).toBeCloseTo(79.6, 0);
    expect(illuminanceLx(field, [0, 0, -2], [0, 0, 1])).toBe(0);
  });
  test('quarter-turn files are mirrored', () => {
    const text = [
      'IESNA:LM-63-2002',
      '[TEST] quarter',
      'TILT=NONE',
      '1 -1 1 3 2 1 2 0 0 0',
      '1 1 10',
      '0 45 90',
      '0 90',
      '100 100 0',
      '300 100 0',
    ].join('\n');
    const { spread, luminousFluxLm } = read(text);
    // Two planes at 0° and 90°, mirrored: the mean at the nadir is 200 cd.
    expect((spread.cdPerKlm[0]! * luminousFluxLm) / 1000).toBeCloseTo(200, 0);
  });
});

describe('EULUMDAT symmetries (Stockmar 1990, from memory)', () => {
  const planes = 8;
  const file = (symmetry: number, rows: number[][]) => {
    const whole = writeEulumdat(photometry({ class: 'lambert' })).split('\r\n');
    const head = whole.slice(0, 26);
    [head[2], head[3], head[4], head[5], head[6]] = [
      String(symmetry),
      String(planes),
      '45',
      '3',
      '45',
    ];
    const set = whole.slice(26, 42);
    const angles = [...Array.from({ length: planes }, (_, k) => k * 45), 0, 45, 90];
    return [...head, ...set, ...angles, ...rows.flat(), ''].join('\r\n');
  };
  const row = (value: number) => [value, value, 0];
  const firsts = (text: string) => {
    const found = readEulumdat(text);
    if (!found.ok) throw new Error(found.problems[0]!.message);
    return found.value.cd.map((plane) => Math.round((plane[0]! / found.value.lampLm) * 1000));
  };
  test('0: all planes; 1: one for all', () => {
    expect(firsts(file(0, [1, 2, 3, 4, 5, 6, 7, 8].map(row)))).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    expect(firsts(file(1, [row(9)]))).toEqual(Array(8).fill(9));
  });
  test('2: C0–C180 mirrored; 3: C270–C90 mirrored; 4: a quarter', () => {
    expect(firsts(file(2, [1, 2, 3, 4, 5].map(row)))).toEqual([1, 2, 3, 4, 5, 4, 3, 2]);
    // Written from C270 over C0 to C90: C0 is the third of them.
    expect(firsts(file(3, [1, 2, 3, 4, 5].map(row)))).toEqual([3, 4, 5, 4, 3, 2, 1, 2]);
    expect(firsts(file(4, [1, 2, 3].map(row)))).toEqual([1, 2, 3, 2, 1, 2, 3, 2]);
  });
  test('wrong counts, words and falling angles are refused with their line', () => {
    const text = file(1, [row(9)]);
    expect(why(text.replace(/\r\n$/, '\r\n5\r\n'))).toMatch(
      /^Line \d+: \d+ lines where \d+ belong/,
    );
    expect(why(file(7, [row(1)]))).toMatch(/^Line 3: symmetry/);
    expect(why(text.replace('\r\n45\r\n3\r\n', '\r\n45\r\n1000000\r\n'))).toMatch(/^Line 6/);
    expect(why(text.replace(/9\r\n9\r\n0/, '9\r\nnine\r\n0'))).toContain('nine');
    expect(why('hello\nworld')).toMatch(/ends before its head/);
  });
});

describe('bad photometric files', () => {
  const lit = photometry({ class: 'lambert' });
  const ies = writeIes(lit);
  test.each<[string, string | Uint8Array, string]>([
    ['binary', new Uint8Array([1, 2, 0, 4]), 'not text'],
    ['too big', new Uint8Array(MOST_FILE_BYTES + 1), 'larger than 5 MB'],
    ['no TILT', ies.replace('TILT=NONE', ''), 'TILT'],
    ['type B', ies.replace(/ 1 2 0\.2/, ' 2 2 0.2'), 'type C'],
    ['a million angles', ies.replace(/^1 1250 1 \d+ \d+/m, '1 1250 1 1000000 25'), 'cannot be'],
    ['dark', writeIes({ ...lit, cd: lit.cd.map((plane) => plane.map(() => 0)) }), 'no light'],
  ])('%s', (_, text, words) => expect(why(text)).toContain(words));
});

describe('a measured spread in the engines', () => {
  const table = read(writeIes(photometry({ class: 'forward' }))).spread;
  test('zones sum to the flux; the share sent backwards is the class’s', () => {
    const { table: perLm } = prepareSpread(table);
    expect(zonesLm(perLm).reduce((sum, zone) => sum + zone, 0)).toBeCloseTo(1, 9);
    const own = prepareSpread({ class: 'forward' });
    for (const psi of [0.3, 0.9, Math.PI / 2])
      expect(backwardShare(prepareSpread(table), psi)).toBeCloseTo(backwardShare(own, psi), 2);
  });
  test('quantiles fall from the axis to its back', () => {
    const cosines = quantilesOf(prepareSpread(table).table);
    expect(cosines[0]).toBe(1);
    expect(cosines.at(-1)).toBeCloseTo(-1, 6);
    for (let k = 1; k < cosines.length; k++)
      expect(cosines[k]!).toBeLessThanOrEqual(cosines[k - 1]!);
    // Of a forward globe three quarters go to the front half: ∫(1 + cos)/2 over it.
    expect(cosines[96]!).toBeCloseTo(0, 1);
  });
  test('photons from a table and from its formula leave a pan alike', () => {
    const lit = (spread: Spread) => {
      const room = standardPan(sheet(0.6, 0.3));
      return simulate(
        { ...room, emitters: room.emitters.map((emitter) => ({ ...emitter, spread })) },
        { photons: 60_000, seed: 3 },
      );
    };
    const [formula, measured] = [lit({ class: 'forward' }), lit(table)];
    expect(Math.abs(formula.efficiency - measured.efficiency)).toBeLessThan(0.01);
  });
  test('two tables are laid down once each', () => {
    const room = standardPan(sheet(0.6, 0.3));
    const other = { ...table };
    const packed = packArrangement({
      ...room,
      emitters: room.emitters.map((emitter, k) => ({ ...emitter, spread: k % 2 ? table : other })),
    });
    expect(packed.quantiles).toHaveLength(2 * 129);
  });
});

describe('files that mean no good', () => {
  const ies = (multiplier: string, keyword = '[LUMINAIRE] lamp') =>
    new TextEncoder().encode(
      [
        'IESNA:LM-63-2002',
        keyword,
        'TILT=NONE',
        `1 1000 ${multiplier} 3 1 1 2 0 0 0`,
        '1 1 10',
        '0 45 90',
        '0',
        '100 80 0',
      ].join('\n'),
    );
  test.each(['constructor', '__proto__', 'toString', 'hasOwnProperty'])(
    'a keyword called [%s] is a keyword',
    (name) => {
      const read = readUnitSpread(ies('1', `[${name}] x`), 'lamp.ies');
      expect(read.ok).toBe(true);
      expect(({} as Record<string, unknown>).x).toBeUndefined();
    },
  );
  test.each(['1e308', '1e300', '1e30', '1e9'])(
    'a multiplier of %s is told, not kept',
    (multiplier) => {
      const read = readUnitSpread(ies(multiplier), 'lamp.ies');
      expect(read.ok ? '' : read.problems[0]!.message).toMatch(
        /multiplier|no numbers|not a number/,
      );
    },
  );
  test('what is read is what the document takes', () => {
    const read = readUnitSpread(ies('1'), 'lamp.ies');
    expect(read.ok && spreadSchema.safeParse(read.value.spread).success).toBe(true);
  });
});
