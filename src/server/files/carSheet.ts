import type { Production } from '@/core/document/production';
import { togetherOf } from '@/core/evaluate/together';
import { shopLength, show, showText, type UnitSystem } from '@/core/quantity';
import { finished, newPdf, numberPages, paperOf, PAPERS, plain } from './paper';
import { writeTable } from './pdfTable';

/** What goes into the car for a day: every light as it folds, what comes off it, with boxes to tick there and back. */
export async function carSheet(
  document: Production,
  ids: readonly string[],
  units: UnitSystem,
): Promise<Buffer> {
  const paper = paperOf(units);
  const pdf = newPdf(paper, `${document.name}, car sheet`);
  const { loads, massKg, builds } = togetherOf(document, ids);
  const length = (metres: number) => shopLength(metres, units);
  const mass = (kg: number) => showText(show(kg, 'mass', units));
  pdf.addPage({ margin: 40, size: [...PAPERS[paper]] });
  pdf.font('bold').fontSize(17).fillColor('#1c160e').text('In the car', 40, 40);
  const longest = Math.max(
    0,
    ...loads.map(({ widthM, heightM, depthM }) => Math.max(widthM, heightM, depthM)),
  );
  pdf
    .font('text')
    .fontSize(10)
    .text(
      plain(
        `${document.name}: ${builds.map(({ name, copies }) => (copies > 1 ? `${copies} × ${name}` : name)).join(', ')}. ${mass(massKg)} in all, the longest ${length(longest)}: a lath of that length shows whether the boot takes it.`,
      ),
    );
  pdf.moveDown(0.5);
  writeTable(
    pdf,
    [
      { title: 'Light', share: 0.24 },
      { title: 'What', share: 0.2 },
      { title: 'Count', share: 0.08, right: true },
      { title: 'Folded', share: 0.26 },
      { title: 'Mass of one', share: 0.1, right: true },
      { title: 'out', share: 0.06, right: true },
      { title: 'back', share: 0.06, right: true },
    ],
    [
      ...loads.map(({ build, name, count, widthM, heightM, depthM, massKg: each }) => [
        build,
        name,
        String(count),
        [widthM, heightM, depthM].map(length).join(' × '),
        mass(each),
        '[  ]',
        '[  ]',
      ]),
      ...ALWAYS.map((what) => [what, '', '', '', '', '[  ]', '[  ]']),
    ],
  );
  numberPages(pdf);
  return finished(pdf);
}

/** Forgotten more often than any light [common practice]. */
const ALWAYS = [
  'Switched outlet strip with RCD (GFCI)',
  'Leads, wound off when in use',
  'Sandbags',
  'Spare lamps and fuses',
  'Gaffer tape, cable ties, safety bonds',
  'Gloves, screwdriver, meter',
];
