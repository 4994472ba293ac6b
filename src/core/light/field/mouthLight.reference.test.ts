import { distributionOf, farField, fluxOf } from '../farField';
import { rectangularSkirt, prepareControls } from '../controls';
import { OPEN, type Arrangement } from '../transport/arrangement';
import { simulate, simulateQuickly } from '../transport/run';
import { sheet, standardBox, standardPan, wall } from '../transport/testing';
import type { Vector } from '../vector';
import { mouthLx } from './gather';
import { addPassing, layerGrid, layerLength, leavingCd, leavingOf, turnedCd } from './layerGrid';
import { mouthLight } from './mouthLight';
import { fieldOf, preparedOf } from './prepare';

const DOWN: Vector = [0, 0, -1];

describe('directions out of a partial layer, on their grid', () => {
  const exponents = [2, 3.5, 11, 14, 40, 90];
  const beam: Vector = [0.3, -0.2, Math.sqrt(1 - 0.13)];
  const lobe = (m: number, [x, y, z]: Vector) => {
    const [straight, folded] = [z, -z].map(
      (own) => Math.max(0, x * beam[0] + y * beam[1] + own * beam[2]) ** m,
    );
    return ((m + 1) / (2 * Math.PI)) * (straight! + folded!);
  };
  const tableOf = (m: number) => {
    const grid = layerGrid(m)!;
    const passing = new Float32Array(layerLength(grid));
    addPassing(passing, grid, 7, beam[0], beam[1], 1);
    return { grid, passing, leaving: leavingOf(passing, grid) };
  };
  const ways = Array.from({ length: 200 }, (_, k): Vector => {
    const [r, turn] = [Math.sqrt((k + 0.5) / 200) * 0.97, k * 2.399963];
    return [r * Math.cos(turn), r * Math.sin(turn), Math.sqrt(1 - r * r)];
  });
  test.each(exponents)(
    'cos^%d about one beam, to 2.5 %% of its peak (docs/model/transport.md)',
    (m) => {
      const { grid, passing, leaving } = tableOf(m);
      const peak = (m + 1) / (2 * Math.PI);
      for (const way of ways) {
        const wanted = lobe(m, way);
        expect(Math.abs(leavingCd(leaving, grid, 7, way[0], way[1]) - wanted)).toBeLessThan(
          0.025 * peak,
        );
        expect(Math.abs(turnedCd(passing, grid, 7, way[0], way[1]) - wanted)).toBeLessThan(
          0.025 * peak,
        );
      }
      expect(leavingCd(leaving, grid, 8, 0, 0)).toBe(0);
    },
  );
  test.each(exponents)('what passes leaves, all of it: ∫ I dω = 1 (cos^%d)', (m) => {
    const { grid, leaving } = tableOf(m);
    // Even by solid angle: z uniform.
    let sum = 0;
    const count = 20_000;
    for (let k = 0; k < count; k++) {
      const [z, turn] = [(k + 0.5) / count, k * 2.399963];
      const r = Math.sqrt(1 - z * z);
      sum += leavingCd(leaving, grid, 7, r * Math.cos(turn), r * Math.sin(turn));
    }
    expect(Math.abs((sum / count) * 2 * Math.PI - 1)).toBeLessThan(0.02);
  });
  test('none for what is clear, scatters fully, or is too sharp for it', () => {
    expect([0, -1, 500].map(layerGrid)).toEqual([null, null, null]);
  });
});

const half = wall(0.9, 0.5);
// A pan Ø 30 cm, 8 deep, a box with a mouth of 60 cm, 35 deep.
const ROOMS: [string, Arrangement, number, number][] = [
  ['pan, full sheet', standardPan(sheet(0.6, 0.34)), 0.08, 0.3],
  ['pan, partial sheet', standardPan(sheet(0.7, 0.2, 50), half), 0.08, 0.3],
  ['pan, open', standardPan(OPEN, half), 0.08, 0.3],
  ['box, partial sheet', standardBox(sheet(0.7, 0.2, 70)), 0.35, 0.6],
  ['box, open', standardBox(OPEN), 0.35, 0.6],
];

/** The worked arrangements are in millimetres; a lamp of no size in a mirror could only be met by chance. */
function inMetres({ surfaces, emitters }: Arrangement): Arrangement {
  const small = ([x, y, z]: Vector): Vector => [x / 1000, y / 1000, z / 1000];
  return {
    surfaces: surfaces.map((surface) => {
      const entries = Object.entries(surface.shape).map(([key, value]) => [
        key,
        typeof value === 'number' ? value / 1000 : value,
      ]);
      const shape = { ...surface.shape, ...Object.fromEntries(entries) };
      return {
        ...surface,
        shape: shape.kind === 'polygon' ? { ...shape, points: shape.points.map(small) } : shape,
      };
    }),
    emitters: emitters.map((lamp) => ({
      ...lamp,
      positionM: small(lamp.positionM),
      radiusM: WIDE_M,
    })),
  };
}

const WIDE_M = 0.015;

describe.each(ROOMS)('%s', (_, given, mouthZ, size) => {
  const room = inMetres(given);
  const run = simulate(room, { photons: 200_000, seed: 1 });
  const sentLm = room.emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0);
  const looks = fieldOf(room, run.survey);
  const light = mouthLight(looks);
  const middle: Vector = [0, 0, mouthZ];
  const around = distributionOf(light, middle, size);

  test('sends out what was counted to leave: flux of all directions is η of the lamps’', () => {
    expect(Math.abs(fluxOf(around) / sentLm / run.efficiency - 1)).toBeLessThan(0.015);
  });
  test('candela at 0° is E·d² far away', () => {
    const d = 200 * size;
    const lx = light.illuminance([0, 0, middle[2] + d], DOWN);
    // A round mirror is no point even from there: its axis is a caustic.
    const near =
      mouthZ < 0.1 && run.survey[0]!.passing.every((each) => each === null) ? 0.02 : 0.005;
    expect(Math.abs(around.cd[0]![0]! / (lx * d * d) - 1)).toBeLessThan(near);
  });
  test('read quickly it is what careful looks find, straight ahead and aside', () => {
    for (const [x, y, far] of [
      [0, 0, 1],
      [0.5, 0.3, 1.5],
      [-0.8, 0.2, 3],
    ] as const) {
      const at: Vector = [x * size, y * size, middle[2] + far * size];
      const careful = mouthLx(looks.field, { pointM: at, normal: DOWN }, [], 8192, 0.02 * size);
      const quick = light.illuminance(at, DOWN);
      expect(Math.abs(quick / careful.value - 1)).toBeLessThan(0.04);
    }
  });
  test('its sources give from where they were taken what the field gives there', () => {
    const at: Vector = [0.2 * size, 0, middle[2] + 2 * size];
    const sum = light.sourcesFrom(at).reduce((all, { positionM, axis, luminousFluxLm, spread }) => {
      if (spread.class !== 'lambert') return all;
      const way = at.map((own, k) => own - positionM[k]!) as [number, number, number];
      const d2 = way.reduce((squares, own) => squares + own * own, 0);
      const leaving = way.reduce((sums, own, k) => sums + own * axis[k]!, 0);
      return all + ((luminousFluxLm / Math.PI) * leaving * way[2]) / d2 ** 2;
    }, 0);
    const bare =
      room.surfaces[0]!.matter.kind === 'layer' && room.surfaces[0]!.matter.spreadDeg === 0;
    // Few lamps that show straight are sources of their own kind.
    if (bare && room.emitters.length <= 12)
      return expect(sum).toBeLessThan(light.illuminance(at, DOWN));
    expect(Math.abs(sum / light.illuminance(at, DOWN) - 1)).toBeLessThan(0.01);
  });
  test('a skirt takes away, nothing brings more', () => {
    const skirt = prepareControls(rectangularSkirt('skirt', size, size, middle[2], size / 2));
    const at: Vector = [size, 0, middle[2] + 1.2 * size];
    const cut = light.passing(skirt).illuminance(at, DOWN);
    expect(cut).toBeLessThan(light.illuminance(at, DOWN));
    expect(cut).toBeGreaterThanOrEqual(0);
  });
  test('made ready by another, it reads the same to the bit', () => {
    const at: Vector = [0.3 * size, 0.1 * size, middle[2] + 2 * size];
    const table = fieldOf(room, run.survey);
    table.lookFor([at]);
    const ready = fieldOf(room, run.survey, preparedOf(table));
    expect(mouthLight(ready).illuminance(at, DOWN)).toBe(light.illuminance(at, DOWN));
  });
  test('anywhere: behind, beside, within, in the mouth itself, a number that is no less than nothing', () => {
    for (const at of [
      [0, 0, middle[2] - size],
      [3 * size, 0, middle[2]],
      [0, 0, middle[2]],
      [0, 0, middle[2] - 0.01 * size],
    ] as Vector[])
      for (const normal of [DOWN, [0, 0, 1], [1, 0, 0]] as Vector[]) {
        const lx = light.illuminance(at, normal);
        expect(Number.isFinite(lx)).toBe(true);
        expect(lx).toBeGreaterThanOrEqual(0);
      }
  });
});

test('peak and widths of a partial layer: narrower than Lambert’s law, wider than its own lobe', () => {
  const room = inMetres(standardBox(sheet(0.7, 0.2, 60), wall(0.05)));
  const looks = fieldOf(room, simulateQuickly(room, 2).survey);
  const { beamDeg } = farField(distributionOf(mouthLight(looks), [0, 0, 0.35], 0.6));
  expect(beamDeg[0]).toBeGreaterThan(50);
  expect(beamDeg[0]).toBeLessThan(115);
  expect(Math.abs(beamDeg[0] - beamDeg[1])).toBeLessThan(4);
});
