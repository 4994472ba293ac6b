'use client';
import { useMemo } from 'react';
import { nanoid } from 'nanoid';
import { addRecord, changeRecord, removeRecord, together, type Change } from '@/core/document/edit';
import { freeName } from '@/core/document/records';
import type { Setup } from '@/core/set/setup';
import { newThing, THINGS, type Thing, type ThingKind } from '@/core/set/things';
import { useProductionStore } from '../store/context';

type Recipe = (draft: Thing) => void;

/** Changes of one setup and what stands in it. */
export function useSetEdits(setup: Setup) {
  const store = useProductionStore();
  const { id } = setup;
  return useMemo(() => {
    const make = (label: string, change: Change) => store.getState().change(label, change);
    const changed = (thingId: string, recipe: Recipe): Change =>
      changeRecord({ kind: 'thing', of: id, id: thingId }, recipe);
    return {
      changed,
      setup: (label: string, recipe: (draft: Setup) => void) =>
        make(label, changeRecord({ kind: 'setup', id }, recipe)),
      thing: ({ id: thingId, name }: Pick<Thing, 'id' | 'name'>, label: string, recipe: Recipe) =>
        make(`${name}: ${label}`, changed(thingId, recipe)),
      /** several as one */
      things: (label: string, recipes: readonly (readonly [id: string, recipe: Recipe])[]) =>
        make(label, together(...recipes.map(([thingId, recipe]) => changed(thingId, recipe)))),
      /** brings one in; its id, or null when it was not taken */
      add: <K extends ThingKind>(
        kind: K,
        more: Partial<Extract<Thing, { kind: K }>> = {},
      ): string | null => {
        const now = store.getState().document.setups.find((each) => each.id === id);
        const name = freeName(more.name ?? THINGS[kind].name.split(',')[0]!, now?.things ?? []);
        const thing = newThing(kind, nanoid(8), name, { ...more, name });
        const refused = make(`bring in ${name}`, addRecord({ kind: 'thing', of: id }, thing));
        return refused === null ? thing.id : null;
      },
      remove: ({ id: thingId, name }: Pick<Thing, 'id' | 'name'>) =>
        make(`take out ${name}`, removeRecord({ kind: 'thing', of: id, id: thingId })),
      preview: (change: Change) => store.getState().preview(change),
      settle: (label: string) => store.getState().settle(label),
      abandon: () => store.getState().abandon(),
    };
  }, [store, id]);
}
export type SetEdits = ReturnType<typeof useSetEdits>;
