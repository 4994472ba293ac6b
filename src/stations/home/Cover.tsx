'use client';
import { useEffect, useRef, useState } from 'react';
import type { Cover as Drawn } from '@/core/evaluate/cover';
import { ask } from '@/workers/pool';

/** Edge of the picture as it is drawn, and rays to each pixel. */
const SIZE = 176;
const RAYS = 10;

/** What has been drawn while the page lives, by production and when it was changed. */
const drawnBefore = new Map<string, Drawn | null>();
/** One after the other, behind everything else: a list of pictures keeps nobody waiting. */
let queue: Promise<unknown> = Promise.resolve();

function coverOf(id: string, changed: string, signal: AbortSignal): Promise<Drawn | null> {
  const turn = queue.then(async () => {
    const key = `${id} ${changed}`;
    if (signal.aborted) throw new Error('No longer looked at.');
    if (drawnBefore.has(key)) return drawnBefore.get(key)!;
    const answer = await fetch(`/api/productions/${id}/file`, { signal });
    if (!answer.ok) throw new Error('It cannot be fetched now.');
    const json: unknown = await answer.json();
    const cover = await ask(async (api) => api.cover(json, SIZE, RAYS), {
      signal,
      priority: 'later',
    });
    drawnBefore.set(key, cover);
    return cover;
  });
  queue = turn.catch(() => null);
  return turn;
}

interface CoverProps {
  id: string;
  name: string;
  /** when it was changed last */
  changed: string;
}

/** The production's picture: the head its best light shows, drawn once it comes into sight. */
export function Cover({ id, name, changed }: CoverProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const frame = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState(false);
  const [drawn, setDrawn] = useState<Drawn | null | 'waiting'>('waiting');
  useEffect(() => {
    const watch = new IntersectionObserver((entries) => {
      if (entries.some(({ isIntersecting }) => isIntersecting)) setSeen(true);
    });
    if (frame.current) watch.observe(frame.current);
    return () => watch.disconnect();
  }, []);
  useEffect(() => {
    if (!seen) return;
    const abort = new AbortController();
    coverOf(id, changed, abort.signal).then(
      (cover) => !abort.signal.aborted && setDrawn(cover),
      // It stays blank: nothing is known of its lights.
      () => {},
    );
    return () => abort.abort();
  }, [id, changed, seen]);
  useEffect(() => {
    if (drawn === 'waiting' || !drawn) return;
    canvas.current
      ?.getContext('2d')
      ?.putImageData(new ImageData(drawn.pixels, drawn.size, drawn.size), 0, 0);
  }, [drawn]);
  const shown = drawn !== 'waiting' && drawn !== null;
  return (
    <div
      ref={frame}
      className="relative aspect-square w-full overflow-hidden bg-[#1b1712]"
      data-cover={drawn === 'waiting' ? 'waiting' : shown ? 'drawn' : 'none'}
    >
      {shown ? (
        <canvas
          ref={canvas}
          width={SIZE}
          height={SIZE}
          className="h-full w-full"
          role="img"
          aria-label={`A face lit by ${drawn.buildName}, for ${drawn.shotName} of ${name}`}
        />
      ) : (
        <p className="grid h-full place-items-center p-3 text-center text-[13px] text-[#cbb992]">
          {drawn === 'waiting' ? '' : 'Dark still: no light is built yet.'}
        </p>
      )}
      {shown && (
        <p className="absolute inset-x-0 bottom-0 bg-[#1b1712]/75 px-2 py-1 text-[12.5px] text-[#f3e6c8]">
          {drawn.buildName}, by a quick estimate
        </p>
      )}
    </div>
  );
}
