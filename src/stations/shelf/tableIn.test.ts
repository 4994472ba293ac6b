import { tableIn, type Table } from './tableIn';

const table = (text: string): Table => {
  const found = tableIn(text);
  if (!found || typeof found === 'string') throw new Error(`no table: ${found}`);
  return found;
};

describe('is it a table', () => {
  test.each([',', ';', '\t', '|'])('parted by “%s”', (mark) => {
    const { headings, rows } = table(
      ['Name', 'Watts', 'Lumens'].join(mark) + '\n' + ['Globe', '9', '806'].join(mark),
    );
    expect(headings).toEqual(['Name', 'Watts', 'Lumens']);
    expect(rows).toEqual([['Globe', '9', '806']]);
  });
  test('quoted cells keep their commas and line ends (RFC 4180)', () => {
    const { rows } = table('Name,Watts,Price\n"Globe, ""opal""\nE27",9,"8,99"\n');
    expect(rows).toEqual([['Globe, "opal"\nE27', '9', '8,99']]);
  });
  test('empty lines are passed over', () => {
    expect(table('W;lm\n\n9;806\n;;\n\n').rows).toEqual([['9', '806']]);
  });
  test('a product line is none, however many commas it has', () => {
    for (const line of [
      'A60 8.5W, 806 lm, 2700K, E27',
      'LED-Birne A60, 8,5 W = 60 W, 806 lm\nLED-Birne B35, 4,9 W, 470 lm',
      '',
      'one',
    ])
      expect(tableIn(line)).toBeNull();
  });
  test('two hundred columns are refused with their number', () => {
    const headings = Array.from({ length: 200 }, (_, k) => ['Watts', 'Lumens'][k] ?? `c${k}`).join(
      ';',
    );
    expect(tableIn(`${headings}\n${'1;'.repeat(200)}`)).toMatch(
      /^The table has 20\d columns; at most 60/,
    );
  });
  test('titles above, and lines drawn round it, are passed over', () => {
    expect(table('Our lamps 2026\nAutumn\nName,Watts,Lumens\nGlobe,9,806').rows).toEqual([
      ['Globe', '9', '806'],
    ]);
    const drawn = table('| Name | W | lm |\n|---|---|---|\n| Globe | 9 | 806 |');
    expect(drawn.headings).toEqual(['Name', 'W', 'lm']);
    expect(drawn.rows).toEqual([['Globe', '9', '806']]);
  });
  test('a tape’s line alone is no row of headings', () => {
    expect(tableIn('LED strip 24V, 14.4W/m, 1400lm/m, 5m, £24.99')).toBeNull();
  });
});
