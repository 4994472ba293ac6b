import DxfParser from 'dxf-parser';
import Papa from 'papaparse';
import { nightFerry } from '@/demo/nightFerry';
import { evaluateKnown as evaluate } from '@/core/evaluate/testing';
import type { SheetPiece } from '@/core/build/pieces';
import type { BuildFileName } from '@/core/formats/buildFiles';
import { buildFile } from './buildFile';
import { spreadOut } from './flat';
import { PAPERS, POINTS_PER_MM } from './paper';
import { readPdf } from './testing/readPdf';
import { MOST_PAGES, tilesOf } from './templates';

const document = nightFerry();
const file = async (build: string, name: BuildFileName) => {
  const made = await buildFile(document, build, name);
  if (!made) throw new Error(`no ${name} of ${build}`);
  return made;
};
const pieces = (build: string) => {
  const found = evaluate(document, build);
  if (!found.ok) throw new Error('a build');
  return found.value.pieces;
};
const flat = (build: string) =>
  pieces(build).filter((piece): piece is SheetPiece => piece.kind === 'sheet');

/** Lights of which something flat is cut; of the others no outline is given away. */
const ofBoard = document.builds.map(({ id }) => id).filter((id) => flat(id).length > 0);

interface DxfEntity {
  type: string;
  layer: string;
  vertices?: { x: number; y: number; bulge?: number }[];
  center?: { x: number; y: number };
  radius?: number;
  startAngle?: number;
  endAngle?: number;
  shape?: boolean;
}
const parsed = async (build: string) => {
  const { body } = await file(build, 'pieces.dxf');
  const dxf = new DxfParser().parseSync(String(body));
  return dxf as unknown as {
    entities: DxfEntity[];
    header: Record<string, unknown>;
    tables: { layer: { layers: object } };
  };
};

describe('DXF, read back with an independent parser', () => {
  test('millimetres, and a layer for each tool', async () => {
    const { header, tables } = await parsed('cabin-box');
    expect(header.$INSUNITS).toBe(4);
    expect(Object.keys(tables.layer.layers)).toEqual(
      expect.arrayContaining(['cut', 'score', 'drill', 'mark']),
    );
  });
  test('the ring: outer and inner cut of 500 and 350 mm, sixteen holes of 25 mm, one socket circle', async () => {
    const { entities } = await parsed('clerk-ring');
    const radii = (layer: string) =>
      entities
        .filter(({ type, layer: on }) => type === 'CIRCLE' && on === layer)
        .map(({ radius }) => radius);
    expect(radii('cut')).toEqual([500, 350]);
    expect(radii('drill')).toEqual(Array(16).fill(12.5));
    expect(radii('mark')).toEqual([425]);
  });
  test('the box: trapezoids of 600 and 200 by the true slant', async () => {
    const { entities } = await parsed('cabin-box');
    const [top] = entities.filter(({ type }) => type === 'LWPOLYLINE');
    const xs = top!.vertices!.map(({ x }) => x);
    const ys = top!.vertices!.map(({ y }) => y);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(600, 6);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(403.113, 2);
    expect(top!.shape).toBe(true);
  });
  test('the hood: both arcs with the opening angle of the developed cone, in one closed line', async () => {
    const { entities } = await parsed('clerk-pan');
    const blanks = entities.filter(({ vertices }) => vertices?.some(({ bulge }) => bulge));
    expect(blanks).toHaveLength(1);
    const { vertices, shape } = blanks[0]!;
    expect(shape).toBe(true);
    const hood = flat('clerk-pan').find(({ name }) => name.startsWith('Hood blank'))!;
    // Sheet bends about its middle: base and mouth are wider by its thickness.
    const [base, mouth, length] = [0.356 + hood.thicknessM, 0.5 + hood.thicknessM, 0.2];
    const slant = Math.hypot(length, (mouth - base) / 2);
    const turn = (2 * Math.PI * ((mouth - base) / 2)) / slant;
    const arcs = vertices!.flatMap(({ x, y, bulge }, k) => {
      if (!bulge) return [];
      const next = vertices![(k + 1) % vertices!.length]!;
      const angle = 4 * Math.atan(bulge);
      const chord = Math.hypot(next.x - x, next.y - y);
      return [{ angle, radius: chord / 2 / Math.abs(Math.sin(angle / 2)) }];
    });
    const sum = (sign: number) =>
      arcs
        .filter(({ angle }) => Math.sign(angle) === sign)
        .reduce((total, { angle }) => total + Math.abs(angle), 0);
    expect(sum(1)).toBeCloseTo(turn, 6);
    expect(sum(-1)).toBeCloseTo(turn, 6);
    const radii = arcs.map(({ radius }) => radius).toSorted((a, b) => b - a);
    expect(radii[0]).toBeCloseTo(((slant * mouth) / (mouth - base)) * 1000, 2);
    expect(radii.at(-1)).toBeCloseTo(((slant * base) / (mouth - base)) * 1000, 2);
  });
  test.each(ofBoard)('%s: every cut line is closed', async (id) => {
    const { entities } = await parsed(id);
    for (const { type, layer, shape } of entities)
      if (layer === 'cut') expect(type === 'CIRCLE' || shape).toBe(true);
  });
  test.each(ofBoard)('%s: every cut of every flat piece is there', async (id) => {
    const { entities } = await parsed(id);
    const shapes = flat(id).flatMap((piece) =>
      piece.shapes.filter(
        ({ layer, kind }) => ['cut', 'score', 'drill', 'mark'].includes(layer) && kind !== 'text',
      ),
    );
    expect(entities.filter(({ type }) => type !== 'TEXT')).toHaveLength(shapes.length);
  });
});

describe('SVG', () => {
  test('one user unit is one millimetre, layers are groups', async () => {
    const svg = String((await file('clerk-ring', 'pieces.svg')).body);
    const { widthM, heightM } = spreadOut(pieces('clerk-ring'));
    expect(svg).toContain(`width="${widthM * 1000 + 10}mm"`);
    expect(svg).toContain(`viewBox="0 0 ${widthM * 1000 + 10} ${heightM * 1000 + 10}"`);
    for (const layer of ['cut', 'score', 'drill', 'mark'])
      expect(svg).toContain(`<g id="${layer}"`);
    expect(svg.match(/r="12.5"/g)).toHaveLength(16);
  });
  test('names with signs are written safely', async () => {
    const named = structuredClone(document);
    named.builds[0]!.name = 'Ring <b> & "co"';
    const made = await buildFile(named, 'clerk-ring', 'pieces.svg');
    expect(String(made!.body)).toContain('Ring &lt;b> &amp; &quot;co&quot;');
    expect(made!.name).toBe('night-ferry_ring-b-co_pieces.svg');
  });
});

describe('CSV', () => {
  const read = async (build: string, name: 'cut-list.csv' | 'shopping.csv') => {
    const text = String((await file(build, name)).body);
    expect(text.startsWith('\ufeff')).toBe(true);
    return Papa.parse<Record<string, string>>(text.slice(1).trim(), { header: true });
  };
  test('the cut list in millimetres', async () => {
    const { data, errors } = await read('cabin-box', 'cut-list.csv');
    expect(errors).toEqual([]);
    expect(data[0]).toMatchObject({
      piece: 'Top and bottom',
      count: '2',
      length_mm: '600',
      width_mm: '403.1',
    });
  });
  test('the shopping list adds up to the readout', async () => {
    const { data } = await read('deck-sky', 'shopping.csv');
    const found = evaluate(document, 'deck-sky');
    const sum = data.reduce((total, row) => total + Math.round(Number(row.full) * 100), 0);
    expect(sum).toBe(found.ok && found.value.purchase.fullMinor);
    expect(new Set(data.map(({ currency }) => currency))).toEqual(new Set(['EUR']));
  });
  test('a name that a spreadsheet would run is defused', async () => {
    const named = structuredClone(document);
    named.shelf.units.find(({ id }) => id === 'globe-g45-3')!.name = '=1+1';
    const made = await buildFile(named, 'clerk-ring', 'shopping.csv');
    expect(String(made!.body)).toContain("'=1+1");
  });
});

describe('templates, read back', () => {
  const A4 = [210, 297];
  const LETTER = [215.9, 279.4];
  test.each([
    ['a4', A4],
    ['letter', LETTER],
  ] as const)('%s paper', (paper, [w, h]) => {
    expect(PAPERS[paper].map((points) => points / POINTS_PER_MM)).toEqual([
      expect.closeTo(w!, 1),
      expect.closeTo(h!, 1),
    ]);
  });
  test('tiles cover the piece and overlap', () => {
    const { tiles, columns, rows, wMm, hMm } = tilesOf(1040, 1040, 'a4');
    expect(tiles).toHaveLength(columns * rows);
    const last = tiles.at(-1)!;
    expect(last.xMm + wMm).toBeGreaterThanOrEqual(1040);
    expect(last.yMm + hMm).toBeGreaterThanOrEqual(1040);
    expect(tiles[1]!.xMm - tiles[0]!.xMm).toBeLessThan(wMm);
  });
  test('a small piece takes one page', () =>
    expect(tilesOf(100, 100, 'letter').tiles).toHaveLength(1));

  test('a one-metre ring: a page for every tile, all of one paper', async () => {
    const pages = await readPdf((await file('clerk-ring', 'templates.pdf')).body as Buffer);
    expect(pages).toHaveLength(tilesOf(1040, 1040, 'a4').tiles.length);
    for (const { width, height } of pages)
      expect([width, height]).toEqual([expect.closeTo(595.28, 1), expect.closeTo(841.89, 1)]);
  });
  test('true size: the check bar of every page is 100 mm within 0.1 mm', async () => {
    const pages = await readPdf((await file('clerk-ring', 'templates.pdf')).body as Buffer);
    for (const { lines } of pages) {
      const bars = lines.filter(({ length, y1, y2 }) => Math.abs(y1 - y2) < 1e-6 && length > 200);
      expect(bars.some(({ length }) => Math.abs(length / POINTS_PER_MM - 100) < 0.1)).toBe(true);
    }
  });
  test('true size: a panel of 200 × 200 mm measures so within 0.2 mm', async () => {
    // The box's back plate; its four edges lie on pages of their own or one page.
    const sized = structuredClone(document);
    Object.assign(sized.builds.find(({ id }) => id === 'cabin-box')!.parameters, {
      backWidthM: 0.18,
      backHeightM: 0.24,
    });
    const made = await buildFile(sized, 'cabin-box', 'templates.pdf');
    const pages = await readPdf(made!.body as Buffer);
    const page = pages.find(({ text }) => text.some((words) => words.includes('Back plate')))!;
    const millimetres = page.lines.map(({ length }) => length / POINTS_PER_MM);
    expect(millimetres.some((mm) => Math.abs(mm - 180) < 0.2)).toBe(true);
    expect(millimetres.some((mm) => Math.abs(mm - 240) < 0.2)).toBe(true);
  });
  test('what is too big for paper is named instead', async () => {
    const huge = structuredClone(document);
    Object.assign(huge.builds[0]!.parameters, { outerDiameterM: 3, boardPartId: null });
    expect(tilesOf(3040, 3040, 'a4').tiles.length).toBeGreaterThan(MOST_PAGES);
    const pages = await readPdf(
      (await buildFile(huge, 'clerk-ring', 'templates.pdf'))!.body as Buffer,
    );
    expect(pages).toHaveLength(1);
    expect(pages[0]!.text.join(' ')).toContain('Too big to print');
    expect(pages[0]!.text.join(' ')).toContain('Trammel');
  });
  test('a light without flat pieces says so', async () => {
    const pages = await readPdf((await file('deck-sky', 'templates.pdf')).body as Buffer);
    expect(pages[0]!.text.join(' ')).toContain('no flat pieces');
  });
});

test('no such build, no such form: no file', async () => {
  expect(await buildFile(document, 'nobody', 'cut-list.csv')).toBeNull();
  const future = structuredClone(document);
  Object.assign(future.builds[0]!, { form: 'from-the-future' });
  expect(await buildFile(future, 'clerk-ring', 'build-pack.pdf')).toBeNull();
});
