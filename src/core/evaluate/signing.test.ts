import { LOOK_OVER } from '../power/wire';
import { SOLD } from '../units/channels';
import { changed } from '../document/testing';
import { sample } from '../testing/sample';
import { findBuild } from './context';
import { Derivations } from './derive';
import { changedSince, seenOf, signedPoints, signedState } from './signedState';
import { powerUpOf, refusedSignOff } from './signing';

const demo = sample();
const given = (id: string, over: object = {}) => ({
  checked: [...LOOK_OVER],
  design: signedState(demo, findBuild(demo, id)!, new Derivations()),
  copy: 1,
  seen: seenOf(signedPoints(demo, findBuild(demo, id)!, new Derivations())),
  ...over,
});

test('a sound light, every point looked at: taken', () =>
  expect(refusedSignOff(demo, 'clerk-ring', given('clerk-ring'))).toBeNull());
test('a stop stands: refused, and the stop is named', () =>
  expect(refusedSignOff(demo, 'warm-ring', given('warm-ring'))).toContain(
    'Too much current for the cord',
  ));
test('something that matters is not chosen: refused', () =>
  expect(refusedSignOff(demo, 'stamp-ring', given('stamp-ring'))).toContain('No bulb chosen'));
test('a point left out: refused', () =>
  expect(
    refusedSignOff(demo, 'clerk-ring', given('clerk-ring', { checked: LOOK_OVER.slice(1) })),
  ).toContain('1 of 10 points'));
test('given for another design: refused', () => {
  const hotter = changed(demo, (draft) => {
    Object.assign(findBuild(draft, 'clerk-ring')!.parameters, { socketCount: 12 });
  });
  expect(refusedSignOff(hotter, 'clerk-ring', given('clerk-ring'))).toContain('has changed since');
});

describe('a sign-off holds as long as what was looked at is unchanged', () => {
  const signed = changed(demo, (draft) => {
    const build = findBuild(draft, 'clerk-ring')!;
    build.signOffs.push({ id: 'look-1', name: 'A', date: '2026-11-26', ...given('clerk-ring') });
  });
  const gate = (document: typeof demo) => {
    const derive = new Derivations();
    const build = findBuild(document, 'clerk-ring')!;
    const { seen } = build.signOffs[0]!;
    return {
      ...powerUpOf(document, build, derive.findings(document, build), derive),
      since: changedSince(seen, signedPoints(document, build, derive)),
    };
  };
  const after = (change: (draft: typeof demo) => void) => gate(changed(signed, change));
  const ring = (draft: typeof demo) => findBuild(draft, 'clerk-ring')!;
  const bulbOf = (draft: typeof demo) => {
    const [group] = ring(draft).parameters.groups as { bulbId: string }[];
    return draft.shelf.units.find(({ id }) => id === group!.bulbId)!;
  };

  test('untouched: the gate is open, nothing is told', () =>
    expect(gate(signed)).toEqual({ state: 'open', signed: [1], since: [] }));
  test('unsigned it waits', () => {
    const derive = new Derivations();
    const findings = derive.findings(demo, ring(demo));
    expect(powerUpOf(demo, ring(demo), findings, derive).state).toBe('look over');
  });
  test.each<[string, (draft: typeof demo) => void, RegExp]>([
    [
      'another bulb behind the name',
      (d) => void Object.assign(bulbOf(d), { wattsW: 4 }),
      /Watts.*→/,
    ],
    ['a smaller breaker', (d) => void d.circuits.forEach((c) => (c.ratedA += 4)), /Circuit.*→/],
    ['the way to the outlet', (d) => void (ring(d).site.lead = 'lead'), /→/],
    ['a second copy', (d) => void (ring(d).copies = 2), /Copies: 1 → 2/],
    ['a wider board', (d) => void (ring(d).parameters.outerDiameterM = 0.95), /Outer.*→ 95/],
  ])('%s: looked over again, and it is told what', (_, change, told) => {
    const now = after(change);
    expect(now.state).not.toBe('open');
    expect(now.since.join('\n')).toMatch(told);
  });
  test('money, notes and other names leave it alone', () => {
    const now = after((draft) => {
      ring(draft).note = 'hello';
      ring(draft).name = 'Renamed';
      Object.assign(bulbOf(draft), { price: 99 });
    });
    expect(now).toEqual({ state: 'open', signed: [1], since: [] });
  });
  test('one of a hundred copies signed: ninety-nine wait', () => {
    const copies = changed(demo, (draft) => void (ring(draft).copies = 3));
    const derive = new Derivations();
    const build = ring(copies);
    const look = (copy: number, over: object = {}) => ({
      id: `look-${copy}`,
      name: 'A',
      date: '2026-11-26',
      checked: [...LOOK_OVER] as string[],
      copy,
      design: signedState(copies, build, derive),
      seen: {},
      ...over,
    });
    const state = (signOffs: ReturnType<typeof look>[]) =>
      powerUpOf(copies, { ...build, signOffs }, derive.findings(copies, build), derive);
    expect(state([look(2)])).toEqual({ state: 'look over', signed: [2] });
    expect(state([look(1), look(2), look(3)])).toEqual({ state: 'open', signed: [1, 2, 3] });
    // Written by hand into a file: a copy that is not there, or with points left out, opens nothing.
    expect(state([look(1), look(2), look(4)]).state).toBe('look over');
    expect(state([look(1), look(2), look(3, { checked: ['all'] })]).state).toBe('look over');
  });
  test('no copy of that number', () =>
    expect(refusedSignOff(demo, 'clerk-ring', given('clerk-ring', { copy: 2 }))).toContain(
      'no copy 2',
    ));
});

describe('what a later version asks for', () => {
  const mixing = Object.keys(SOLD);
  const ring = demo.builds.find(({ form }) => form === 'strip-ring')!;
  const stateOf = (document: typeof demo) =>
    signedState(document, findBuild(document, ring.id)!, new Derivations());
  /** As a version before wrote it: it named no mixture, and no colours of its lamps. */
  const before = {
    ...demo,
    builds: demo.builds.map((build) => ({
      ...build,
      parameters: Object.fromEntries(
        Object.entries(build.parameters).filter(([name]) => !mixing.includes(name)),
      ),
    })),
    shelf: {
      ...demo.shelf,
      units: demo.shelf.units.map((unit) =>
        Object.fromEntries(
          Object.entries(unit).filter(
            ([name]) => !/^(warm|cool|red|green|blue|white)(K|Lm)$/.test(name),
          ),
        ),
      ),
    },
  } as unknown as typeof demo;
  test('leaves what was signed before as it was, while it says nothing new', () =>
    expect(stateOf(before)).toBe(stateOf(demo)));
  test('a colour that is mixed is something new', () => {
    const red = changed(demo, (draft) => {
      Object.assign(findBuild(draft, ring.id)!.parameters, { mix: 'colours', mixGreen: 0 });
    });
    expect(stateOf(red)).not.toBe(stateOf(demo));
  });
});
