import type { Need } from '@/core/build/needs';
import type { Step } from '@/core/build/step';
import type { SimulatedWorkedOut as Readouts } from '@/core/evaluate/simulated';
import { HARDWARE } from '@/core/materials/hardware';
import { moneyFormatter, show, showText } from '@/core/quantity';
import { amountText, keyOf } from '@/core/shop/purchase';
import { sawList } from '@/core/shop/sawList';
import { lengthOf, MARGIN, saidOf, section, type Pack } from './packPage';
import { plain } from './paper';
import { writeTable } from './pdfTable';

/** Room a list wants before it goes on below another. */
const LIST_PT = 150;

export function marks(pack: Pack): void {
  const { pdf, readouts, units } = pack;
  const [length, said] = [lengthOf(pack), saidOf(pack)];
  section(pack, 'Marks and lengths', LIST_PT);
  const value = (fact: Readouts['facts'][number]) =>
    fact.dimension === 'length'
      ? length(fact.value)
      : showText(show(fact.value, fact.dimension, units));
  writeTable(
    pdf,
    [
      { title: 'Figure', share: 0.42 },
      { title: '', share: 0.18, right: true },
      { title: 'How', share: 0.4 },
    ],
    readouts.facts.map((fact) => [fact.label, value(fact), said(fact.working)]),
  );
  for (const [at, piece] of readouts.pieces.entries()) {
    if (piece.markOut.length === 0) continue;
    pdf
      .font('bold')
      .fontSize(10)
      .fillColor('#1c160e')
      .text(plain(`${at + 1}. ${piece.count} × ${piece.name}`), MARGIN, pdf.y + 8);
    pdf.font('text').fontSize(9);
    for (const mark of piece.markOut) pdf.text(said(mark), { indent: 8 });
  }
}

export function saw(pack: Pack): void {
  const rows = sawList(pack.readouts.cuts);
  if (rows.length === 0) return;
  const length = lengthOf(pack);
  section(pack, 'At the saw', LIST_PT);
  writeTable(
    pack.pdf,
    [
      { title: 'From', share: 0.3 },
      { title: 'Piece', share: 0.24 },
      { title: 'Write on it', share: 0.14 },
      { title: 'Count', share: 0.08, right: true },
      { title: 'Length', share: 0.12, right: true },
      { title: 'Width', share: 0.12, right: true },
    ],
    rows.map((row) => [
      `${row.material}, ${row.from}`,
      row.piece,
      row.marks.join(', '),
      String(row.count),
      length(row.lengthM),
      row.widthM === null ? '' : length(row.widthM),
    ]),
  );
}

export function shopping(pack: Pack): void {
  const { pdf, document, readouts } = pack;
  const { purchase, cuts } = readouts;
  const length = lengthOf(pack);
  const money = moneyFormatter(document.currency);
  section(pack, 'Shopping', LIST_PT);
  writeTable(
    pdf,
    [
      { title: 'What', share: 0.4 },
      { title: 'Needed', share: 0.14, right: true },
      { title: 'On hand', share: 0.12, right: true },
      { title: 'Packs', share: 0.1, right: true },
      { title: 'Now', share: 0.12, right: true },
      { title: 'Full', share: 0.12, right: true },
    ],
    [
      ...purchase.lines.map((line) => [
        line.needed > 0 ? line.name : `${line.name}: from off-cuts on hand`,
        amountText(line.needed, line.measure, pack.units),
        amountText(line.onHand, line.measure, pack.units),
        String(line.packsNow),
        line.priced ? money(line.spentNowMinor) : 'no price',
        line.priced ? money(line.fullMinor) : '',
      ]),
      ...cuts.unchosen.map((piece) => [
        `To choose: ${piece.name}, ${piece.kind === 'stick' ? length(piece.lengthM) : `${length(piece.widthM)} × ${length(piece.heightM)}`}`,
        String(piece.count * pack.build.copies),
        '',
        '',
        'no price',
        '',
      ]),
    ],
  );
  pdf
    .font('bold')
    .fontSize(10)
    .fillColor('#1c160e')
    .text(
      plain(
        `Spent now ${money(purchase.spentNowMinor)}; full cost ${money(purchase.fullMinor)}, ${money(purchase.fullPerLightMinor)} for each light; stock that counts ${money(purchase.stockMinor)}. Tax ${document.taxIncluded ? 'included' : 'not included'}.`,
      ),
      MARGIN,
      pdf.y + 8,
    );
  if (purchase.unpriced)
    pdf
      .font('text')
      .fontSize(9)
      .text(`${purchase.unpriced} without a price: the sums are that much too low.`);
}

const minutesText = ({ minutes, waitMinutes }: Step): string =>
  `${minutes} min${waitMinutes ? `, then ${waitMinutes} min of waiting` : ''}`;

const hours = (minutes: number): string => (minutes / 60).toFixed(1);

/** Work of all copies: each by itself; waiting goes on side by side. */
export function workText(steps: readonly Step[], copies: number): string {
  const minutes = steps.reduce((sum, step) => sum + step.minutes, 0);
  return copies === 1
    ? `about ${hours(minutes)} hours`
    : `about ${hours(minutes)} hours for one light, ${hours(minutes * copies)} for the ${copies}`;
}

/** What a step takes off the bench, for one light. */
function takes(pack: Pack, step: Step): string {
  const { needs, purchase } = pack.readouts;
  const names = new Map(purchase.lines.map(({ key, name }) => [key, name]));
  // What it is, not what box it comes in.
  const nameOf = (item: Need['item']) =>
    item.kind === 'hardware'
      ? [item.size, HARDWARE[item.id].name].filter(Boolean).join(' ')
      : (names.get(keyOf(item)) ?? String(item.id));
  const taken = new Map<string, Need>();
  for (const need of needs.filter((each) => each.step === step.id)) {
    const name = nameOf(need.item);
    taken.set(name, { ...need, quantity: need.quantity + (taken.get(name)?.quantity ?? 0) });
  }
  return [...taken]
    .map(([name, { quantity, measure }]) =>
      measure === 'piece'
        ? `${Math.ceil(quantity)} × ${name}`
        : `${amountText(quantity, measure, pack.units)} of ${name}`,
    )
    .join('; ');
}

export function steps(pack: Pack): void {
  const { pdf, readouts, build } = pack;
  const said = saidOf(pack);
  const numbers = new Map(readouts.pieces.map(({ id }, at) => [id, at + 1]));
  section(pack, `Steps, ${workText(readouts.steps, build.copies)}`, LIST_PT);
  readouts.steps.forEach((step, k) => {
    const pieces = step.pieces.flatMap((id) => numbers.get(id) ?? []);
    const taken = takes(pack, step);
    pdf
      .font('bold')
      .fontSize(10)
      .fillColor('#1c160e')
      .text(plain(`[  ] ${k + 1}. ${step.title} (${minutesText(step)})`), MARGIN, pdf.y + 5);
    pdf.font('text').fontSize(9);
    pdf.text(said(`${step.why}. With: ${step.tools.join(', ')}. Check: ${step.check}.`), {
      indent: 10,
    });
    if (taken) pdf.text(plain(`Takes: ${taken}.`), { indent: 10 });
    if (pieces.length) pdf.text(plain(`Pieces: ${pieces.join(', ')}.`), { indent: 10 });
    for (const hazard of step.hazards)
      pdf
        .font('bold')
        .fontSize(9)
        .fillColor('#8a1f12')
        .text(said(`Caution: ${hazard}`), { indent: 10 });
  });
}

/** What has to go into the car, and how large and heavy each of it is. */
export function car(pack: Pack): void {
  const { pdf, readouts, build, units } = pack;
  const length = lengthOf(pack);
  const { folded, parcels, massKg } = readouts;
  // A window stays where it is.
  if (massKg === 0) return;
  section(pack, 'In the car', LIST_PT);
  const beside = parcels.reduce((sum, parcel) => sum + parcel.massKg, 0);
  const size = ({ widthM, heightM, depthM }: typeof folded) =>
    [widthM, heightM, depthM].map(length).join(' × ');
  writeTable(
    pdf,
    [
      { title: 'What', share: 0.4 },
      { title: 'Count', share: 0.12, right: true },
      { title: 'Size', share: 0.32 },
      { title: 'Mass of one', share: 0.16, right: true },
    ],
    [
      [build.name, size(folded), massKg - beside] as const,
      ...parcels.map((parcel) => [parcel.name, size(parcel), parcel.massKg] as const),
    ].map(([name, text, mass]) => [
      name,
      String(build.copies),
      text,
      showText(show(Math.max(0, mass), 'mass', units)),
    ]),
  );
}
