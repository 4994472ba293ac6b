'use client';
import type { Build } from '@/core/document/production';
import type { Fixture } from '@/core/verdict/fixture';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useProduction, useProductionStore } from '../store/context';

/** The fixture a build is held against, wherever that is done. */
export function FixtureChoice({
  build,
  fixture,
  label,
}: {
  build: Build;
  fixture: Fixture;
  label: string;
}) {
  const store = useProductionStore();
  const fixtures = useProduction((state) => state.document.fixtures);
  const choose = (id: string) =>
    store.getState().change(`fixture of ${build.name}`, (draft) => {
      const target = draft.builds.find((each) => each.id === build.id);
      if (target) target.fixtureId = id as Fixture['id'];
    });
  return (
    <ChoiceField
      label={label}
      value={fixture.id as string}
      options={fixtures.map(({ id, name }) => ({ value: id as string, label: name }))}
      onCommit={choose}
    />
  );
}
