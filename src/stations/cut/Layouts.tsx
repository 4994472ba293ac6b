'use client';
import type { ClothPlan, CutPlan, SheetPlan, StickPlan } from '@/core/shop/cutPlan';
import { clothView, sheetView, sticksView } from '@/core/shop/planView';
import type { View } from '@/core/drawing/drawing';
import { show, showText, percent } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { QUIET_VIEW, ViewDrawing } from '@/ui/drawing/ViewDrawing';

interface LayoutsProps {
  cuts: CutPlan;
  copies: number;
  perSheet: Record<string, number>;
}

/** Sheets, sticks and cloth as pictures, each with what it yields. */
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

function Sheets({ plan, copies, lights }: { plan: SheetPlan; copies: number; lights?: number }) {
  const { nesting, part, pieces } = plan;
  const { units } = useDevice();
  return (
    <section data-plan-kind="sheet">
      <h2 className="text-lg">{part.name}</h2>
      <p className="text-[13px] text-ink-soft">
        {plural(pieces.length, 'piece')} for {plural(copies, 'light')} on{' '}
        {plural(nesting.sheets.length, 'sheet')}, {percent(plan.yield)} of it used
        {lights ? `; one new sheet gives ${plural(lights, 'light')}` : ''}. Saw 3 mm.
      </p>
      {nesting.unplaced.length > 0 && (
        <p role="alert" className="my-1 bg-stop-wash p-2 text-sm">
          Too big for any sheet on the shelf:{' '}
          {[...new Set(nesting.unplaced.map((at) => pieces[at]!.name))].join(', ')}. Choose a bigger
          sheet or make the light smaller.
        </p>
      )}
      <div className="mt-2 grid gap-4 lg:grid-cols-2">
        {nesting.sheets.map((sheet, at) => (
          <Picture
            key={at}
            view={sheetView(plan, at)}
            text={`${showText(show(sheet.widthM, 'length', units))} × ${showText(show(sheet.heightM, 'length', units))}, ${plural(sheet.placements.length, 'piece')}`}
            table={sheet.placements.map(
              ({ piece, x, y, turned }) =>
                [
                  pieces[piece]!.name,
                  `${Math.round(x * 1000)} mm right, ${Math.round(y * 1000)} mm up${turned ? ', turned' : ''}`,
                ] as const,
            )}
          />
        ))}
      </div>
    </section>
  );
}

function Sticks({ plan }: { plan: StickPlan }) {
  const { cut, part } = plan;
  const bought = cut.bars.filter(({ onHand }) => !onHand).length;
  return (
    <section data-plan-kind="stick">
      <h2 className="text-lg">{part.name}</h2>
      <p className="text-[13px] text-ink-soft">
        {plural(plan.pieces.length, 'length')} from {plural(bought, 'bar')}
        {cut.bars.length > bought &&
          ` and ${plural(cut.bars.length - bought, 'off-cut')} on hand`}, {percent(plan.yield)}{' '}
        used; no plan can do with fewer than {cut.lowerBound}. Lengths in mm, saw 2 mm.
      </p>
      {cut.tooLong.length > 0 && (
        <p role="alert" className="my-1 bg-stop-wash p-2 text-sm">
          Longer than the stock: {cut.tooLong.map((at) => plan.pieces[at]!.name).join(', ')}.
        </p>
      )}
      <Picture
        view={sticksView(plan)}
        text={`${plural(cut.bars.length, 'bar')}, top to bottom`}
        table={cut.bars.map(
          (bar, k) =>
            [
              `${bar.onHand ? 'Off-cut' : 'Bar'} ${k + 1}`,
              `${bar.pieces.map((at) => Math.round(plan.pieces[at]!.lengthM * 1000)).join(' + ')} mm, ${Math.round(bar.offCutM * 1000)} mm left`,
            ] as const,
        )}
      />
    </section>
  );
}

function Cloth({ plan }: { plan: ClothPlan }) {
  const { units } = useDevice();
  const length = (metres: number) => showText(show(metres, 'length', units));
  return (
    <section data-plan-kind="cloth">
      <h2 className="text-lg">{plan.part.name}</h2>
      <p className="text-[13px] text-ink-soft">
        {length(plan.totalM)} off a bolt {length(plan.part.widthM)} wide. Dashed lines are seams.
      </p>
      <Picture
        view={clothView(plan)}
        text={plural(plan.pieces.length, 'piece')}
        table={plan.pieces.map(
          ({ piece, cut }) =>
            [
              piece.name,
              `${plural(cut.panels, 'length')} of ${length(cut.panelLengthM)}, comes out ${length(cut.finishedWidthM)} × ${length(cut.finishedHeightM)}`,
            ] as const,
        )}
      />
    </section>
  );
}

interface PictureProps {
  view: View;
  text: string;
  table: readonly (readonly [string, string])[];
}

function Picture({ view, text, table }: PictureProps) {
  const [left, bottom, right, top] = view.bounds;
  const flat = (top - bottom) / (right - left);
  return (
    <figure>
      <div style={{ height: Math.min(330, Math.max(70, flat * 400)) }}>
        <ViewDrawing view={view} textSize={29} lengthText={() => ''} {...QUIET_VIEW} />
      </div>
      <figcaption className="text-[13px] text-ink-soft">{text}</figcaption>
      <details className="text-sm">
        <summary>As a table</summary>
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
      </details>
    </figure>
  );
}
