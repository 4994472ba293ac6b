'use client';
import type { Build } from '@/core/document/production';
import type { Fixture } from '@/core/verdict/fixture';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

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
  const edits = useEdits();
  const fixtures = useProduction((state) => state.document.fixtures);
  const choose = (id: string) =>
    edits.record('build', build.id, `fixture of ${build.name}`, (target) => {
      target.fixtureId = id as Fixture['id'];
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
