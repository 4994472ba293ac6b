import fc from 'fast-check';
import { coneBlank, doorLeaf, frustum } from './development';

const INCH = 0.0254;
const degrees = (radians: number) => (radians * 180) / Math.PI;

describe('cone developed flat (sheet-metal layout, radial development)', () => {
  test('worked example: base Ø 300, mouth Ø 500, length 200 mm', () => {
    const blank = coneBlank(0.3, 0.5, 0.2)!;
    // s = √(200² + 100²) = 223.6; R = s·250/100, r = s·150/100, θ = 2π·100/s = 161°.
    expect(blank.slantM).toBeCloseTo(0.223607, 6);
    expect(blank.outerRadiusM).toBeCloseTo(0.559017, 6);
    expect(blank.innerRadiusM).toBeCloseTo(0.33541, 6);
    expect(degrees(blank.angleRad)).toBeCloseTo(160.997, 3);
  });
  test('a cone narrowing forwards has the same blank', () => {
    expect(coneBlank(0.5, 0.3, 0.2)).toEqual(coneBlank(0.3, 0.5, 0.2));
  });
  test('a cylinder has no sector', () => expect(coneBlank(0.4, 0.4, 0.2)).toBeNull());
  test('both arcs are as long as the circles they close to, the straight edge as the slant', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        fc.double({ min: 0.02, max: 2, noNaN: true }),
        (base, flare, length) => {
          const { innerRadiusM, outerRadiusM, angleRad, slantM } = coneBlank(
            base,
            base + flare,
            length,
          )!;
          expect(angleRad * innerRadiusM).toBeCloseTo(Math.PI * base, 9);
          expect(angleRad * outerRadiusM).toBeCloseTo(Math.PI * (base + flare), 9);
          expect(outerRadiusM - innerRadiusM).toBeCloseTo(slantM, 9);
          expect(angleRad).toBeLessThan(2 * Math.PI);
        },
      ),
      { seed: 11 },
    );
  });
});

describe('frustum of a box (sheet-metal layout, hopper)', () => {
  test('square box: front 600, back 200, depth 350 mm', () => {
    const box = frustum(0.6, 0.6, 0.2, 0.2, 0.35);
    // √(350² + 200²) = 403.1; tilt atan(200/350) = 29.7°.
    expect(box.topSlantM).toBeCloseTo(0.403113, 6);
    expect(box.sideSlantM).toBe(box.topSlantM);
    expect(degrees(box.topFoldRad)).toBeCloseTo(90 + 29.745, 3);
    // cos dihedral = −sin² 29.745° = −0.24615 → 104.25°, mitred at half of it.
    expect(degrees(box.dihedralRad)).toBeCloseTo(104.25, 2);
    expect(degrees(box.mitreRad)).toBeCloseTo(52.125, 2);
  });
  test('straight walls meet at right angles and are mitred at 45°', () => {
    const box = frustum(0.4, 0.3, 0.4, 0.3, 0.2);
    expect(degrees(box.dihedralRad)).toBeCloseTo(90, 9);
    expect(degrees(box.mitreRad)).toBeCloseTo(45, 9);
    expect(box.topSlantM).toBe(0.2);
  });
  test('the flatter the box, the wider the angle; never past 180°', () => {
    const at = (depth: number) => frustum(0.6, 0.6, 0.2, 0.2, depth).dihedralRad;
    expect(at(0.01)).toBeGreaterThan(at(0.1));
    expect(at(0.1)).toBeGreaterThan(at(1));
    expect(at(0.001)).toBeLessThan(Math.PI);
  });
  test('the dihedral agrees with one measured on corner points', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (dw, dh, depth) => {
          const [w, h] = [0.2, 0.3];
          // The corner edge, and both panels' normals from cross products of their edges.
          const edge = [dw / 2, dh / 2, depth] as const;
          const cross = (a: readonly number[], b: readonly number[]) => [
            a[1]! * b[2]! - a[2]! * b[1]!,
            a[2]! * b[0]! - a[0]! * b[2]!,
            a[0]! * b[1]! - a[1]! * b[0]!,
          ];
          const top = cross([1, 0, 0], edge);
          const side = cross(edge, [0, 1, 0]);
          const dot = top.reduce((sum, value, k) => sum + value * side[k]!, 0);
          const length = (v: number[]) => Math.hypot(...v);
          // Outward normals: (0, −, +) and (−, 0, +) as crossed; the angle inside is π minus theirs.
          const between = Math.acos(dot / (length(top) * length(side)));
          const { dihedralRad } = frustum(w + dw, h + dh, w, h, depth);
          expect(dihedralRad).toBeCloseTo(Math.PI - between, 9);
        },
      ),
      { seed: 12 },
    );
  });
});

describe('barn-door leaves for a 6½ in lamp (common practice)', () => {
  const inches = (points: readonly (readonly [number, number])[]) =>
    points.map(([x, y]) => [x / INCH, y / INCH]);
  test('top and bottom: 6½ → 8 in over 5½ in, 1½ in corners', () => {
    const leaf = inches(doorLeaf(6.5 * INCH, 8 * INCH, 5.5 * INCH, 1.5 * INCH));
    expect(leaf).toHaveLength(6);
    // Hinge edge 6½, free edge 8 less both corners, corners begin 1½ in below it.
    expect(leaf[1]![0]! - leaf[0]![0]!).toBeCloseTo(6.5, 9);
    expect(leaf[3]![0]! - leaf[4]![0]!).toBeCloseTo(5, 9);
    expect(leaf[3]![1]).toBeCloseTo(5.5, 9);
    expect(leaf[2]![1]).toBeCloseTo(4, 9);
    // On the side's line from 3¼ to 4 in.
    expect(leaf[2]![0]).toBeCloseTo(3.25 + (0.75 * 4) / 5.5, 9);
  });
  test('side leaves: 4½ → 2 in over 5½ in, uncut', () => {
    const leaf = inches(doorLeaf(4.5 * INCH, 2 * INCH, 5.5 * INCH, 0));
    expect(leaf).toEqual([
      [expect.closeTo(-2.25, 9), 0],
      [expect.closeTo(2.25, 9), 0],
      [expect.closeTo(1, 9), expect.closeTo(5.5, 9)],
      [expect.closeTo(-1, 9), expect.closeTo(5.5, 9)],
    ]);
  });
  test('a corner bigger than the leaf is held to it', () => {
    for (const [, y] of doorLeaf(0.1, 0.1, 0.1, 1)) expect(y).toBeLessThanOrEqual(0.1 + 1e-12);
    for (const [x] of doorLeaf(0.1, 0.1, 0.1, 1))
      expect(Math.abs(x)).toBeLessThanOrEqual(0.05 + 1e-12);
  });
});
