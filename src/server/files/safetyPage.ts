import { Derivations } from '@/core/evaluate/derive';
import { signedState } from '@/core/evaluate/signedState';
import { holds } from '@/core/evaluate/signing';
import type { Severity } from '@/core/findings/finding';
import { threeFigures } from '@/core/quantity';
import { gateOf, LOOK_OVER } from '@/core/power/wire';
import { MARGIN, page, saidOf, type Pack } from './packPage';
import { plain } from './paper';
import { writeTable } from './pdfTable';

const CAUTIONS = [
  'Mains can kill. Work with the plug out; local codes and a licensed electrician come first.',
  'First power-up through a switched strip behind an RCD or GFCI whose test button was pressed, hands off, light upward on stone, tile or sheet metal, somebody else in the room.',
  'Warm checks after ten minutes and after one hour with everything on; unplug before you touch. A new light is never left alone.',
  'Unplug and let it cool before a lamp is changed. Supplies and ballasts keep a charge for minutes.',
  'Keep filament and halogen lamps as far from cloth, board and whatever stands in their beam as the checks above ask; an extinguisher at hand.',
  'Fluorescent lamps hold mercury: a broken one is gathered with card and tape, the room aired, and handed in.',
  'Overhead: rated points, a second fixing, nobody underneath, a competent rigger. Ladders are footed and held.',
  'A lead or drum is wound off all the way, and no thinner than the light needs; nothing near water or in the rain.',
  'Cutting: glasses, dust mask, work clamped. Sheet metal: gloves, edges deburred. Spray glue: air the room, no flame.',
  'Do not stare into bare diodes; flicker can hurt people who are sensitive to it.',
];

const INK = '#1c160e';

/** What must be so before the first power-up: how it is wired, what was checked, who looks it over. */
export function safetyPage(pack: Pack): void {
  const { pdf, readouts } = pack;
  const { top } = page(pack, 'Before it is powered up');
  pdf.y = top + 4;
  writeTable(
    pdf,
    [
      { title: 'From breaker to lamps', share: 0.22 },
      { title: '', share: 0.4 },
      { title: 'Carries, of what it bears', share: 0.24 },
      { title: 'Found', share: 0.14 },
    ],
    readouts.wire.chain.map(({ name, what, load, severity }) => [
      name,
      what,
      load ? `${threeFigures(load.value)} of ${threeFigures(load.limit)} ${load.unit}` : '',
      FOUND[severity],
    ]),
  );
  findings(pack);
  heading(pack, 'Look over, unplugged');
  for (const point of LOOK_OVER)
    pdf.text(plain(`[   ]  ${point}`), MARGIN, pdf.y + 2, { indent: 4 });
  heading(pack, 'Always');
  for (const caution of CAUTIONS) pdf.text(plain(`- ${caution}`), { indent: 4 });
  signatures(pack);
}

const FOUND: Record<Severity, string> = {
  stop: 'STOP',
  look: 'look',
  unknown: 'not known',
  ok: '',
};

function heading({ pdf }: Pack, words: string): void {
  pdf
    .font('bold')
    .fontSize(11)
    .fillColor(INK)
    .text(words, MARGIN, pdf.y + 10);
  pdf.font('text').fontSize(9);
}

const shutBy = ({ stops, missing }: ReturnType<typeof gateOf>): string =>
  [
    ...(stops.length > 0 ? [`${stops.length} ${stops.length === 1 ? 'stop' : 'stops'}`] : []),
    ...(missing.length > 0 ? [`${missing.length} not known`] : []),
  ].join(', ');

function findings(pack: Pack): void {
  const { pdf, readouts } = pack;
  const said = saidOf(pack);
  const gate = gateOf(readouts.findings);
  pdf
    .font('bold')
    .fontSize(11)
    .fillColor(gate.open ? INK : '#8a1f12')
    .text(
      gate.open ? 'No stop among the checks made' : `Do not plug it in: ${shutBy(gate)}`,
      MARGIN,
      pdf.y + 8,
    );
  pdf
    .font('text')
    .fontSize(9)
    .fillColor(INK)
    .text(
      'Checked against the limits named below and no others; what the sums cannot know is for a competent person to see.',
      MARGIN,
    );
  for (const finding of readouts.findings.filter(({ severity }) => severity !== 'ok')) {
    pdf
      .font('bold')
      .fontSize(10)
      .fillColor(finding.severity === 'stop' ? '#8a1f12' : INK)
      .text(said(`${finding.severity.toUpperCase()}: ${finding.title}`), MARGIN, pdf.y + 6);
    pdf
      .font('text')
      .fontSize(9)
      .fillColor(INK)
      .text(
        said(
          `${finding.message}${finding.limit ? ` Limit: ${finding.limit}.` : ''} Source: ${finding.source}.`,
        ),
        { indent: 10 },
      );
  }
  const fine = readouts.findings.filter(({ severity }) => severity === 'ok');
  if (fine.length > 0)
    pdf
      .fontSize(9)
      .text(
        said(
          `Within the limits checked: ${fine.map(({ title, limit }) => (limit ? `${title} (${limit})` : title)).join('; ')}.`,
        ),
        MARGIN,
        pdf.y + 6,
      );
}

function signatures({ pdf, document, build, readouts }: Pack): void {
  // Beside “do not plug it in” no name may stand.
  if (!gateOf(readouts.findings).open) {
    pdf.text('Not to be signed while the gate is shut.', MARGIN, pdf.y + 18);
    return;
  }
  const mark = signedState(document, build, new Derivations());
  for (const signOff of build.signOffs) {
    const { name, date, copy } = signOff;
    const which = build.copies > 1 ? `Copy ${copy} signed` : 'Signed';
    pdf.text(
      plain(
        holds(signOff, build, mark)
          ? `${which} off by ${name} on ${date}.`
          : `Looked at by ${name} on ${date}, as it was then: look it over again.`,
      ),
      MARGIN,
      pdf.y + 8,
    );
  }
  pdf.text('Looked over by: ______________________    Date: ______________', MARGIN, pdf.y + 18);
}
