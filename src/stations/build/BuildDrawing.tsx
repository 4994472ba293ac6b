'use client';
import { useMemo, useState } from 'react';
import { cctCss } from '@/core/colour/display';
import type { Drawing, View } from '@/core/drawing/drawing';
import { editText, shopLength } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import type { Grip } from '@/ui/drawing/HandleMark';
import { ViewDrawing } from '@/ui/drawing/ViewDrawing';
import { usePointedIn } from '../shell/usePointed';
import { useSession } from '../shell/Workbench';
import type { BuildForm } from './useBuildForm';

interface BuildDrawingProps {
  drawing: Drawing;
  form: BuildForm;
  /** of the light it gives; null while it gives none */
  cctK: number | null;
}

/** Beside the large view a wiring picture has no room for its words. */
const small = (view: View): View =>
  view.id === 'wiring'
    ? { ...view, shapes: view.shapes.filter(({ kind }) => kind !== 'text') }
    : view;

/** Wires and distances are drawn with the light off. */
const isDark = ({ id }: View): boolean => id === 'wiring' || id === 'throw';

/** One view large, the others beside it; any of them can be made the large one. */
export function BuildDrawing({ drawing, form, cctK }: BuildDrawingProps) {
  const { units } = useDevice();
  const { pointed } = useSession();
  const pointedRef = usePointedIn(pointed, (state) => state.ref);
  const grips = useMemo(() => gripsOf(form, units), [form, units]);
  const on = useMemo(
    () => ({
      onPull: (parameter: string, value: number) => form.preview({ [parameter]: value }),
      onSettle: form.settle,
      onAbandon: form.abandon,
      onGrip: (parameter: string) => {
        const field = form.fields.find((each) => each.parameter === parameter);
        if (field) pointed.getState().openGroup(field.group);
      },
    }),
    [form, pointed],
  );
  // As in the lists: two lengths of one light are never in two units.
  const lengthText = (metres: number) => shopLength(metres, units);
  const [mainId, setMainId] = useState<string | null>(null);
  const main = drawing.views.find(({ id }) => id === mainId) ?? drawing.views[0];
  const others = drawing.views.filter((view) => view !== main);
  const shared = { pointedRef, lengthText, grips, on };
  const glowOf = (view: View) => (cctK === null || isDark(view) ? null : cctCss(cctK));
  return (
    <div className="grid h-full min-h-0 grid-cols-[1.55fr_1fr] gap-3 max-md:block">
      {main && (
        <figure className="flex min-h-0 flex-col max-md:h-[380px]">
          <div className="min-h-0 flex-1">
            <ViewDrawing
              view={main}
              textSize={25}
              {...shared}
              scaleBar={units}
              glow={glowOf(main)}
            />
          </div>
          <figcaption className="text-center text-[13px] text-ink-soft">
            {main.title}.{main.handles.length > 0 && ' Pull a brass knob.'}
          </figcaption>
        </figure>
      )}
      <div
        className="flex min-h-0 flex-col gap-1 overflow-y-auto"
        tabIndex={0}
        role="group"
        aria-label="Other views"
      >
        {others.map((view) => (
          <figure
            key={view.id}
            className="flex min-h-[205px] flex-1 flex-col max-md:h-[260px]"
            style={{ flexGrow: growth(view) }}
          >
            <div className="min-h-0 flex-1">
              <ViewDrawing
                view={small(view)}
                textSize={sideText(view)}
                {...shared}
                glow={glowOf(view)}
              />
            </div>
            <figcaption className="text-center text-[13px]">
              <button
                type="button"
                className="text-ink-soft underline decoration-line-strong underline-offset-2 hover:text-ink"
                title="Show this view large"
                onClick={() => setMainId(view.id)}
              >
                {view.title}
              </button>
            </figcaption>
          </figure>
        ))}
      </div>
    </div>
  );
}

/** Words of about 13 px: a flat view is as wide as its column, a tall one as high as its place. */
function sideText({ bounds: [left, bottom, right, top] }: View): number {
  return top - bottom > 0.6 * (right - left) ? 60 : 40;
}

/** Tall views want more of the column than flat ones. */
function growth({ bounds: [left, bottom, right, top] }: View): number {
  return Math.min(2.4, Math.max(1, (2.2 * (top - bottom)) / (right - left)));
}

/** What each handle holds, by parameter. */
function gripsOf(
  form: BuildForm,
  units: ReturnType<typeof useDevice>['units'],
): Record<string, Grip> {
  const measured = form.fields.flatMap((field) => (field.kind === 'quantity' ? [field] : []));
  return Object.fromEntries(
    measured.map((field) => {
      const value = form.values[field.parameter] as number;
      const valueText =
        field.dimension === 'count' ? String(value) : editText(value, field.dimension, units);
      return [field.parameter, { value, valueText, range: form.rangeOf(field), step: field.step }];
    }),
  );
}
