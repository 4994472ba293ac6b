'use client';
import { useMemo } from 'react';
import { ACCESSORIES } from '@/core/accessories';
import { setParameters } from '@/core/document/records';
import type { Build, BuildParameters } from '@/core/document/production';
import { sceneOf } from '@/core/evaluate/context';
import { FORMS, readParameters } from '@/core/forms';
import { changeAccessory, changeParameters } from '@/core/document/change';
import { rangeOf } from '@/core/forms/range';
import type { Field, Limits } from '@/core/forms/form';
import { useProduction, useProductionStore } from '../store/context';

/** An accessory's fields as the tray shows them: parameters wear its id, drawers its name. */
function accessoryFields(build: Build): Field[] {
  return build.accessories.flatMap(({ id, kind }) => {
    const accessory = ACCESSORIES.get(kind);
    if (!accessory) return [];
    return accessory.fields.map((field): Field => ({
      ...field,
      parameter: `${id}.${field.parameter}`,
      group: accessory.name,
      ...(field.when
        ? { when: { ...field.when, parameter: `${id}.${field.when.parameter}` } }
        : {}),
    }));
  });
}

const accessoryValues = (build: Build): BuildParameters =>
  Object.fromEntries(
    build.accessories.flatMap(({ id, parameters }) =>
      Object.entries(parameters).map(([name, value]) => [`${id}.${name}`, value]),
    ),
  );

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
    const fields = [...form.fields, ...accessoryFields(build)];
    const labelOf = (parameter: string) =>
      fields.find((field) => field.parameter === parameter)?.label ?? parameter;

    /** Own parameters are judged by the form, those with an id before them by their accessory. */
    const judged = (changes: BuildParameters) => {
      const [name] = Object.keys(changes);
      const [owner, own] = (name ?? '').split('.');
      if (!own) return changeParameters(form, build.parameters, changes, context);
      const accessory = build.accessories.find(({ id }) => id === owner)!;
      const plain = Object.fromEntries(
        Object.entries(changes).map(([key, value]) => [key.split('.')[1]!, value]),
      );
      return changeAccessory(ACCESSORIES.get(accessory.kind)!, accessory.parameters, plain);
    };

    return {
      form,
      context,
      fields,
      values: { ...build.parameters, ...accessoryValues(build) } as BuildParameters,
      rangeOf: (field: Extract<Field, { kind: 'quantity' }>): Limits =>
        rangeOf(field, limits[field.parameter]),
      /** Takes a change, or says why it cannot be made. */
      commit: (changes: BuildParameters): string | null => {
        const checked = judged(changes);
        if (!checked.ok) return checked.problems[0]!.message;
        const names = Object.keys(changes).map(labelOf).join(', ');
        return store
          .getState()
          .change(`${names} of ${build.name}`, setParameters(build.id, changes));
      },
      /** Shows a change while a handle is held; what cannot be made is not shown. */
      preview: (changes: BuildParameters): void => {
        if (!judged(changes).ok) return;
        store.getState().preview(setParameters(build.id, changes));
      },
      settle: (parameter: string): void => {
        store.getState().settle(`${labelOf(parameter)} of ${build.name}`);
      },
      abandon: (): void => store.getState().abandon(),
    };
  }, [build, document, store]);
}

export type BuildForm = NonNullable<ReturnType<typeof useBuildForm>>;
