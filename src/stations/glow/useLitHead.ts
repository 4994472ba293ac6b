'use client';
import { useEffect, useState } from 'react';
import type { PictureSettings } from '@/core/picture/lit';
import type { PictureLight, Pose } from '@/core/picture/scene';
import type { FrameId } from '@/core/picture/sight';
import { lightHands, type Hand } from '@/workers/pool';

/** One finished or half-finished picture. */
export interface Picture {
  size: number;
  pixels: Uint8ClampedArray<ArrayBuffer>;
  lux: Float32Array<ArrayBuffer>;
  /** rays to each pixel so far */
  rays: number;
}

/** Edge of the quick picture while the light is moved, and of the one that is refined. */
const QUICK = { size: 160, rays: 3 };
const FULL_SIZE = 320;
/** Rays added pass by pass, few enough to be stopped soon; all bring half-shadows' noise below 1 % of white. */
const PASSES = [4, 4, 4, 4, 8, 8, 8, 8];
/** The eyes drawn large, when the face is clean: edge of their square, and rays. */
const EYES = { size: 320, rays: 16 };
export const FULL_RAYS = PASSES.reduce((sum, rays) => sum + rays, 0);

interface Drawing {
  slot: string;
  light: PictureLight;
  pose: Pose;
  settings: PictureSettings;
  refined: boolean;
  /** the eyes large as well, once the face is clean */
  withEyes: boolean;
  signal: AbortSignal;
  onPicture: (picture: Picture) => void;
  onEyes: (picture: Picture) => void;
}

/** The picture with every hand drawing its share of the rows; a hand that dies leaves them dark. */
async function drawn(
  hands: readonly Hand[],
  { slot, light, pose, settings }: Drawing,
  size: number,
  rays: number,
  begin: boolean,
  frame: FrameId = 'face',
): Promise<Picture> {
  const picture: Picture = {
    size,
    pixels: new Uint8ClampedArray(size * size * 4),
    lux: new Float32Array(size * size),
    rays: 0,
  };
  await Promise.all(
    hands.map(async (hand, first) => {
      const rows = { first, every: hands.length };
      const part = await hand.call(
        (worker) =>
          worker.draw(
            `${slot} ${frame} ${size}`,
            begin ? { light, pose, size, rows, frame } : null,
            rays,
            settings,
          ),
        { priority: 'now' },
      );
      if (!part) return;
      for (let row = first, k = 0; row < size; row += hands.length, k++) {
        picture.pixels.set(part.pixels.subarray(k * size * 4, (k + 1) * size * 4), row * size * 4);
        picture.lux.set(part.lux.subarray(k * size, (k + 1) * size), row * size);
      }
    }),
  );
  return picture;
}

async function refine(job: Drawing): Promise<void> {
  const hands = lightHands();
  if (hands.length === 0) return;
  const quick = await drawn(hands, job, QUICK.size, QUICK.rays, true);
  // Shown even when the light has moved on: while it is dragged there is always a picture of a moment ago.
  job.onPicture({ ...quick, rays: QUICK.rays });
  if (job.signal.aborted || !job.refined) return;
  let rays = 0;
  for (const [pass, more] of PASSES.entries()) {
    const picture = await drawn(hands, job, FULL_SIZE, more, pass === 0);
    if (job.signal.aborted) return;
    rays += more;
    job.onPicture({ ...picture, rays });
  }
  if (!job.withEyes) return;
  const eyes = await drawn(hands, job, EYES.size, EYES.rays, true, 'eyes');
  if (!job.signal.aborted) job.onEyes({ ...eyes, rays: EYES.rays });
}

/**
 * A picture of the head in a light: a quick one at once, then refined until it is clean. A change while one
 * is under way begins anew after the piece at hand.
 * @param wanted `refined` is false while something better is about to come: only the quick picture is drawn; `eyes` has them
 *   drawn large when the face is clean
 */
export function useLitHead(
  slot: string,
  light: PictureLight | null,
  pose: Pose,
  settings: PictureSettings,
  { refined, eyes: withEyes = false }: { refined: boolean; eyes?: boolean },
): { picture: Picture | null; eyes: Picture | null; broken: boolean } {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [eyes, setEyes] = useState<Picture | null>(null);
  const [broken, setBroken] = useState(false);
  const { distanceM, azimuthRad, elevationRad } = pose;
  const { skin, targetLx, matched } = settings;
  useEffect(() => {
    if (!light) return;
    const abort = new AbortController();
    // Moves come faster than pictures: the newest waits for the one under way to end.
    const turn = latest(slot, () =>
      refine({
        slot,
        light,
        pose: { distanceM, azimuthRad, elevationRad },
        settings: { skin, targetLx, matched },
        refined,
        withEyes,
        signal: abort.signal,
        onPicture: setPicture,
        onEyes: setEyes,
      }).then(
        () => setBroken(false),
        () => setBroken(true),
      ),
    );
    void turn;
    return () => abort.abort();
  }, [
    slot,
    light,
    distanceM,
    azimuthRad,
    elevationRad,
    skin,
    targetLx,
    matched,
    refined,
    withEyes,
  ]);
  return { picture: light ? picture : null, eyes: light ? eyes : null, broken };
}

const running = new Map<string, { next: (() => Promise<void>) | null }>();

/** Runs a job after the one of the same slot has ended; of those that wait only the newest is kept. */
async function latest(slot: string, job: () => Promise<void>): Promise<void> {
  const busy = running.get(slot);
  if (busy) {
    busy.next = job;
    return;
  }
  const turn: { next: (() => Promise<void>) | null } = { next: job };
  running.set(slot, turn);
  while (turn.next) {
    const now = turn.next;
    turn.next = null;
    await now();
  }
  running.delete(slot);
}
