import { demoBuild } from '../testing';

const panel = (over: Record<string, unknown> = {}) =>
  demoBuild('stamp-panel', { fillMode: 'count', tapeLengthM: 5, ...over });

describe('layout of a 60 × 30 cm panel', () => {
  test('rows: (300 − 2 × 30 − 10)/30 + 1 = 8, each 540 mm down to a mark of 50 mm', () => {
    const { fact } = panel();
    expect(fact('rows-fit')).toBe(8);
    expect(fact('row')).toBeCloseTo(0.5, 9);
    expect(fact('tape-capacity')).toBeCloseTo(4, 9);
    expect(fact('jumpers')).toBe(7);
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
  test('both sheets are drilled alike, countersunk marks on each', () => {
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
