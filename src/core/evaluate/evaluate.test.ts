import { sample } from '../testing/sample';
import { changed as afterChange } from '../document/testing';
import type { Production } from '../document/production';
import { evaluate as anyForm } from './evaluate';
import { evaluateKnown as evaluate } from './testing';
import type { WorkedOut as Readouts } from './readouts';
import { RUNGS, type RungId } from './readout';
import { sensitivities } from './sensitivity';

const demo = sample();
const readouts = (document: Production, id: string): Readouts => {
  const found = evaluate(document, id);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};
const changed = (change: (draft: Production) => void) => afterChange(demo, change);
const rung = (found: Readouts, id: string) => found.rungs.find((each) => each.id === id)!;
const finding = (found: Readouts, id: string) => found.findings.find((each) => each.id === id);

describe('three rings of the sample', () => {
  const clerk = readouts(demo, 'clerk-ring');
  const warm = readouts(demo, 'warm-ring');
  const stamp = readouts(demo, 'stamp-ring');

  test('the nine rungs in order, each with formula, numbers, source and origin', () => {
    for (const found of [clerk, warm, stamp]) {
      expect(found.rungs.map(({ id }) => id)).toEqual(RUNGS);
      for (const { working, origin, words } of found.rungs) {
        expect(
          working.formula && working.substituted && working.source && origin && words,
        ).toBeTruthy();
      }
    }
  });
  test('the clerk ring: direct light on the axis by hand, 16·I(θ)·cos β/d²', () => {
    const h = 1.2 + 0.0225;
    const d2 = h * h + 0.425 ** 2;
    const cosine = h / Math.sqrt(d2);
    const intensity = (250 / (2 * Math.PI)) * ((1 + cosine) / 2);
    const direct = (16 * intensity * cosine) / d2;
    const [shownDirect] = rung(clerk, 'light').working.substituted.split(' lx');
    expect(Number(shownDirect)).toBeCloseTo(direct, 0);
    expect(rung(clerk, 'light').value!).toBeGreaterThan(direct);
    expect(clerk.targetShare).toBeGreaterThan(3);
  });
  test('the warm ring stops on its cord and its board, with a way out of the cord that clears it', () => {
    const stop = finding(warm, 'power.cord')!;
    expect(stop.severity).toBe('stop');
    expect(warm.findings.filter(({ severity }) => severity === 'stop').map(({ id }) => id)).toEqual(
      ['power.cord', 'heat.clearance.board'],
    );
    const mended = changed((draft) => {
      Object.assign(draft.builds[1]!.parameters, stop.remedies![0]!.parameters);
    });
    expect(finding(readouts(mended, 'warm-ring'), 'power.cord')!.severity).toBe('ok');
  });
  test('the half-finished ring knows what it does not know', () => {
    expect(rung(stamp, 'light')).toMatchObject({ value: null, state: 'unknown' });
    expect(stamp.findings.map(({ id }) => id)).toContain('ring.no-bulb');
    expect(stamp.comparisons[0]!.sentence).toContain('no light yet');
  });
  test('every readout survives JSON: nothing infinite, nothing undefined where a number belongs', () => {
    for (const found of [clerk, warm]) expect(JSON.parse(JSON.stringify(found))).toEqual(found);
  });
});

test('physics the user sees: softness follows size and distance only; light follows level', () => {
  const base = readouts(demo, 'clerk-ring');
  const dimmed = readouts(
    changed(
      (draft) => void ((draft.builds[0]!.parameters.groups as { level: number }[])[0]!.level = 0.5),
    ),
    'clerk-ring',
  );
  expect(rung(dimmed, 'softness').value).toBe(rung(base, 'softness').value);
  expect(rung(dimmed, 'light').value! / rung(base, 'light').value!).toBeCloseTo(0.5, 12);
  const nearer = readouts(
    changed((draft) => void (draft.shots[0]!.distanceM = 0.6)),
    'clerk-ring',
  );
  expect(rung(nearer, 'softness').value!).toBeGreaterThan(rung(base, 'softness').value! * 1.5);
});

test('mixing two whites shifts the colour and is called a clash', () => {
  const mixed = readouts(
    changed((draft) => {
      const group = (bulbId: string) => ({ bulbId, level: 1 });
      draft.builds[0]!.parameters.groups = [group('globe-a60-9-2700'), group('daylight-a60-10')];
    }),
    'clerk-ring',
  );
  expect(mixed.cctK!).toBeGreaterThan(2700);
  expect(mixed.cctK!).toBeLessThan(6500);
  expect(finding(mixed, 'colour.groups')!.severity).toBe('look');
});

test('an impossible ring in an imported document is a stop, with numbers and no NaN', () => {
  const broken = readouts(
    changed((draft) => void (draft.builds[0]!.parameters.ringWidthM = 0.9)),
    'clerk-ring',
  );
  expect(finding(broken, 'ring.ring_too_wide')!.severity).toBe('stop');
  for (const { value } of broken.rungs) expect(value === null || Number.isFinite(value)).toBe(true);
});

test('a form from the future is kept and says so; an unknown build is a problem', () => {
  const future = changed((draft) => void (draft.builds[0]!.form = 'hologram'));
  expect(anyForm(future, 'clerk-ring')).toMatchObject({
    value: { kind: 'unknown form', findings: [{ id: 'form.unknown' }] },
  });
  expect(evaluate(demo, 'nobody')).toMatchObject({ ok: false });
});

test('what would change it most: distance leads for light; the wanted lux leads nothing', () => {
  const knobs = sensitivities(demo, 'clerk-ring', 'light');
  expect(knobs).toHaveLength(3);
  expect(knobs[0]).toMatchObject({ label: 'Distance to the subject' });
  expect(knobs[0]!.after).toBeLessThan(knobs[0]!.before);
  expect(sensitivities(demo, 'stamp-ring', 'light')).toEqual([]);
});

describe('what is taken from the shelf is turned as well', () => {
  const every = (buildId: string, id: RungId, document = demo) =>
    sensitivities(document, buildId, id, 100);
  const growth = (buildId: string, id: RungId, knob: RegExp) => {
    const found = every(buildId, id).find(({ label }) => knob.test(label));
    return found && found.after / found.before;
  };
  test('a tenth more lumens per metre is a tenth more light, of bulbs as of tape', () => {
    expect(growth('clerk-pan', 'light', /: lumens per metre$/)).toBeCloseTo(1.1, 6);
    expect(growth('clerk-ring', 'light', /: lumens$/)).toBeCloseTo(1.1, 6);
  });
  test('a clearer layer lets more out, and less than in proportion from a bright cavity', () => {
    const more = growth('cabin-box', 'light', /: transmittance$/)!;
    expect(more).toBeGreaterThan(1.02);
    expect(more).toBeLessThan(1.15);
  });
  test('price moves with what is bought for the form and for its accessories', () => {
    const labels = every('cabin-box', 'cost').map(({ label }) => label);
    const named = (id: string) => demo.shelf.parts.find((part) => part.id === id)!.name;
    expect(labels).toEqual(
      expect.arrayContaining([`${named('foam-core-5')}: price`, `${named('alu-1')}: price`]),
    );
  });
  test('what a label does not say is no knob', () => {
    const silent = changed((draft) => {
      for (const unit of draft.shelf.units)
        if (unit.category === 'strip') {
          unit.lumensPerM = null;
          unit.cctK = null;
        }
    });
    const labels = every('clerk-pan', 'light', silent).map(({ label }) => label);
    expect(labels.filter((label) => label.endsWith('lumens per metre'))).toEqual([]);
    expect(labels.some((label) => label.endsWith('watts per metre'))).toBe(true);
  });
});
