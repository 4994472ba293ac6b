'use client';
import dynamic from 'next/dynamic';
import { shotOf } from '@/core/document/blank';
import type { Build } from '@/core/document/production';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { useProduction } from '../store/context';
import { PolarSheet } from './PolarSheet';

const FallOffChart = dynamic(() => import('../verdict/FallOffChart'), { ssr: false });

/** How the light thins with distance, and where it goes. */
export default function ReachSheet({ build, readouts }: { build: Build; readouts: WorkedOut }) {
  const document = useProduction((state) => state.document);
  const shot = shotOf(document, build);
  const fixture =
    document.fixtures.find(({ id }) => id === build.fixtureId) ?? document.fixtures[0];
  return (
    <div className="grid grid-cols-1 gap-4 2xl:grid-cols-2">
      <section>
        <h2 className="text-[15px]">Light against distance</h2>
        {fixture && <FallOffChart readouts={readouts} fixture={fixture} shotM={shot.distanceM} />}
      </section>
      <section>
        <h2 className="text-[15px]">Intensity by direction</h2>
        {readouts.glow && <PolarSheet far={readouts.glow.far} />}
      </section>
    </div>
  );
}
