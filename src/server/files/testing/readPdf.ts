import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

interface PdfPage {
  width: number;
  height: number;
  /** straight strokes, points, in page coordinates */
  lines: { x1: number; y1: number; x2: number; y2: number; length: number }[];
  text: string[];
}

type Matrix = [number, number, number, number, number, number];
const times = ([a, b, c, d, e, f]: Matrix, [A, B, C, D, E, F]: Matrix): Matrix => [
  a * A + c * B,
  b * A + d * B,
  a * C + c * D,
  b * C + d * D,
  a * E + c * F + e,
  b * E + d * F + f,
];

/**
 * Reads a PDF with an independent reader: page sizes, text, and every straight stroke. For tests.
 * @param strokes  false where only the words are wanted, which is much faster
 */
export async function readPdf(bytes: Buffer, strokes = true): Promise<PdfPage[]> {
  const root = join(process.cwd(), 'node_modules/pdfjs-dist');
  // Loaded past the test runner's transform: the reader is a module, and a large one.
  // Its text differs every time: the engine gives back a function of the same text that it made for an
  // earlier suite of this process, and what that one imports is gone with its suite.
  const load = new Function('path', `return import(path) // ${randomUUID()}`) as (
    path: string,
  ) => Promise<never>;
  const pdfjs = (await load(pathToFileURL(join(root, 'legacy/build/pdf.mjs')).href)) as {
    getDocument: (given: object) => { promise: Promise<PdfDocument> };
    OPS: Record<string, number>;
  };
  const pdf = await pdfjs.getDocument({
    data: new Uint8Array(bytes),
    useSystemFonts: false,
    standardFontDataUrl: `${join(root, 'standard_fonts')}/`,
    verbosity: 0,
  }).promise;
  const pages: PdfPage[] = [];
  for (let at = 1; at <= pdf.numPages; at++)
    pages.push(await readPage(await pdf.getPage(at), pdfjs.OPS, strokes));
  return pages;
}

interface PdfDocument {
  numPages: number;
  getPage: (at: number) => Promise<PdfPageProxy>;
}
interface PdfPageProxy {
  view: number[];
  getTextContent: () => Promise<{ items: { str?: string }[] }>;
  getOperatorList: () => Promise<{ fnArray: number[]; argsArray: unknown[][] }>;
}

async function readPage(
  page: PdfPageProxy,
  OPS: Record<string, number>,
  strokes: boolean,
): Promise<PdfPage> {
  const { items } = await page.getTextContent();
  return {
    width: page.view[2]!,
    height: page.view[3]!,
    lines: strokes ? await readLines(page, OPS) : [],
    text: items.flatMap(({ str }) => (str ? [str] : [])),
  };
}

async function readLines(
  page: PdfPageProxy,
  OPS: Record<string, number>,
): Promise<PdfPage['lines']> {
  const { fnArray, argsArray } = await page.getOperatorList();
  const lines: PdfPage['lines'] = [];
  let matrix: Matrix = [1, 0, 0, 1, 0, 0];
  const stack: Matrix[] = [];
  fnArray.forEach((operator, k) => {
    const args = argsArray[k]!;
    if (operator === OPS.save) stack.push(matrix);
    else if (operator === OPS.restore) matrix = stack.pop() ?? matrix;
    else if (operator === OPS.transform) matrix = times(matrix, args as unknown as Matrix);
    else if (operator === OPS.constructPath) lines.push(...strokesOf(args, matrix));
  });
  return lines;
}

/** Path data comes as one flat list: 0 move, 1 line, 2 curve, 3 quadratic, 4 close. */
function strokesOf(args: unknown[], [a, b, c, d, e, f]: Matrix): PdfPage['lines'] {
  const [data] = args[1] as [ArrayLike<number> | null];
  if (!data) return [];
  const found: PdfPage['lines'] = [];
  const on = (x: number, y: number) => [a * x + c * y + e, b * x + d * y + f] as const;
  let [x, y] = [0, 0] as readonly [number, number];
  let [startX, startY] = [0, 0] as readonly [number, number];
  const to = (nx: number, ny: number) => {
    found.push({ x1: x, y1: y, x2: nx, y2: ny, length: Math.hypot(nx - x, ny - y) });
    [x, y] = [nx, ny];
  };
  const numbers = Array.from(data);
  for (let at = 0; at < numbers.length;) {
    const kind = numbers[at]!;
    if (kind === 0) {
      [x, y] = on(numbers[at + 1]!, numbers[at + 2]!);
      [startX, startY] = [x, y];
      at += 3;
    } else if (kind === 1) {
      to(...on(numbers[at + 1]!, numbers[at + 2]!));
      at += 3;
    } else if (kind === 2) {
      [x, y] = on(numbers[at + 5]!, numbers[at + 6]!);
      at += 7;
    } else if (kind === 3) {
      [x, y] = on(numbers[at + 3]!, numbers[at + 4]!);
      at += 5;
    } else {
      to(startX, startY);
      at += 1;
    }
  }
  return found;
}
