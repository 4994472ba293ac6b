import { readFileSync } from 'node:fs';
import PDFDocument from 'pdfkit';
import { sfntOf, typeface } from './typefaces';

const FILE =
  'node_modules/@fontsource/spline-sans-mono/files/spline-sans-mono-latin-400-normal.woff';

// The PDF package reads both; what it says of the packed file is the reference.
test('unpacked, a font has the widths and heights it had packed', () => {
  const pdf = new PDFDocument();
  const sizes = (source: string | Buffer) => {
    pdf.font(source).fontSize(11);
    return ['Ω 12.5 mm Äß', 'fi', '|', 'M'].map((words) => [
      pdf.widthOfString(words),
      pdf.heightOfString(words),
    ]);
  };
  expect(sizes(sfntOf(readFileSync(FILE)))).toEqual(sizes(FILE));
});

test('checksums of its tables are what the packed file says of them', () => {
  const font = sfntOf(readFileSync(FILE));
  const tables = font.readUInt16BE(4);
  for (let k = 0; k < tables; k++) {
    const at = 12 + k * 16;
    const [said, offset, length] = [4, 8, 12].map((more) => font.readUInt32BE(at + more)) as [
      number,
      number,
      number,
    ];
    // “head” holds a checksum of the whole, counted as zero [OpenType, “Calculating checksums”].
    const own = font.toString('latin1', at, at + 4) === 'head';
    let sum = 0;
    for (let word = 0; word < length; word += 4)
      if (!own || word !== 8) sum = (sum + font.readUInt32BE(offset + word)) >>> 0;
    expect(sum).toBe(said);
  }
});

test('is unpacked once', () => {
  expect(typeface('text')).toBe(typeface('text'));
});
