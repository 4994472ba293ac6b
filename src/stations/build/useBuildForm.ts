'use client';
import { useMemo } from 'react';
import { setParameterInPlace } from '@/core/document/commands';
import type { Build } from '@/core/document/production';
import { sceneOf } from '@/core/evaluate/context';
import { FORMS, readParameters } from '@/core/forms';
import { changeParameters } from '@/core/forms/change';
import type { Field, Range } from '@/core/forms/form';
import { useProduction, useProductionStore } from '../store/context';

export type Parameters = Build['parameters'];

/** The form of a build with what its fields and handles need; null for a form not known here. */
export function useBuildForm(build: Build) {
  const store = useProductionStore();
  const document = useProduction((state) => state.document);
  return useMemo(() => {
    const form = FORMS.get(build.form);
    const read = form && readParameters(form, build.parameters);
    if (!form || !read?.ok) return null;
    const { context } = sceneOf(document, build);
    const limits = form.limits(read.value, context);
    const labelOf = (parameter: string) =>
      form.fields.find((field) => field.parameter === parameter)?.label ?? parameter;

    return {
      form,
      context,
      values: build.parameters,
      /** the field's own range, narrowed by the other parameters */
      rangeOf: (field: Extract<Field, { kind: 'quantity' }>): Range => {
        const limit = limits[field.parameter];
        return {
          min: Math.max(field.min, limit?.min ?? field.min),
          max: Math.min(field.max, limit?.max ?? field.max),
        };
      },
      /** Takes a change, or says why it cannot be made. */
      commit: (changes: Parameters): string | null => {
        const checked = changeParameters(form, build.parameters, changes, context);
        if (!checked.ok) return checked.problems[0]!.message;
        const names = Object.keys(changes).map(labelOf).join(', ');
        store
          .getState()
          .change(`${names} of ${build.name}`, (draft) =>
            setParameterInPlace(draft, build.id, changes),
          );
        return null;
      },
      /** Shows a change while a handle is held; what cannot be made is not shown. */
      preview: (changes: Parameters): void => {
        if (!changeParameters(form, build.parameters, changes, context).ok) return;
        store.getState().preview((draft) => setParameterInPlace(draft, build.id, changes));
      },
      settle: (parameter: string): void =>
        store.getState().settle(`${labelOf(parameter)} of ${build.name}`),
      abandon: (): void => store.getState().abandon(),
    };
  }, [build, document, store]);
}

export type BuildForm = NonNullable<ReturnType<typeof useBuildForm>>;
