'use client';
import { lazyPanel } from '@/ui/lazyPanel';
import dynamic from 'next/dynamic';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { freeName } from '@/core/document/commands';
import { fixtureIdSchema } from '@/core/ids';
import type { Fixture } from '@/core/verdict/fixture';
import { NoBuild } from '../build/NoBuild';
import { useWorkplace } from '../shell/useWorkplace';
import { useProduction, useProductionStore } from '../store/context';
import { FixtureChoice } from './FixtureChoice';
import { VerdictTable } from './VerdictTable';

const FixtureDialog = lazyPanel(() => import('./FixtureDialog'));

/** The chart library is heavy and only wanted here. */
const FallOffChart = dynamic(() => import('./FallOffChart'), { ssr: false });

export function VerdictStation() {
  const store = useProductionStore();
  const { build, readouts } = useWorkplace();
  const [editing, setEditing] = useState<Fixture['id'] | null>(null);
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
  const addFixture = () => {
    const added: Fixture = {
      ...fixture,
      id: fixtureIdSchema.parse(nanoid(8)),
      name: freeName('New fixture', document.fixtures),
      origin: 'user',
    };
    store.getState().change('add a fixture', (draft) => {
      draft.fixtures.push(added);
      const target = draft.builds.find((each) => each.id === build.id);
      if (target) target.fixtureId = added.id;
    });
    setEditing(added.id);
  };
  return (
    <div className="flex min-h-full flex-col gap-3 bg-sheet p-4">
      <div className="grid grid-cols-[minmax(0,1fr)_280px] items-start gap-6 max-md:grid-cols-1">
        <p data-sentence className="font-display text-[21px] leading-snug">
          {comparison.sentence}
        </p>
        <div className="grid gap-2">
          <FixtureChoice build={build} fixture={fixture} label="Compared with" />
          <p className="flex gap-2 text-sm">
            <button type="button" className="press" onClick={() => setEditing(fixture.id)}>
              Its data sheet
            </button>
            <button type="button" className="press" onClick={addFixture}>
              Add a fixture
            </button>
          </p>
        </div>
      </div>
      <div className="grid grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] gap-8 max-lg:grid-cols-1">
        <VerdictTable build={build} readouts={readouts} fixture={fixture} comparison={comparison} />
        {readouts.fallOff.length > 0 && (
          <FallOffChart readouts={readouts} fixture={fixture} shotM={shot.distanceM} />
        )}
      </div>
      {editing === fixture.id && (
        <FixtureDialog fixture={fixture} onClose={() => setEditing(null)} />
      )}
    </div>
  );
}
