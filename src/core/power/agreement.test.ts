import { READOUT_RUN, simulateQuickly } from '../light/transport/run';
import fc from 'fast-check';
import { bulbIn, sample } from '../testing/sample';
import { alternatives } from '../evaluate/alternatives';
import { findBuild, resolveScene, sceneOf } from '../evaluate/context';
import { evaluateKnown as evaluate } from '../evaluate/testing';
import { fittingRank, putInInPlace } from '../evaluate/fitting';
import { effectiveUnit } from '../units/effective';
import type { Bulb } from '../units/unit';
import { DIMMERS, LOADS, loadKindOf, matchOf } from './dimming';

const demo = sample();

/** The clerk's ring with one bulb of another kind in every socket, on a dimmer. */
function dimmed(bulb: Bulb, edge: 'leading' | 'trailing') {
  const copy = structuredClone(demo);
  const own = bulbIn(copy.shelf, 'globe-g45-3');
  Object.assign(own, { kind: bulb.kind, dimmable: bulb.dimmable, wattsW: 8 });
  const dimmer = copy.shelf.parts.find((part) => part.role === 'dimmer' && part.edge === edge)!;
  findBuild(copy, 'clerk-ring')!.parameters.dimmerPartId = dimmer.id;
  const found = evaluate(copy, 'clerk-ring', { gridCells: 3 });
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value.findings
    .filter(({ id }) => id.startsWith('dimmer.kind'))
    .map(({ severity }) => severity);
}

describe('the dimming table and the checks say the same', () => {
  const kinds: Pick<Bulb, 'kind' | 'dimmable'>[] = [
    { kind: 'incandescent', dimmable: 'yes' },
    { kind: 'halogen', dimmable: 'yes' },
    { kind: 'led', dimmable: 'yes' },
    { kind: 'led', dimmable: 'no' },
    { kind: 'led', dimmable: 'unknown' },
    { kind: 'led-filament', dimmable: 'yes' },
    { kind: 'corn', dimmable: 'no' },
    { kind: 'cfl', dimmable: 'no' },
  ];
  test.each(
    kinds.flatMap((kind) =>
      (['leading', 'trailing'] as const).map((edge) => [kind.kind, kind.dimmable, edge] as const),
    ),
  )('%s, dimmable %s, %s edge', (kind, dimmable, edge) => {
    const bulb = { ...bulbIn(demo.shelf, 'globe-g45-3'), kind, dimmable };
    const [match] = matchOf(loadKindOf(effectiveUnit(bulb)), edge);
    const found = dimmed(bulb, edge);
    if (match === 'yes') expect(found).toEqual([]);
    else if (match === 'maybe') expect(found).toEqual(['look']);
    // What the label does not say is unknown, what it forbids a stop.
    else expect(found).toEqual([dimmable === 'unknown' ? 'unknown' : 'stop']);
  });
  test('every unit of the shelf has its row', () => {
    for (const unit of demo.shelf.units) {
      if (unit.category === 'strip') continue;
      expect(LOADS).toContain(loadKindOf(effectiveUnit(unit)));
    }
    for (const load of LOADS)
      expect(DIMMERS.map((dimmer) => matchOf(load, dimmer)[0])).toHaveLength(3);
  });
});

describe('ways to less light', () => {
  test('each leads down, says honestly how far, and none to darkness', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom(...demo.builds.map(({ id }) => id)),
        number(1.2, 60),
        number(20, 2000),
        (id, times, targetLx) => {
          const scene = sceneOf(demo, findBuild(demo, id)!);
          const { resolved } = resolveScene(scene)!;
          const totalLx = targetLx * times;
          const near = scene.shot.distanceM;
          const curve = Array.from({ length: 30 }, (_, k) => {
            const distanceM = near * 0.5 * 1.15 ** k;
            return {
              distanceM,
              illuminanceLx: totalLx * (near / distanceM) ** 2,
              inverseSquareLx: 0,
            };
          });
          for (const way of alternatives(resolved, scene.shot, { totalLx, targetLx }, curve)) {
            expect(way.illuminanceLx).toBeGreaterThan(0);
            expect(way.illuminanceLx).toBeLessThan(totalLx);
            expect(way.marginStops).toBeCloseTo(Math.log2(way.illuminanceLx / targetLx), 9);
            // Lamps are whole: switching off stops short of the target, never below it.
            if (way.what.startsWith('switch off'))
              expect(way.illuminanceLx).toBeGreaterThanOrEqual(targetLx * (1 - 1e-9));
            const back = /^move it back to ([\d.]+) m/.exec(way.what);
            if (back)
              expect(Math.abs(Number(back[1]) / (near * Math.sqrt(times)) - 1)).toBeLessThan(0.02);
          }
        },
      ),
      { seed: 81, numRuns: 60 },
    );
  });
});

describe('which unit for this fitting', () => {
  // Open lamps, a bowl behind paper, panels, a board: each kind of fitting once, for every unit is simulated.
  test.each(['clerk-ring', 'counter-lamp', 'booth-stack', 'sky-board'])('%s', (id) => {
    const rank = fittingRank(demo, id);
    const chosen = rank.filter((row) => row.chosen);
    const found = evaluate(demo, id, {
      gridCells: 6,
      transported: ({ arrangement }) => simulateQuickly(arrangement, READOUT_RUN.seed),
    });
    if (!found.ok) throw new Error(id);
    for (const row of rank) {
      expect(row.illuminanceLx).toBeGreaterThan(0);
      expect(row.share > 0 && row.share <= 1).toBe(true);
    }
    // What is in it now gives what its own readouts say, unless its filling is solved for the shot.
    const build = findBuild(demo, id)!;
    const light = found.value.rungs.find((rung) => rung.id === 'light')!.value;
    if (chosen.length === 1 && build.parameters.fillMode !== 'target' && light !== null)
      expect(chosen[0]!.illuminanceLx).toBeCloseTo(light, 6);
  });
  test('putting one in is one change, and only where it belongs', () => {
    const copy = structuredClone(demo);
    const pan = findBuild(copy, 'clerk-pan')!;
    expect(putInInPlace(pan, copy, 'globe-a60-9-4000')).toBe(false);
    expect(putInInPlace(pan, copy, 'tape-24-60-5000')).toBe(true);
    expect(pan.parameters.stripId).toBe('tape-24-60-5000');
    expect(putInInPlace(pan, copy, 'nobody')).toBe(false);
  });
});
