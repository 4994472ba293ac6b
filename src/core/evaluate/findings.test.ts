import { bulbIn, sample } from '../testing/sample';
import { changed as afterChange } from '../document/testing';
import type { Production } from '../document/production';
import { collectFindings, SEVERITIES, worst, type Finding } from '../findings/finding';
import { FORMS } from '../forms';
import { evaluateKnown as evaluate } from './testing';
import type { WorkedOut as Readouts } from './readouts';

const demo = sample();
type Change = (draft: Production) => void;
const parametersOf = (draft: Production) => draft.builds[0]!.parameters as Record<string, unknown>;
const bulbOf = (draft: Production) => bulbIn(draft.shelf, 'globe-g45-3');
const groups = (...ids: (string | null)[]) => ids.map((bulbId) => ({ bulbId, level: 1 }));

const evaluated = (change: Change, build = 'clerk-ring'): Readouts => {
  const found = evaluate(afterChange(demo, change), build);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};

/** One design for every finding that a bulb ring can raise: what is changed, and what it must say. */
const CASES: [id: string, severity: Finding['severity'], change: Change][] = [
  ['ring.ring_too_wide', 'stop', (d) => void (parametersOf(d).ringWidthM = 0.6)],
  ['ring.ring_too_narrow', 'stop', (d) => void (parametersOf(d).ringWidthM = 0.04)],
  ['ring.sockets_overlap', 'stop', (d) => void (parametersOf(d).socketCount = 100)],
  ['ring.odd_stagger', 'stop', (d) => Object.assign(parametersOf(d), { rows: 2, socketCount: 15 })],
  ['ring.no-bulb', 'unknown', (d) => void (parametersOf(d).groups = groups(null))],
  ['ring.no-socket', 'unknown', (d) => void (parametersOf(d).socketPartId = null)],
  ['ring.no-board', 'unknown', (d) => void (parametersOf(d).boardPartId = null)],
  ['ring.no-cord', 'unknown', (d) => void (parametersOf(d).cordPartId = null)],
  ['ring.no-plug', 'unknown', (d) => void (parametersOf(d).plugPartId = null)],
  ['cut.too-big.mdf-6', 'stop', (d) => void (parametersOf(d).outerDiameterM = 1.5)],
  ['ring.base.0', 'stop', (d) => void (parametersOf(d).groups = groups('candle-e14-5'))],
  ['ring.socket-watts.0', 'stop', (d) => void (bulbOf(d).wattsW = 75)],
  ['earth.metal', 'stop', (d) => void (parametersOf(d).boardPartId = 'alu-2')],
  ['ring.car', 'look', (d) => void (parametersOf(d).outerDiameterM = 1.15)],
  ['ring.dark-front', 'look', (d) => void (parametersOf(d).finish = 'black-paint')],
  ['power.circuit', 'stop', (d) => void (d.circuits[0]!.otherLoadW = 4000)],
  ['power.cord', 'stop', (d) => void (bulbOf(d).wattsW = 60)],
  [
    'power.drop',
    'look',
    (d) => Object.assign(parametersOf(d), { tailLengthM: 30, dimmerPartId: null }),
  ],
  [
    'power.plug',
    'stop',
    (d) => {
      bulbOf(d).wattsW = 20;
      for (const part of d.shelf.parts) if (part.role === 'plug') part.fuseA = 1;
    },
  ],
  ['power.inrush', 'look', () => undefined],
  ['power.voltage.0', 'stop', (d) => void (bulbOf(d).supplyV = 12)],
  [
    'dimmer.none',
    'look',
    (d) => void (parametersOf(d).groups = [{ bulbId: 'globe-g45-3', level: 0.4 }]),
  ],
  ['dimmer.kind.0', 'stop', (d) => void (parametersOf(d).dimmerPartId = 'dimmer-trailing-400')],
  ['dimmer.size', 'look', (d) => void (parametersOf(d).dimmerPartId = 'dimmer-trailing-400')],
  ['heat.open-air', 'ok', () => undefined],
  ['heat.clearance.board', 'stop', (d) => void (bulbOf(d).kind = 'halogen')],
  ['heat.burns', 'look', (d) => void (bulbOf(d).kind = 'incandescent')],
  ['light.short', 'look', (d) => void (d.shots[0]!.isoSpeed = 100)],
  ['light.hard', 'look', (d) => void (d.shots[0]!.softnessDeg = 80)],
  ['light.separate-shadows', 'look', () => undefined],
  ['light.uneven', 'look', (d) => void (d.shots[0]!.coverageWidthM = 6)],
  ['colour.cri.0', 'look', () => undefined],
  [
    'colour.groups',
    'look',
    (d) => void (parametersOf(d).groups = groups('globe-g45-3', 'globe-a60-9-2700')),
  ],
  ['flicker.shutter', 'unknown', (d) => void (d.shots[0]!.shutterAngleDeg = 172.8)],
  ['label.efficacy.globe-g45-3', 'look', (d) => void (bulbOf(d).luminousFluxLm = 9000)],
  ['label.equivalence.globe-g45-3', 'look', (d) => void (bulbOf(d).equivalentW = 60)],
  ['label.lumens.globe-g45-3', 'unknown', (d) => void (bulbOf(d).luminousFluxLm = null)],
  ['label.cri.globe-g45-3', 'unknown', (d) => void (bulbOf(d).criRa = null)],
  ['label.cct.globe-g45-3', 'unknown', (d) => void (bulbOf(d).cctK = null)],
  ['label.warm-up.globe-g45-3', 'look', (d) => void (bulbOf(d).warmUpS = 90)],
];

describe.each(CASES)('%s is raised as %s', (id, severity, change) => {
  const found = evaluated((draft) => {
    // Enough drop needs enough current: the drop case runs on strong bulbs and a thin cord.
    if (id === 'power.drop') Object.assign(bulbOf(draft), { wattsW: 55 });
    change(draft);
  });
  const finding = found.findings.find((each) => each.id === id);

  test('with words, a source and a place', () => {
    expect(finding?.severity).toBe(severity);
    expect(finding!.title.length).toBeGreaterThan(8);
    expect(finding!.message.length).toBeGreaterThan(20);
    expect(finding!.source).toBeTruthy();
    expect(finding!.message).not.toMatch(/NaN|undefined|Infinity|\[object/);
    // Wording rule: no exclamation marks, nothing is ever called safe.
    expect(`${finding!.title} ${finding!.message}`).not.toMatch(/!|\bsafe\b/i);
  });

  test('pointing at something that is on the drawing and at a field that exists', () => {
    const refs = found.drawing!.views.flatMap(({ shapes }) => shapes.map(({ ref }) => ref));
    const fields = FORMS.get('bulb-ring')!.fields.map(({ parameter }) => parameter);
    const { drawing, field } = finding!.where;
    const optional = ['dimmer', 'skirt'];
    if (drawing && !optional.includes(drawing)) expect(refs).toContain(drawing);
    if (field && !/^(shot|unit)\.|^circuit$/.test(field)) expect(fields).toContain(field);
  });

  test('its ways out lead out', () => {
    for (const remedy of finding!.remedies ?? []) {
      const mended = evaluated((draft) => {
        if (id === 'power.drop') Object.assign(bulbOf(draft), { wattsW: 55 });
        change(draft);
        Object.assign(parametersOf(draft), remedy.parameters);
      });
      const after = mended.findings.find((each) => each.id === id);
      expect(after === undefined || after.severity === 'ok').toBe(true);
    }
  });
});

test.each(['wash', 'green', 'dressing'] as const)(
  'no edges are looked for on a shot of %s',
  (use) => {
    const { findings, rungs } = evaluated((draft) => void (draft.shots[0]!.use = use));
    expect(findings.map(({ id }) => id)).not.toContain('light.separate-shadows');
    expect(rungs.find(({ id }) => id === 'softness')!.words).not.toContain('separate');
  },
);

describe('the collector', () => {
  const finding = (id: string, severity: Finding['severity']): Finding => ({
    id,
    topic: 'light',
    severity,
    title: id,
    message: id,
    source: 'test',
    where: {},
  });
  test('worst first, each id once, at its worst', () => {
    const list = collectFindings(
      [finding('a', 'ok'), finding('b', 'look')],
      [finding('a', 'stop'), finding('c', 'unknown'), finding('b', 'ok')],
    );
    expect(list.map(({ id, severity }) => `${id} ${severity}`)).toEqual([
      'a stop',
      'b look',
      'c unknown',
    ]);
  });
  test('the worst of nothing is fine', () => {
    expect(worst([])).toBe('ok');
    for (const severity of SEVERITIES) expect(worst([finding('x', severity)])).toBe(severity);
  });
});
