import { packEmitters } from '../../light/emitter';
import { illuminanceLx } from '../../light/illuminance';
import { demoBuild } from '../testing';

const bank = (over: Record<string, unknown> = {}) => demoBuild('sky-bank', over);

describe('four 4-ft tubes side by side', () => {
  test('housing: four pitches and two edges by a tube and two edges', () => {
    const { fact } = bank();
    expect(fact('back-w')).toBeCloseTo(4 * 0.08 + 0.1, 9);
    expect(fact('back-h')).toBeCloseTo(1.2 + 0.1, 9);
  });
  test('lying down, width and height change places', () => {
    const { fact } = bank({ orientation: 'level' });
    expect(fact('back-w')).toBeCloseTo(1.3, 9);
    expect(fact('back-h')).toBeCloseTo(0.42, 9);
  });
  test('ballasts: two tubes each', () => {
    expect(bank().fact('ballasts')).toBe(2);
    expect(bank({ tubeCount: 5 }).fact('ballasts')).toBe(3);
    expect(bank({ ballastPartId: 'ballast-magnetic' }).fact('ballasts')).toBe(4);
  });
  // Power factor 0.5 uncompensated, losses 15 to 25 % of the tube's watts (typical).
  test('a magnetic ballast takes a fifth more watts at half the power factor', () => {
    const amps = (over: Record<string, unknown>) =>
      bank(over).resolved.groups.reduce(
        (sum, { count, unit }) =>
          sum + (count * unit.wattsW.value) / (230 * unit.powerFactor.value),
        0,
      );
    expect(amps({})).toBeCloseTo((4 * 36) / (230 * 0.95), 6);
    expect(amps({ ballastPartId: 'ballast-magnetic' })).toBeCloseTo(
      (4 * 36 * 1.2) / (230 * 0.5),
      6,
    );
    const va = bank({ ballastPartId: 'ballast-magnetic' }).resolved.wiring.loads[0]!.apparentVa;
    expect(va).toBeCloseTo((36 * 1.2) / 0.5, 6);
  });
  test('all light in the tubes, evenly along them', () => {
    const { resolved } = bank();
    const sum = resolved.emitters.reduce((total, { luminousFluxLm }) => total + luminousFluxLm, 0);
    expect(sum).toBeCloseTo(4 * 2800, 6);
    expect(resolved.emitters[0]!.spread).toEqual({ class: 'tube' });
    expect(resolved.emitters[0]!.axis).toEqual([0, 1, 0]);
  });
});

test('a tube far away: E = Φ/(π²·d²) in its middle plane (docs/model/units.md, “Spread classes”)', () => {
  const { resolved } = bank({ tubeCount: 1, boardPartId: null });
  const field = packEmitters(resolved.emitters);
  const d = 12;
  const z = resolved.emitters[0]!.positionM[2];
  const found = illuminanceLx(field, [0, 0, z + d], [0, 0, -1]);
  expect(found / (2800 / (Math.PI ** 2 * d * d))).toBeCloseTo(1, 2);
});

test('a tube near by follows the integral of I′·sin θ·cos β/d² along it', () => {
  const { resolved } = bank({ tubeCount: 1, standoffM: 0.005 });
  const z = resolved.emitters[0]!.positionM[2];
  const [d, L, phi] = [0.6, 1.2, 2800];
  const found = illuminanceLx(packEmitters(resolved.emitters), [0, 0, z + d], [0, 0, -1]);
  // Simpson over the length: per metre I′ = Φ/(π²·L), sin θ = cos β = d/r.
  const at = (y: number) => (d * d) / (y * y + d * d) ** 2;
  const steps = 200;
  let sum = at(-L / 2) + at(L / 2);
  for (let k = 1; k < steps; k++) sum += at(-L / 2 + (L * k) / steps) * (k % 2 ? 4 : 2);
  const exact = (phi / (Math.PI ** 2 * L)) * ((sum * L) / steps / 3);
  expect(found / exact).toBeCloseTo(1, 2);
});

describe('linkable bars', () => {
  const bars = (over: Record<string, unknown> = {}) =>
    bank({ unitId: 'bar-10-5000', ballastPartId: null, ...over });
  test('end to end lengthens the row and the load', () => {
    const run = bars({ linkRun: 3, tubeCount: 2 });
    expect(run.fact('run')).toBeCloseTo(2.7, 9);
    expect(run.fact('tubes')).toBe(6);
    expect(run.resolved.groups[0]!.count).toBe(6);
  });
  test('no more in a run than the label allows', () => {
    expect(bars({ linkRun: 11 }).severity('tube-bank.link')).toBe('stop');
    expect(bars({ linkRun: 10 }).ids).not.toContain('tube-bank.link');
    expect(bank({ linkRun: 2 }).severity('tube-bank.link')).toBe('stop');
  });
  test('a bar shines forwards', () => {
    expect(bars().resolved.emitters[0]).toMatchObject({
      axis: [0, 0, 1],
      spread: { class: 'lambert' },
    });
  });
});

describe('mistakes it catches', () => {
  test('no ballast, a ballast too many, a magnetic one, a dimmer', () => {
    expect(bank({ ballastPartId: null }).severity('tube-bank.no-ballast')).toBe('unknown');
    expect(bank({ unitId: 'led-tube-18' }).severity('tube-bank.ballast-bypass')).toBe('stop');
    expect(bank({ ballastPartId: 'ballast-magnetic' }).severity('tube-bank.magnetic')).toBe('look');
    expect(bank({ dimmerPartId: 'dimmer-trailing-400' }).severity('tube-bank.dimmer')).toBe('stop');
  });
  test('tubes nearer than they are thick', () => {
    expect(bank({ pitchM: 0.02 }).problems).toEqual(['pitchM tubes_overlap']);
    expect(bank().limits.pitchM!.min).toBeCloseTo(0.026, 9);
  });
  test('mercury and warm-up come from the label', () => {
    const traps = bank().resolved.groups[0]!.labelFindings.map(({ id }) => id);
    expect(traps).toEqual(
      expect.arrayContaining(['label.mercury.tube-36-954', 'label.warm-up.tube-36-954']),
    );
  });
  test('eight at most', () => expect(bank().schemaTakes({ tubeCount: 9 })).toBe(false));
});
