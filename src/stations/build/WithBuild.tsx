'use client';
import type { Build } from '@/core/document/production';
import type { WorkedOut } from '@/core/evaluate/readouts';
import { useWorkplace } from '../shell/useWorkplace';
import { NoBuild } from './NoBuild';

/** A build that was worked out: what every station of a build is about. */
export interface AtHand {
  build: Build;
  readouts: WorkedOut;
}

/** One of the sheets a station lays out for a build. */
export interface BuildSheet {
  id: string;
  name: string;
  Sheet: React.ComponentType<AtHand>;
  /** left out where this does not hold */
  when?: (readouts: WorkedOut) => boolean;
}

/** The frame of a build's station: its sheet, the way to a first light, or why there are no figures. */
export function WithBuild({ Sheet }: { Sheet: (atHand: AtHand) => React.ReactNode }) {
  const { build, readouts, findings } = useWorkplace();
  if (!build) return <NoBuild />;
  if (!readouts)
    return (
      <div className="p-6">
        <h2 className="text-xl">{build.name}</h2>
        <p className="mt-2">{findings[0]?.message}</p>
      </div>
    );
  return <Sheet key={build.id} build={build} readouts={readouts} />;
}
