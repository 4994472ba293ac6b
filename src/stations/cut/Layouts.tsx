'use client';
import { useState } from 'react';
import { tooMuchForOne } from '@/core/shop/cutOrder';
import type { ClothPlan, CutPlan, SheetPlan, StickPlan } from '@/core/shop/cutPlan';
import { kerfOf } from '@/core/materials/cutting';
import { barLeftOversOf, barsAfter, leftOversOf, shedAfter } from '@/core/shop/offCuts';
import { clothView, orderOfCuts, pieceView, sheetView, sticksView } from '@/core/shop/planView';
import type { View } from '@/core/drawing/drawing';
import { percent, shopLength, show, showText, type UnitSystem } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import type { Spot } from '@/ui/drawing/SpotMark';
import { QUIET_VIEW, ViewDrawing } from '@/ui/drawing/ViewDrawing';
import { useSession } from '../shell/Workbench';
import { useEdits } from '../store/useEdits';

interface LayoutsProps {
  cuts: CutPlan;
  /** null for several builds together */
  copies: number | null;
  perSheet: Record<string, number>;
}

/** Sheets, sticks and cloth as pictures, each with what it yields and what it leaves. */
export default function Layouts({ cuts, copies, perSheet }: LayoutsProps) {
  if (cuts.plans.length === 0 && cuts.unchosen.length === 0)
    return <p>Nothing is cut for this light: it is bought and put together as it is.</p>;
  return (
    <div className="space-y-6">
      {cuts.unchosen.length > 0 && (
        <p className="border-l-4 border-look pl-2 text-sm">
          Not laid out yet, because nothing is chosen to cut them from:{' '}
          {[...new Set(cuts.unchosen.map(({ name }) => name))].join(', ')}. Choose the material in
          Build.
        </p>
      )}
      {cuts.plans.map((plan) => {
        switch (plan.kind) {
          case 'sheet':
            return (
              <Sheets
                key={plan.part.id}
                plan={plan}
                copies={copies}
                lights={perSheet[plan.part.id]}
              />
            );
          case 'stick':
            return <Sticks key={plan.part.id} plan={plan} />;
          case 'cloth':
            return <Cloth key={plan.part.id} plan={plan} />;
        }
      })}
    </div>
  );
}

const plural = (count: number, noun: string) => `${count} ${noun}${count === 1 ? '' : 's'}`;

/** “Saw 3 mm”, or that a knife takes nothing. */
const kerfText = (plan: SheetPlan | StickPlan, units: UnitSystem): string => {
  const kerfM = kerfOf(plan.part);
  return kerfM > 0 ? `a cut takes ${shopLength(kerfM, units)}` : 'a knife takes nothing';
};

function Sheets({
  plan,
  copies,
  lights,
}: {
  plan: SheetPlan;
  copies: number | null;
  lights?: number;
}) {
  const { nesting, part, pieces } = plan;
  const { units } = useDevice();
  const left = leftOversOf(plan);
  const kg = part.widthM * part.heightM * part.thicknessM * part.densityKgPerM3;
  return (
    <section data-plan-kind="sheet">
      <h2 className="text-lg">{part.name}</h2>
      <p className="text-[13px] text-ink-soft">
        {plural(pieces.length, 'piece')}
        {copies !== null && ` for ${plural(copies, 'light')}`} on{' '}
        {plural(nesting.sheets.length, 'sheet')}, {percent(plan.yield)} of it used
        {lights ? `; one new sheet gives ${plural(lights, 'light')}` : ''}; {kerfText(plan, units)}.
        Dashed lines go right through, in the order of their numbers.
        {tooMuchForOne(kg, Math.max(part.widthM, part.heightM)) &&
          ` A whole sheet is ${shopLength(Math.max(part.widthM, part.heightM), units)} long and ${showText(show(kg, 'mass', units))}: two people, or have the shop make cut 1.`}
      </p>
      {nesting.unplaced.length > 0 && (
        <p role="alert" className="my-1 bg-stop-wash p-2 text-sm">
          Too big for any sheet on the shelf:{' '}
          {[...new Set(nesting.unplaced.map((at) => pieces[at]!.name))].join(', ')}. Choose a bigger
          sheet or make the light smaller.
        </p>
      )}
      <div className={nesting.sheets.length > 1 ? 'mt-2 grid gap-4 lg:grid-cols-2' : 'mt-2'}>
        {nesting.sheets.map((sheet, at) => (
          <SheetPicture
            key={at}
            plan={plan}
            at={at}
            alone={nesting.sheets.length === 1}
            view={sheetView(plan, at, (metres) => shopLength(metres, units))}
            text={`${shopLength(sheet.widthM, units)} × ${shopLength(sheet.heightM, units)}, ${plural(sheet.placements.length, 'piece')}`}
            table={[
              ...sheet.placements.map(
                ({ piece, x, y, turned }) =>
                  [
                    `${plan.marks[piece]} ${pieces[piece]!.name}`,
                    `${shopLength(x, units)} right, ${shopLength(y, units)} up${turned ? ', turned' : ''}`,
                  ] as const,
              ),
              ...orderOfCuts(plan, at).map(
                ({ axis, atM }, k) =>
                  [
                    `Cut ${k + 1}`,
                    `${shopLength(atM, units)} from ${axis === 'x' ? 'the left' : 'below'}`,
                  ] as const,
              ),
            ]}
          />
        ))}
      </div>
      <LeftOver
        words={left.map(({ name, box, disc }) =>
          disc
            ? `${name} disc Ø ${shopLength(2 * disc.r, units)}`
            : `${name} ${shopLength(box!.w, units)} × ${shopLength(box!.h, units)}`,
        )}
        part={part}
        after={shedAfter(plan)}
      />
    </section>
  );
}

interface LeftOverProps {
  words: readonly string[];
  part: SheetPlan['part'] | StickPlan['part'];
  /** what the record says once it is cut */
  after: object;
}

/** What is worth keeping, and keeping it: the shelf cuts it before anything new. */
function LeftOver({ words, part, after }: LeftOverProps) {
  const edits = useEdits();
  const { say } = useSession();
  if (words.length === 0) return null;
  const keep = () => {
    edits.record('part', part.id, `keep what is left of ${part.name}`, (draft) => {
      Object.assign(draft, after);
    });
    say(`What is left of ${part.name} is on the shelf. Undo takes it back.`);
  };
  return (
    <p className="mt-1 text-[13px]">
      Left over: <span className="figure">{words.join(', ')}</span>.{' '}
      <button type="button" className="press !py-0.5" onClick={keep}>
        It is cut: keep what is left
      </button>
    </p>
  );
}

function Sticks({ plan }: { plan: StickPlan }) {
  const { cut, part } = plan;
  const { units } = useDevice();
  const bought = cut.bars.filter(({ onHand }) => !onHand).length;
  const long = (metres: number) => shopLength(metres, units);
  return (
    <section data-plan-kind="stick">
      <h2 className="text-lg">{part.name}</h2>
      <p className="text-[13px] text-ink-soft">
        {plural(plan.pieces.length, 'length')} from {plural(bought, 'bar')}
        {cut.bars.length > bought &&
          ` and ${plural(cut.bars.length - bought, 'off-cut')} on hand`}, {percent(plan.yield)}{' '}
        used; no plan can do with fewer than {cut.lowerBound}; {kerfText(plan, units)}.
      </p>
      {cut.tooLong.length > 0 && (
        <p role="alert" className="my-1 bg-stop-wash p-2 text-sm">
          Longer than the stock: {cut.tooLong.map((at) => plan.pieces[at]!.name).join(', ')}.
        </p>
      )}
      <Picture
        view={sticksView(plan, long)}
        text={`${plural(cut.bars.length, 'bar')}, top to bottom`}
        table={cut.bars.map(
          (bar, k) =>
            [
              `${bar.onHand ? 'Off-cut' : 'Bar'} ${k + 1}`,
              `${bar.pieces.map((at) => `${plan.marks[at]}: ${long(plan.pieces[at]!.lengthM)}`).join(' + ')}, ${long(bar.offCutM)} left`,
            ] as const,
        )}
      />
      <LeftOver
        words={barLeftOversOf(plan).map(({ name, lengthM }) => `${name} ${long(lengthM!)}`)}
        part={part}
        after={barsAfter(plan)}
      />
    </section>
  );
}

function Cloth({ plan }: { plan: ClothPlan }) {
  const { units } = useDevice();
  const length = (metres: number) => shopLength(metres, units);
  return (
    <section data-plan-kind="cloth">
      <h2 className="text-lg">{plan.part.name}</h2>
      <p className="text-[13px] text-ink-soft">
        {length(plan.totalM)} off a bolt {length(plan.part.widthM)} wide. Dashed lines are seams,
        and the bolt’s edges.
      </p>
      <Picture
        view={clothView(plan, length)}
        text={plural(plan.pieces.length, 'piece')}
        table={plan.pieces.map(
          ({ piece, cut, mark }) =>
            [
              `${mark} ${piece.name}`,
              `${plural(cut.panels, 'strip')} of ${length(cut.panelLengthM)} × ${length(cut.panelWidthM)}${cut.panels > 1 ? `, sewn ${cut.joined}` : ''}; comes out ${length(cut.finishedWidthM)} × ${length(cut.finishedHeightM)}`,
            ] as const,
        )}
      />
    </section>
  );
}

/** Flatter than this a picture takes the whole page's width, its letters half of that. */
const FLAT = 0.45;

/** A sheet whose pieces are pressed to see their own sizes. */
function SheetPicture({ plan, at, ...picture }: PictureProps & { plan: SheetPlan; at: number }) {
  const { units } = useDevice();
  const [open, setOpen] = useState<number | null>(null);
  const length = (metres: number) => shopLength(metres, units);
  const piece = open === null ? null : plan.pieces[open]!;
  const spots = plan.nesting.sheets[at]!.placements.map(({ piece: own, x, y, w, h }) => ({
    name: `${plan.marks[own]} ${plan.pieces[own]!.name}`,
    x,
    y,
    w,
    h,
    open: own === open,
    onPress: () => setOpen(own === open ? null : own),
  }));
  return (
    <div>
      <Picture {...picture} spots={spots} />
      {piece && (
        <div className="mt-2 border-l-4 border-brass pl-2" data-piece={piece.id}>
          <h3 className="text-sm font-semibold">
            {plan.marks[open!]} {piece.name}: {length(piece.widthM)} × {length(piece.heightM)}
            {piece.thicknessM > 0 && `, ${length(piece.thicknessM)} thick`}
          </h3>
          <div className="h-52">
            <ViewDrawing view={pieceView(piece, length)} lengthText={length} {...QUIET_VIEW} />
          </div>
        </div>
      )}
    </div>
  );
}

interface PictureProps {
  view: View;
  text: string;
  table: readonly (readonly [string, string])[];
  spots?: readonly Spot[];
  /** the only one of its kind: larger, its table beside it */
  alone?: boolean;
}

function Picture({ view, text, table, spots, alone = false }: PictureProps) {
  const [left, bottom, right, top] = view.bounds;
  const flat = (top - bottom) / (right - left);
  const wide = !spots && flat < FLAT;
  const rows = (
    <table className="rows">
      <tbody>
        {table.map(([name, words], at) => (
          <tr key={at}>
            <td>{name}</td>
            <td>{words}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
  const picture = (
    <>
      <div
        className={alone && !wide ? 'max-h-[clamp(320px,calc(100dvh-330px),760px)] w-full' : ''}
        style={
          alone && !wide
            ? { aspectRatio: 1 / flat }
            : { height: Math.min(330, Math.max(70, flat * (wide ? 800 : 400))) }
        }
      >
        <ViewDrawing
          view={view}
          mostLetter={wide ? 15 : 29}
          faces
          lengthText={() => ''}
          spots={spots}
          {...QUIET_VIEW}
        />
      </div>
      <figcaption className="text-[13px] text-ink-soft">{text}</figcaption>
    </>
  );
  return alone ? (
    <figure className="grid items-start gap-x-6 gap-y-2 text-sm md:grid-cols-[3fr_2fr]">
      <div className="top-2 md:sticky">{picture}</div>
      {rows}
    </figure>
  ) : (
    <figure>
      {picture}
      <details className="text-sm">
        <summary>As a table</summary>
        {rows}
      </details>
    </figure>
  );
}
