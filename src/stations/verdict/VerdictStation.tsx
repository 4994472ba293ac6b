'use client';
import { lazyPanel } from '@/ui/lazyPanel';
import dynamic from 'next/dynamic';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { addRecord, changeRecord, together } from '@/core/document/edit';
import { shotOf } from '@/core/document/blank';
import { freeName } from '@/core/document/records';
import { fixtureIdSchema } from '@/core/ids';
import { JUDGED } from '@/core/location/use';
import { toDegrees } from '@/core/angle';
import { softLike } from '@/core/verdict/softLike';
import { meteredSentence } from '@/core/verdict/compare';
import type { Fixture } from '@/core/verdict/fixture';
import { Sheets } from '@/ui/Sheets';
import { WithBuild, type AtHand } from '../build/WithBuild';
import { useRungMarks } from '../shell/useRungMarks';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { FixtureChoice } from './FixtureChoice';
import { VerdictTable } from './VerdictTable';

const VerdictFaces = lazyPanel(() => import('./VerdictFaces'));
const FixtureDialog = lazyPanel(() => import('./FixtureDialog'));

/** The chart library is heavy and only wanted here; its place is kept, so that nothing moves when it comes. */
const FallOffChart = dynamic(() => import('./FallOffChart'), {
  ssr: false,
  loading: () => <div className="h-[calc(clamp(240px,34vh,460px)+41px)]" />,
});

const SideBySide = lazyPanel(() => import('./SideBySide'));
const WaysSheet = lazyPanel(() => import('./WaysSheet'));
const ClaimsSheet = lazyPanel(() => import('./ClaimsSheet'));
const FixturesSheet = lazyPanel(() => import('./FixturesSheet'));

const SHEETS = [
  ['one', 'Against a fixture'],
  ['side', 'Side by side'],
  ['ways', 'Build, buy, hire, borrow'],
  ['claims', 'Claims'],
  ['fixtures', 'Fixtures for the shot'],
] as const;

export const VerdictStation = () => <WithBuild Sheet={VerdictSheets} />;

function VerdictSheets({ build, readouts }: AtHand) {
  const [sheet, setSheet] = useState<(typeof SHEETS)[number][0]>('one');
  return (
    <div className="flex h-full flex-col bg-sheet">
      <Sheets
        label="Sheets"
        sheets={SHEETS}
        open={sheet}
        onOpen={setSheet}
        className="relative min-h-0 flex-1 overflow-y-auto"
      >
        {sheet === 'one' && <VerdictSheet build={build} readouts={readouts} />}
        {sheet === 'side' && <SideBySide build={build} />}
        {sheet === 'ways' && <WaysSheet build={build} readouts={readouts} />}
        {sheet === 'claims' && <ClaimsSheet />}
        {sheet === 'fixtures' && <FixturesSheet build={build} onCompare={() => setSheet('one')} />}
      </Sheets>
    </div>
  );
}

function VerdictSheet({ build, readouts }: AtHand) {
  const edits = useEdits();
  const [editing, setEditing] = useState<Fixture['id'] | null>(null);
  const document = useProduction((state) => state.document);
  const marks = useRungMarks();
  const shot = shotOf(document, build);
  const fixture =
    document.fixtures.find(({ id }) => id === build.fixtureId) ?? document.fixtures[0];
  const comparison = readouts.comparisons.find(({ fixtureId }) => fixtureId === fixture?.id);
  if (!fixture || !comparison) return <p className="p-6">There is no fixture to compare with.</p>;
  const { light } = marks;
  const metered = light?.measured && {
    illuminanceLx: light.measured.value,
    simulated: light.measured.simulated,
  };
  const read = meteredSentence(comparison, metered ?? null, light?.corrected ?? false);
  const soft = readouts.rungs.find(({ id }) => id === 'softness')?.value ?? null;
  const addFixture = () => {
    const added: Fixture = {
      ...fixture,
      id: fixtureIdSchema.parse(nanoid(8)),
      name: freeName('New fixture', document.fixtures),
      origin: 'yours',
    };
    edits.make(
      'add a fixture',
      together(
        addRecord({ kind: 'fixture' }, added),
        changeRecord({ kind: 'build', id: build.id }, (target) => {
          target.fixtureId = added.id;
        }),
      ),
    );
    setEditing(added.id);
  };
  return (
    <div className="flex min-h-full flex-col gap-3 bg-sheet p-4">
      <div className="grid grid-cols-[minmax(0,1fr)_280px] items-start gap-6 max-md:grid-cols-1">
        <div>
          <p data-sentence className="font-display text-[21px] leading-snug">
            {comparison.sentence}
          </p>
          {read && <p className="mt-1 text-[15px]">{read}</p>}
          {soft !== null && JUDGED[shot.use].by.includes('softness') && (
            <p data-like className="mt-1 text-[14px] text-ink-soft">
              It is as wide as {softLike(toDegrees(soft)).name}; the fixture as{' '}
              {softLike(comparison.fixtureAngleDeg).name}.
            </p>
          )}
        </div>
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
        <div className="flex min-w-0 flex-col gap-4">
          {readouts.fallOff.length > 0 && (
            <>
              <FallOffChart readouts={readouts} fixture={fixture} shotM={shot.distanceM} />
              {JUDGED[shot.use].person && (
                <VerdictFaces build={build} readouts={readouts} fixture={fixture} />
              )}
            </>
          )}
        </div>
      </div>
      {editing === fixture.id && (
        <FixtureDialog fixture={fixture} onClose={() => setEditing(null)} />
      )}
    </div>
  );
}
