import { demoBuild } from '../testing';

const panel = (over: Record<string, unknown> = {}) =>
  demoBuild('stamp-panel', { fillMode: 'count', tapeLengthM: 5, ...over });

describe('layout of a 60 × 30 cm panel', () => {
  test('rows: (300 − 2 × 30 − 10)/30 + 1 = 8, each 540 mm down to a mark of 50 mm', () => {
    const { fact } = panel();
    expect(fact('rows-fit')).toBe(8);
    expect(fact('row')).toBeCloseTo(0.5, 9);
    expect(fact('tape-capacity')).toBeCloseTo(4, 9);
    expect(fact('jumpers')).toBe(0);
    expect(panel({ feed: 'one' }).fact('jumpers')).toBe(7);
  });
  test('bolts round the border, corners once: 3 along and 2 up are six', () => {
    expect(panel().fact('bolts')).toBe(6);
    expect(panel({ boltsX: 4, boltsY: 3 }).fact('bolts')).toBe(2 * 4 + 2 * 1);
  });
  test('washers a bolt = spacer/1.6 mm (docs/model/forms.md): 32 mm are twenty', () => {
    expect(panel({ spacerM: 0.032 }).fact('washers')).toBe(20);
    expect(panel({ spacerM: 0.0325 }).fact('washers')).toBe(21);
    expect(panel().need('washer')).toBe(6 * 20);
  });
  test('six bolts and fifteen washers hold 24 mm (common practice): M6 of 1.6 mm', () => {
    const six = panel({ spacerM: 0.024 });
    expect([six.fact('bolts'), six.fact('washers')]).toEqual([6, 15]);
    expect(six.need('washer')).toBe(6 * 15);
    // 24 mm of washers, two sheets of 3 mm, nut and two threads: 30 + 5.2 + 2 → 40 mm.
    const bolt = six.resolved.needs.find(({ item }) => item.id === 'bolt')!;
    expect(bolt.item).toMatchObject({ size: 'M6 × 40' });
    expect(six.resolved.built.depthM).toBeCloseTo(0.03, 9);
  });
  test('M5 washers are 1 mm thick: twenty-four of them, and a hole of 5.5 mm', () => {
    const five = panel({ spacerM: 0.024, bolt: 'M5' });
    expect(five.fact('washers')).toBe(24);
    const radii = five.sheets[0]!.shapes.flatMap((shape) =>
      shape.kind === 'circle' && shape.layer === 'drill' ? [shape.r] : [],
    );
    expect(new Set(radii)).toEqual(new Set([0.00275]));
    // A gap is built of whole washers: the front stands where they put it.
    expect(panel({ spacerM: 0.0235, bolt: 'M5' }).fact('spacer')).toBeCloseTo(0.024, 12);
  });
  test('rows fed one by one have no jumpers: 14 joints, or 27 in one run of 14', () => {
    const big = { heightM: 0.5, widthM: 0.6, tapeLengthM: 14 * 0.5, rowPitchM: 0.03 };
    const [each, run] = [panel({ ...big, feed: 'rows' }), panel({ ...big, feed: 'one' })];
    const rows = each.resolved.tape!.rowsM.length;
    expect([each.fact('joints'), each.fact('jumpers')]).toEqual([rows, 0]);
    expect([run.fact('joints'), run.fact('jumpers')]).toEqual([2 * (rows - 1) + 1, rows - 1]);
  });
  test('every row is marked on the back where it lies, and told in words', () => {
    const { sheets, resolved, fact } = panel();
    const rows = sheets[0]!.shapes.flatMap((shape) =>
      shape.kind === 'polyline' && shape.layer === 'mark' ? [shape.points] : [],
    );
    expect(rows).toHaveLength(resolved.tape!.rowsM.length);
    expect(0.3 - rows[0]![0]![1]).toBeCloseTo(fact('first-row')!, 9);
    for (const [k, [[x1, y1], [x2, y2]]] of (
      rows as unknown as [[number, number], [number, number]][]
    ).entries()) {
      expect([x1, y1]).toEqual([expect.closeTo(0.03, 9), expect.closeTo(y2, 9)]);
      expect(x2 - x1).toBeCloseTo(resolved.tape!.rowsM[k]!, 9);
    }
    expect(sheets[0]!.markOut.join(' ')).toContain('from the top edge');
  });
  test('both sheets are drilled alike, the front countersunk', () => {
    const { sheets } = panel();
    expect(sheets.map(({ widthM, heightM }) => [widthM, heightM])).toEqual([
      [0.6, 0.3],
      [0.6, 0.3],
    ]);
    const drilled = sheets.map(
      ({ shapes }) => shapes.filter(({ layer }) => layer === 'drill').length,
    );
    expect(drilled).toEqual([6, 6]);
  });
});

describe('mistakes it catches', () => {
  test('stand-off below the pitch shows the rows (common practice)', () => {
    expect(panel({ spacerM: 0.02 }).ids).toContain('sandwich.hot-spots');
    expect(panel({ spacerM: 0.03 }).ids).not.toContain('sandwich.hot-spots');
  });
  test('edges that leave no room, rows that overlap', () => {
    expect(panel({ edgeM: 0.15 }).problems).toContain('edgeM edge');
    expect(panel({ rowPitchM: 0.006 }).problems).toContain('rowPitchM rows_overlap');
  });
  test('a panel narrower than one section has no tape', () => {
    expect(panel({ widthM: 0.1 }).severity('sandwich.no-tape')).toBe('stop');
  });
  test('tape straight in rows may be coated', () => {
    expect(panel({ stripId: 'tape-coated-24' }).ids).not.toContain('sandwich.coated');
  });
  test('an open front is said', () => {
    expect(panel({ layer1PartId: null }).ids).toContain('sandwich.front');
  });
});

test('light: one group, all of the tape, inside the sheet', () => {
  const { resolved } = panel();
  const sum = resolved.emitters.reduce((total, { luminousFluxLm }) => total + luminousFluxLm, 0);
  expect(sum).toBeCloseTo(4 * 1400, 6);
  for (const { positionM } of resolved.emitters) {
    expect(Math.abs(positionM[0])).toBeLessThan(0.3);
    expect(Math.abs(positionM[1])).toBeLessThan(0.15);
  }
});

describe('the front is the first layer', () => {
  test('alone nothing more is cut or fitted', () => {
    const { cloths, resolved } = panel({ layer2PartId: null });
    expect(cloths).toEqual([]);
    expect(resolved.steps.map(({ id }) => id)).not.toContain('fit-layers');
  });
  test('a film behind it is cut to its size and goes in with the bolts', () => {
    const { cloths, resolved, parameters } = panel({ layer2PartId: 'silk' });
    expect(cloths).toMatchObject([
      { widthM: parameters.widthM, heightM: parameters.heightM, lit: true },
    ]);
    expect(resolved.steps.find(({ id }) => id === 'bolt')).toMatchObject({ works: 'cloth' });
  });
});
