import { evaluateKnown as evaluate } from '../../evaluate/testing';
import { changed as afterChange } from '../../document/testing';
import { extraction } from '../../light/mouth';
import { demoBuild } from '../testing';

const bounce = (over: Record<string, unknown> = {}) => demoBuild('cabin-bounce', over);

test('two tubes, mirrored, shining into the board', () => {
  const { resolved, fact } = bounce();
  expect(fact('tubes')).toBe(2);
  const ys = new Set(resolved.emitters.map(({ positionM }) => positionM[1].toFixed(6)));
  expect(ys).toEqual(new Set(['-0.260000', '0.260000']));
  expect(fact('tube-apart')).toBeCloseTo(0.52, 9);
});

test('clips stand clear of the tubes’ control ends', () => {
  const { sheets, fact } = bounce();
  const holes = sheets[0]!.shapes.flatMap((shape) => (shape.kind === 'circle' ? [shape] : []));
  expect(holes).toHaveLength(4);
  expect(fact('clip')).toBeCloseTo(0.45 - 0.3 + 0.12, 9);
  expect(Math.min(...holes.map(({ x }) => x))).toBeCloseTo(0.27, 9);
});

test('drape: board and twice its standing-off, and 10 cm to clip', () => {
  const { cloths } = bounce();
  expect(cloths[0]!.widthM).toBeCloseTo(0.9 + 0.3 + 0.1, 9);
  expect(cloths[0]!.heightM).toBeCloseTo(0.6 + 0.3 + 0.1, 9);
});

test('about one to two stops below bare tubes (common practice)', () => {
  // Bare: both tubes as a bank on the same white board, at the same place.
  const { document } = bounce();
  const lux = (form: object) => {
    const changed = afterChange(document, (draft) => {
      Object.assign(
        draft.builds.find(({ id }) => id === 'cabin-bounce')!,
        form,
      );
    });
    const found = evaluate(changed, 'cabin-bounce');
    return found.ok ? found.value.rungs[0]!.value! : NaN;
  };
  const bank = demoBuild('sky-bank').parameters;
  const bare = lux({
    form: 'tube-bank',
    parameters: {
      ...bank,
      unitId: 'tube-15-5500',
      ballastPartId: null,
      tubeCount: 2,
      pitchM: 0.52,
      finish: 'foam-core',
      lipM: 0,
      orientation: 'level',
    },
  });
  const stops = Math.log2(bare / lux({}));
  expect(stops).toBeGreaterThan(0.7);
  expect(stops).toBeLessThan(2.1);
});

test('a second drape costs more', () => {
  const at = (over: Record<string, unknown>) => extraction(bounce(over).resolved.mouth!);
  expect(at({ layer2PartId: 'muslin-bleached' })).toBeLessThan(at({}));
});

describe('mistakes it catches', () => {
  test.each<[Record<string, unknown>, string]>([
    [{ offsetM: 0.3 }, 'offsetM offset'],
    [{ clipInM: 0.31 }, 'clipInM clips'],
  ])('%j', (over, expected) => expect(bounce(over).problems).toContain(expected));
  test('a tube longer than the board', () => {
    expect(bounce({ widthM: 0.5 }).severity('covered-bounce.tube-long')).toBe('stop');
    expect(bounce({ linkRun: 2 }).severity('covered-bounce.tube-long')).toBe('stop');
    expect(bounce().ids).not.toContain('covered-bounce.tube-long');
  });
  test('no drape, one thin sheet', () => {
    expect(bounce({ layer1PartId: null }).ids).toContain('covered-bounce.bare');
    expect(bounce({ widthM: 1.2, stiffenerPartId: null }).ids).toContain('covered-bounce.bow');
    expect(bounce({ widthM: 1.2, stiffenerPartId: null, sheets: 2 }).ids).not.toContain(
      'covered-bounce.bow',
    );
  });
});
