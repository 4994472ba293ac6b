import { sample } from '../testing/sample';
import { coneBlank } from '../forms/kit/development';
import { INCH, demoBuild } from '../forms/testing';
import type { Accessory } from './carried';
import type { StickPiece } from '../build/pieces';
import { evaluateKnown as evaluate } from '../evaluate/testing';
import { changed as afterChange } from '../document/testing';
import { heatFindings } from '../power/heat';
import { loadOnSupports, supportFacts } from '../statics/load';
import { finished } from '../making/finishing';
import { attachAll } from './attach';
import { ACCESSORIES } from './index';

const carriedAs = (id: string, kind: string, parameters: unknown): Accessory =>
  ({ id, kind, parameters }) as Accessory;
const hot = (buildId: string, kind: string, over: Record<string, unknown>) =>
  on(buildId, kind, over).heat;

const on = (
  buildId: string,
  kind: string,
  over: Record<string, unknown> = {},
  formOver: Record<string, unknown> = {},
) => {
  const { resolved, context } = demoBuild(buildId, formOver);
  const accessory = ACCESSORIES.get(kind)!;
  const parameters = { ...(accessory.defaults() as object), ...over };
  const attached = accessory.attach(parameters, resolved, context);
  const { resolved: whole } = attachAll(resolved, [carriedAs('x', kind, parameters)], context);
  // What the engines say of the whole, without the accessory's own id in it.
  const bare = <T extends { id: string }>(each: T): T => ({
    ...each,
    id: each.id.replace('.x', ''),
  });
  const facts = [...attached.facts, ...supportFacts(whole).map(bare)];
  const findings = [...attached.findings, ...loadOnSupports(whole).map(bare)];
  return {
    ...attached,
    base: resolved,
    whole,
    heat: heatFindings(whole)
      .filter(({ id, severity }) => id.includes('.x.') && severity !== 'ok')
      .map(({ severity }) => severity),
    fact: (id: string) => facts.find((each) => each.id === id)?.value,
    severity: (id: string) => findings.find((each) => each.id === id)?.severity,
    need: (id: string) => attached.needs.find(({ item }) => item.id === id)?.quantity,
  };
};

describe('pipe stand', () => {
  test('2 × 10 in, 4 × 7 in and 2 × 24 in (docs/model/forms.md, “Accessories”)', () => {
    const { pieces } = on('clerk-pan', 'pipe-stand', {
      pipePartId: 'pipe-20',
      uprightM: 24 * INCH,
      footPieceM: 7 * INCH,
      crossPieceM: 10 * INCH,
    });
    const list = (pieces as StickPiece[]).map(({ lengthM, count }) => [
      Math.round(lengthM / INCH),
      count,
    ]);
    expect(list).toEqual([
      [24, 2],
      [10, 2],
      [7, 4],
    ]);
  });
  test('tip-over: moments about the edge of the foot, its weight half its depth before it', () => {
    const stand = on('clerk-pan', 'pipe-stand', { pipePartId: 'pipe-20', crossPieceM: 1 });
    const height = 0.61 + stand.base.built.heightM / 2;
    const lean = stand.base.built.depthM / 2;
    const holds = (stand.base.massKg * (0.178 - lean) + stand.massKg * 0.178) * 9.81;
    expect(stand.fact('stand-sandbag')).toBeCloseTo(
      Math.max(0, (15 * height - holds) / (9.81 * 0.178)),
      9,
    );
    expect(stand.severity('stand.tip')).toBe('look');
  });
  test('the narrow way counts: uprights close together tip it sideways', () => {
    const wide = on('clerk-pan', 'pipe-stand', { pipePartId: 'pipe-20', crossPieceM: 1 });
    const close = on('clerk-pan', 'pipe-stand', { pipePartId: 'pipe-20', crossPieceM: 0.1 });
    expect(close.fact('stand-sandbag')!).toBeGreaterThan(wide.fact('stand-sandbag')!);
  });
  test('a wide foot stands, a mast on a narrow one is a stop', () => {
    const wide = { footPieceM: 1, crossPieceM: 2, pipePartId: 'pipe-20' };
    expect(on('clerk-pan', 'pipe-stand', wide).severity('stand.tip')).toBe('ok');
    expect(
      on('clerk-pan', 'pipe-stand', { uprightM: 3, footPieceM: 0.1 }).severity('stand.tall'),
    ).toBe('stop');
    expect(on('clerk-pan', 'pipe-stand').severity('stand.no-pipe')).toBe('unknown');
  });
  test('a long heavy hood makes it fall over by itself', () => {
    const { resolved, context } = demoBuild('clerk-pan');
    const { resolved: whole } = attachAll(
      resolved,
      [
        carriedAs('s', 'pipe-stand', {
          ...(ACCESSORIES.get('pipe-stand')!.defaults() as object),
          pipePartId: 'pipe-20',
          footPieceM: 0.1,
        }),
        carriedAs('h', 'hood', {
          ...(ACCESSORIES.get('hood')!.defaults() as object),
          boardPartId: 'ply-9',
          lengthM: 1.2,
        }),
      ],
      context,
    );
    expect(loadOnSupports(whole).map(({ id, severity }) => `${id} ${severity}`)).toContain(
      'stand.s.lean stop',
    );
  });
});

describe('hood', () => {
  const hood = (over: Record<string, unknown>, form: Record<string, unknown> = {}) =>
    on('clerk-pan', 'hood', { boardPartId: 'foam-core-big', ...over }, form);
  // Foam core of 10 mm bends about its middle: its blank is that of a front wider by as much.
  const THICK = 0.01;
  test('a cylinder is a rectangle π·(Ø + thickness) long, and the overlap', () => {
    const { pieces, fact } = hood({ shape: 'cylinder', lengthM: 0.2 });
    expect(pieces[0]).toMatchObject({
      widthM: expect.closeTo(Math.PI * (0.356 + THICK) + 0.02, 9),
      heightM: 0.2,
    });
    expect(fact('blank')).toBeCloseTo(Math.PI * (0.356 + THICK) + 0.02, 9);
  });
  test('a cone is an annular sector: radii and angle of the development', () => {
    const { fact, pieces } = hood({ shape: 'cone', mouthDiameterM: 0.5, lengthM: 0.2 });
    const blank = coneBlank(0.356 + THICK, 0.5 + THICK, 0.2)!;
    expect(fact('inner')).toBeCloseTo(blank.innerRadiusM, 12);
    expect(fact('outer')).toBeCloseTo(blank.outerRadiusM, 12);
    expect(fact('angle')).toBeCloseTo(blank.angleRad, 12);
    const [outline] = pieces[0]!.kind === 'sheet' ? pieces[0]!.shapes : [];
    // One closed line: two arcs in two edges each, the tab's three straight ones, and the other side.
    expect(outline).toMatchObject({ kind: 'polyline', closed: true, layer: 'cut' });
    const bulges = outline?.kind === 'polyline' ? outline.bulges! : [];
    expect(bulges.filter((bulge) => bulge !== 0)).toHaveLength(4);
  });
  test('the sector’s board is as large as the cone’s wall and the tab', () => {
    const { pieces } = hood({ shape: 'cone', mouthDiameterM: 0.5, lengthM: 0.2, overlapM: 0 });
    const slant = Math.hypot(0.2, 0.072);
    const wall = Math.PI * (0.178 + 0.25 + THICK) * slant;
    expect(pieces[0]!.kind === 'sheet' && pieces[0]!.areaM2).toBeCloseTo(wall, 9);
  });
  test('a cone as wide as its base is a cylinder, and told so', () => {
    const { severity, pieces } = hood({ shape: 'cone', mouthDiameterM: 0.356 });
    expect(severity('hood.cylinder')).toBe('stop');
    expect(
      pieces[0]!.kind === 'sheet' && pieces[0]!.shapes.some(({ kind }) => kind === 'arc'),
    ).toBe(false);
  });
  test('no light beyond the line from rim to rim', () => {
    const { fact } = hood({ shape: 'cylinder', lengthM: 0.356 });
    expect(fact('cut-off')).toBeCloseTo(Math.PI / 4, 9);
  });
  test('board round hot lamps is refused, sheet metal is not', () => {
    expect(hot('warm-ring', 'hood', { boardPartId: 'foam-core-5' })).toContain('stop');
    expect(hot('warm-ring', 'hood', { boardPartId: null })).toContain('unknown');
    expect(hot('warm-ring', 'hood', { boardPartId: 'alu-1' })).toEqual([]);
  });
});

describe('grid', () => {
  test('cut-off atan(cell/depth), open area (1 − t/cell)² (docs/model/light.md)', () => {
    const { fact } = on('cabin-box', 'grid', {
      boardPartId: 'foam-core-5',
      cellM: 0.05,
      depthM: 0.1,
    });
    expect(fact('cut-off')).toBeCloseTo(Math.atan(0.5), 9);
    expect(fact('open')).toBeCloseTo((1 - 0.005 / 0.05) ** 2, 9);
  });
  test('strips and slots of a 60 cm front with 5 cm cells: eleven each way, eleven slots', () => {
    const { pieces, fact } = on('cabin-box', 'grid', { boardPartId: 'foam-core-5', cellM: 0.05 });
    expect(fact('strips')).toBe(22);
    expect(pieces.map(({ count }) => count)).toEqual([11, 11]);
    const [outline] = pieces[0]!.kind === 'sheet' ? pieces[0]!.shapes : [];
    // Four corners, and four more for every slot.
    expect(outline).toMatchObject({ kind: 'polyline', closed: true, layer: 'cut' });
    expect(outline?.kind === 'polyline' && outline.points).toHaveLength(4 + 4 * 11);
  });
  test('a thousand strips are refused and not drawn', () => {
    const { severity, view } = on('deck-sky', 'grid', { cellM: 0.005 });
    expect(severity('grid.many')).toBe('stop');
    expect(view.shapes.length).toBeLessThan(900);
  });
});

describe('skirt and flag', () => {
  test('all round a 60 × 60 front: 2.4 m and hems', () => {
    const { fact, pieces } = on('cabin-box', 'skirt', { depthM: 0.3 });
    expect(fact('skirt-length')).toBeCloseTo(2.4, 9);
    expect(pieces[0]).toMatchObject({
      widthM: expect.closeTo(2.46, 9),
      heightM: expect.closeTo(0.36, 9),
    });
  });
  test('a flag on one side', () => {
    expect(on('sky-bank', 'skirt', { sides: 'left' }).fact('skirt-length')).toBeCloseTo(1.2, 9);
  });
  test('cloth and hot lamps', () => expect(hot('warm-ring', 'skirt', {})).toContain('stop'));
});

describe('mount', () => {
  test('load on each point, against what its kind bears', () => {
    const light = on('clerk-ring', 'mount');
    expect(light.fact('mount-load')).toBeCloseTo(light.base.massKg, 9);
    expect(light.severity('mount.load')).toBe('ok');
    expect(on('clerk-ring', 'mount', { kind: 'shoe' }).severity('mount.load')).toBe('stop');
    expect(on('clerk-ring', 'mount', { kind: 'shoe', points: 5 }).severity('mount.load')).toBe(
      'ok',
    );
  });
  test('over people: a bond at every point', () => {
    const hung = on('clerk-ring', 'mount', { overhead: 'yes', points: 2 });
    expect(hung.need('safety-bond')).toBe(2);
    expect(hung.severity('mount.overhead')).toBe('look');
    expect(on('clerk-ring', 'mount').need('safety-bond')).toBeUndefined();
  });
});

test('stiffener: size less both ends, a screw every 15 cm', () => {
  const { pieces, need } = on('sky-bank', 'stiffener', { stickPartId: 'batten-20', bars: 2 });
  expect(pieces[0]).toMatchObject({
    kind: 'stick',
    count: 2,
    lengthM: expect.closeTo(1.3 - 0.06, 9),
  });
  expect(need('screw')).toBe(2 * Math.ceil(1.24 / 0.15 + 1));
});

describe('pulley set', () => {
  test('load and rope', () => {
    const hoist = on('deck-sky', 'pulley-set', { points: 4, heightM: 4, spareM: 2 });
    expect(hoist.fact('rope')).toBe(4 * 10);
    expect(hoist.fact('hoist-load')).toBeCloseTo(hoist.whole.massKg / 3, 9);
    expect(hoist.need('safety-bond')).toBe(4);
  });
  test('more hang load than the points bear', () => {
    expect(on('deck-sky', 'pulley-set', { points: 1, limitKg: 5 }).severity('hoist.load')).toBe(
      'stop',
    );
    expect(on('deck-sky', 'pulley-set').severity('hoist.load')).toBe('ok');
  });
});

describe('carrying', () => {
  const { resolved, context } = demoBuild('clerk-pan');
  const accessory = (
    id: string,
    kind: string,
    parameters: unknown = ACCESSORIES.get(kind)?.defaults() ?? {},
  ) => carriedAs(id, kind, parameters);
  test('mass, pieces, needs and facts are added; ids keep apart', () => {
    const both = attachAll(resolved, [accessory('a', 'mount'), accessory('b', 'mount')], context);
    expect(both.resolved.massKg).toBeCloseTo(resolved.massKg + 0.6, 9);
    const facts = both.resolved.facts.map(({ id }) => id);
    expect(new Set(facts).size).toBe(facts.length);
    const findings = both.resolved.findings.map(({ id }) => id);
    expect(new Set(findings).size).toBe(findings.length);
    expect(both.views.map(({ id }) => id)).toEqual(['accessory-a', 'accessory-b']);
  });
  test('the order they were added in never changes a load', () => {
    const board = { ...(ACCESSORIES.get('hood')!.defaults() as object), boardPartId: 'ply-9' };
    const all = [
      accessory('m', 'mount'),
      accessory('h', 'hood', board),
      accessory('p', 'pulley-set'),
      accessory('s', 'pipe-stand'),
    ];
    const said = (list: Accessory[]) =>
      loadOnSupports(attachAll(resolved, list, context).resolved)
        .map(({ id, severity, message }) => `${id} ${severity} ${message}`)
        .toSorted();
    const expected = said(all);
    expect(said(all.toReversed())).toEqual(expected);
    expect(said([all[2]!, all[0]!, all[3]!, all[1]!])).toEqual(expected);
  });
  test('it is cut before the wiring and fitted before the warm checks', () => {
    const { resolved: carried } = attachAll(resolved, [accessory('h', 'hood')], context);
    const ids = finished(carried, context).map(({ id }) => id);
    const order = ['h.roll-hood', 'wire-mains', 'power-up', 'h.fit-hood', 'warm-checks'];
    expect(ids.filter((id) => order.includes(id))).toEqual(order);
  });
  test('handles and findings wear its id, so that they meet no parameter of the form', () => {
    const { resolved: carried, views } = attachAll(
      resolved,
      [accessory('h1', 'barn-doors')],
      context,
    );
    for (const { parameter } of views[0]!.handles) expect(parameter).toMatch(/^h1\./);
    expect(carried.findings.find(({ id }) => id === 'doors.hot.h1')!.where.field).toBe(
      'h1.leafLengthM',
    );
  });
  test('an unknown one, or one that does not fit, is kept and said', () => {
    for (const odd of [accessory('x', 'teleporter'), accessory('x', 'grid', { cellM: 'wide' })]) {
      const { resolved: carried, views } = attachAll(resolved, [odd], context);
      expect(carried.findings.map(({ id }) => id)).toContain('accessory.unknown.x');
      expect(carried.pieces).toEqual(resolved.pieces);
      expect(views).toEqual([]);
    }
  });
  test('a grid on a pan is priced and cut with it', () => {
    const document = sample();
    const changed = afterChange(document, (draft) => {
      draft.builds
        .find(({ id }) => id === 'clerk-pan')!
        .accessories.push({
          ...accessory('g', 'grid'),
          parameters: { cellM: 0.05, depthM: 0.05, boardPartId: 'foam-core-5' } as never,
        });
    });
    const [before, after] = [document, changed].map((doc) => {
      const found = evaluate(doc, 'clerk-pan');
      return found.ok ? found.value : null;
    });
    // On a round mouth strips end at the rim: one piece for each length.
    expect(after!.pieces.length).toBeGreaterThan(before!.pieces.length + 2);
    expect(after!.purchase.fullMinor).toBeGreaterThan(before!.purchase.fullMinor);
    expect(after!.drawing!.views.length).toBe(before!.drawing!.views.length + 1);
  });
});
