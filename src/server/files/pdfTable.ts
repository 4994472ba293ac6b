import { plain, type Pdf } from './paper';

interface Column {
  title: string;
  /** share of the page's width */
  share: number;
  right?: boolean;
}

const LEFT = 40;
const SIZE = 8.5;

/** A ruled table from the pen's height down, over as many pages as it takes. */
export function writeTable(
  pdf: Pdf,
  columns: readonly Column[],
  rows: readonly (readonly string[])[],
): void {
  const width = pdf.page.width - 2 * LEFT;
  if (columns.some(({ title }) => title))
    row(
      pdf,
      columns,
      columns.map(({ title }) => title),
      width,
      'bold',
    );
  for (const cells of rows) row(pdf, columns, cells, width, 'text');
}

function row(
  pdf: Pdf,
  columns: readonly Column[],
  cells: readonly string[],
  width: number,
  font: 'bold' | 'text',
): void {
  pdf.font(font).fontSize(SIZE).fillColor('#1c160e');
  const texts = cells.map(plain);
  const high = Math.max(
    ...texts.map((text, k) =>
      pdf.heightOfString(text || ' ', { width: columns[k]!.share * width - 6 }),
    ),
  );
  if (pdf.y + high > pdf.page.height - 50) {
    pdf.addPage({ margin: LEFT, size: [pdf.page.width, pdf.page.height] });
    pdf.y = LEFT;
    pdf.font(font).fontSize(SIZE);
  }
  const y = pdf.y;
  let x = LEFT;
  texts.forEach((text, k) => {
    const { share, right } = columns[k]!;
    pdf.text(text, x + (right ? 0 : 2), y + 2, {
      width: share * width - 6,
      align: right ? 'right' : 'left',
    });
    x += share * width;
  });
  pdf
    .lineWidth(0.3)
    .strokeColor('#b9ab90')
    .moveTo(LEFT, y + high + 4)
    .lineTo(LEFT + width, y + high + 4)
    .stroke();
  pdf.x = LEFT;
  pdf.y = y + high + 5;
}
