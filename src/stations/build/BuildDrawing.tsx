'use client';
import { useMemo } from 'react';
import type { Drawing } from '@/core/forms/drawing';
import { editText, show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import type { Grip } from '@/ui/drawing/HandleMark';
import { ViewDrawing } from '@/ui/drawing/ViewDrawing';
import { usePointedIn } from '../shell/usePointed';
import { useSession } from '../shell/Workbench';
import type { BuildForm } from './useBuildForm';

/** The first view large, the others beside it. */
export function BuildDrawing({ drawing, form }: { drawing: Drawing; form: BuildForm }) {
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
        const field = form.form.fields.find((each) => each.parameter === parameter);
        if (field) pointed.getState().openGroup(field.group);
      },
    }),
    [form, pointed],
  );
  const lengthText = (metres: number) => showText(show(metres, 'length', units));
  const [front, ...others] = drawing.views;
  const shared = { pointedRef, lengthText, grips, on };
  return (
    <div className="grid h-full min-h-0 grid-cols-[1.55fr_1fr] gap-3 max-md:block">
      {front && (
        <figure className="flex min-h-0 flex-col max-md:h-[380px]">
          <div className="min-h-0 flex-1">
            <ViewDrawing view={front} textSize={25} {...shared} />
          </div>
          <figcaption className="text-center text-[13px] text-ink-soft">
            {front.title}. Pull a brass knob.
          </figcaption>
        </figure>
      )}
      <div className="grid min-h-0 grid-rows-[1fr_2.4fr] gap-1">
        {others.map((view) => (
          <figure key={view.id} className="flex min-h-0 flex-col max-md:h-[260px]">
            <div className="min-h-0 flex-1">
              <ViewDrawing view={view} textSize={38} {...shared} />
            </div>
            <figcaption className="text-center text-[13px] text-ink-soft">{view.title}</figcaption>
          </figure>
        ))}
      </div>
    </div>
  );
}

/** What each handle holds, by parameter. */
function gripsOf(
  form: BuildForm,
  units: ReturnType<typeof useDevice>['units'],
): Record<string, Grip> {
  const measured = form.form.fields.flatMap((field) => (field.kind === 'quantity' ? [field] : []));
  return Object.fromEntries(
    measured.map((field) => {
      const value = form.values[field.parameter] as number;
      const valueText =
        field.dimension === 'count' ? String(value) : editText(value, field.dimension, units);
      return [field.parameter, { value, valueText, range: form.rangeOf(field), step: field.step }];
    }),
  );
}
