'use client';
import dynamic from 'next/dynamic';
import type { Fixture } from '@/core/verdict/fixture';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { NoBuild } from '../build/NoBuild';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction, useProductionStore } from '../store/context';
import { VerdictTable } from './VerdictTable';

/** The chart library is heavy and only wanted here. */
const FallOffChart = dynamic(() => import('./FallOffChart'), { ssr: false });

export function VerdictStation() {
  const store = useProductionStore();
  const { build, readouts } = useWorkplace();
  const document = useProduction((state) => state.document);
  if (!build || !readouts) return <NoBuild />;
  const shot = document.shots.find(({ id }) => id === build.shotId);
  const fixture =
    document.fixtures.find(({ id }) => id === build.fixtureId) ?? document.fixtures[0];
  const comparison = readouts.comparisons.find(({ fixtureId }) => fixtureId === fixture?.id);
  if (!fixture || !comparison || !shot)
    return (
      <p className="p-6">
        There is no fixture to compare with, or this build’s form is not known here.
      </p>
    );
  const choose = (id: string) =>
    store.getState().change(`fixture of ${build.name}`, (draft) => {
      const target = draft.builds.find((each) => each.id === build.id);
      if (target) target.fixtureId = id as Fixture['id'];
    });
  return (
    <div className="flex min-h-full flex-col gap-3 bg-sheet p-4">
      <div className="grid grid-cols-[minmax(0,1fr)_280px] items-start gap-6 max-md:grid-cols-1">
        <p data-sentence className="font-display text-[21px] leading-snug">
          {comparison.sentence}
        </p>
        <ChoiceField
          label="Compared with"
          value={fixture.id as string}
          options={document.fixtures.map(({ id, name }) => ({ value: id as string, label: name }))}
          onCommit={choose}
        />
      </div>
      <div className="grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
        <VerdictTable build={build} readouts={readouts} fixture={fixture} comparison={comparison} />
        {readouts.fallOff.length > 0 && (
          <FallOffChart readouts={readouts} fixture={fixture} shotM={shot.distanceM} />
        )}
      </div>
    </div>
  );
}
