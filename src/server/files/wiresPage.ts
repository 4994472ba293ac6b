import { groupedCuts } from '@/core/power/cutList';
import { captioned, lengthOf, MARGIN, page, saidOf, type Pack } from './packPage';
import { plain } from './paper';
import { writeTable } from './pdfTable';

/** Share of the page that the picture takes; the list to cut by stands below. */
const PICTURE = 0.56;

/** Every wire in its region's colours as it lies on the back, and the wires to cut. */
export function wiresPage(pack: Pack): void {
  const { pdf, readouts } = pack;
  const [length, said] = [lengthOf(pack), saidOf(pack)];
  const view = readouts.drawing.views.find(({ id }) => id === 'wiring');
  const cuts = groupedCuts(readouts.wire.wiring);
  if (!view || cuts.length === 0) return;
  const { top, width, height } = page(pack, 'Wires, from behind');
  captioned(pack, view, { x: MARGIN, y: top + 4, w: width, h: height * PICTURE });
  pdf.y = top + 28 + height * PICTURE;
  writeTable(
    pdf,
    [
      { title: 'Wires to cut', share: 0.3 },
      { title: 'Pieces', share: 0.08, right: true },
      { title: 'Length', share: 0.1, right: true },
      { title: 'Of', share: 0.22 },
      { title: 'Ends', share: 0.3 },
    ],
    cuts.map(({ from, to, wires, count, lengthM, of, ends }) => [
      `${from} to ${to}: ${wires}`,
      String(count),
      length(lengthM),
      of,
      said(ends),
    ]),
  );
  const { live, neutral, earth } = readouts.wire.wires;
  pdf
    .font('text')
    .fontSize(8)
    .text(
      plain(
        `Live ${live}; neutral ${neutral}; earth ${earth}. Found cords may wear other colours: tell their wires by continuity to the plug's pins. Tail and links as planned; pieces to gear and tubes are estimates with ${length(0.3)} for their ends: lay one before you cut the rest. Work unplugged; joints only in closed terminals.`,
      ),
      MARGIN,
      pdf.y + 4,
      { width },
    );
}
