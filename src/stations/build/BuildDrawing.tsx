'use client';
import { useMemo, useState } from 'react';
import { cctCss, uvCss } from '@/core/colour/display';
import { glowAt } from '@/core/evaluate/lampGlow';
import type { WorkedOut } from '@/core/evaluate/readouts';
import type { Shape, View } from '@/core/drawing/drawing';
import { editText, shopLength } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import type { Grip } from '@/ui/drawing/HandleMark';
import { ViewDrawing } from '@/ui/drawing/ViewDrawing';
import { usePointedIn } from '../shell/usePointed';
import { useSession } from '../shell/Workbench';
import type { BuildForm } from './useBuildForm';

interface BuildDrawingProps {
  readouts: Pick<WorkedOut, 'drawing' | 'glows' | 'cctK' | 'uv'>;
  form: BuildForm;
}

/** Beside the large view a picture has no room for words; its sizes stay. */
const small = (view: View): View => ({
  ...view,
  shapes: view.shapes.filter(({ kind }) => kind !== 'text'),
});

/** Wires and distances are drawn with the light off. */
const isDark = ({ id }: View): boolean => id === 'wiring' || id === 'throw';

/** One view large, the others beside it; any of them can be made the large one. */
export function BuildDrawing({ readouts, form }: BuildDrawingProps) {
  const { drawing, glows, cctK, uv } = readouts;
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
  const lampGlow = (shape: Shape) => {
    const glow = glowAt(glows, cctK, shape.ref);
    return glow && { colour: uv ? uvCss(uv) : cctCss(glow.cctK), strength: strengthOf(glow.level) };
  };
  const lit = (view: View) => (isDark(view) ? {} : { glowOf: lampGlow, faces: true });
  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)] gap-3 max-lg:h-[560px] max-md:block max-md:h-auto">
      {main && (
        <figure className="flex min-h-0 flex-col max-md:h-[380px]">
          <div className="min-h-0 flex-1">
            <ViewDrawing view={main} {...shared} scaleBar={units} {...lit(main)} />
          </div>
          <figcaption className="text-center text-[13px] text-ink-soft">
            {main.title}.{main.handles.length > 0 && ' Pull a brass knob.'}
          </figcaption>
        </figure>
      )}
      <div
        className="grid min-h-0 auto-rows-[minmax(130px,1fr)] grid-cols-2 gap-x-2 gap-y-1 overflow-y-auto max-md:block"
        tabIndex={0}
        role="group"
        aria-label="Other views"
      >
        {others.map((view) => (
          <figure
            key={view.id}
            className={`flex min-h-0 flex-col max-md:h-[260px] ${isFlat(view) || others.length < 3 ? 'col-span-2' : ''}`}
          >
            <div className="min-h-0 flex-1">
              <ViewDrawing view={small(view)} {...shared} {...lit(view)} />
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

/** Lightness goes by the cube root of light [std: CIE 1976 L*]; a lamp that is on never looks off. */
const strengthOf = (level: number): number => 0.2 + 0.8 * Math.cbrt(level);

/** Flat views take the column's whole width, others stand two side by side. */
function isFlat({ bounds: [left, bottom, right, top] }: View): boolean {
  return top - bottom < 0.62 * (right - left);
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
