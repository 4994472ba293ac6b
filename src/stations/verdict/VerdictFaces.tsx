'use client';
import { useEffect, useMemo, useRef } from 'react';
import { shotOf } from '@/core/document/blank';
import type { Build } from '@/core/document/production';
import { fixturePicture, shotPose } from '@/core/evaluate/glow/scene';
import { shotTargetLx } from '@/core/evaluate/light';
import type { WorkedOut } from '@/core/evaluate/readouts';
import type { Fixture } from '@/core/verdict/fixture';
import { paint } from '../glow/paint';
import { useBuildLight } from '../glow/useBuildLight';
import { FULL_RAYS, useLitHead, type Picture } from '../glow/useLitHead';
import { useProduction } from '../store/context';

/** Canvas pixels of one face. */
const EDGE = 320;

interface VerdictFacesProps {
  build: Build;
  readouts: WorkedOut;
  fixture: Fixture;
}

/** The same head in both lights, at the shot's distance and as its camera exposes it. */
export default function VerdictFaces({ build, readouts, fixture }: VerdictFacesProps) {
  const document = useProduction((state) => state.document);
  const shot = shotOf(document, build);
  const { light, settled } = useBuildLight(document, build, readouts);
  const other = useMemo(() => fixturePicture(fixture, shot), [fixture, shot]);
  const pose = shotPose(shot);
  const settings = {
    skin: 'light' as const,
    targetLx: shotTargetLx({ ...shot, offsetStops: 0 }),
    matched: false,
  };
  const first = useLitHead('verdict build', light, pose, settings, { refined: settled });
  const second = useLitHead('verdict fixture', other, pose, settings, { refined: settled });
  return (
    <section aria-label="Faces" className="grid grid-cols-2 gap-4">
      <Face picture={first.picture} name={build.name} />
      <Face picture={second.picture} name={fixture.name} />
    </section>
  );
}

function Face({ picture, name }: { picture: Picture | null; name: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (canvas.current && picture) paint(canvas.current, picture, null, 'build', 1);
  }, [picture]);
  const state = !picture ? 'none' : picture.rays >= FULL_RAYS ? 'clean' : 'rough';
  return (
    <figure className="min-w-0">
      <canvas
        ref={canvas}
        width={EDGE}
        height={EDGE}
        role="img"
        aria-label={`A mannequin’s head in the light of ${name}, as the shot exposes it`}
        data-face={state}
        className="mx-auto aspect-square w-full max-w-[clamp(200px,calc(100dvh-640px),420px)] bg-[#14110d]"
      />
      <figcaption className="mt-1 truncate text-center text-[13px] text-ink-soft">
        {name}, as the shot exposes it
      </figcaption>
    </figure>
  );
}
