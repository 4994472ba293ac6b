'use client';
import { useEffect, useRef, useState } from 'react';
import { readDocument } from '@/core/document/read';
import type { Cover as Drawn } from '@/core/evaluate/cover';
import { ask } from '@/workers/pool';

/** Edge of the picture as it is drawn, and rays to each pixel. */
const SIZE = 176;
const RAYS = 10;

async function coverOf(id: string, signal: AbortSignal): Promise<Drawn | null> {
  const answer = await fetch(`/api/productions/${id}/file`, { signal });
  const read = answer.ok ? readDocument(await answer.json()) : null;
  if (!read?.ok) return null;
  return ask(async (api) => api.cover(read.value, SIZE, RAYS), { signal });
}

/** The production's picture: the head its best light shows, drawn while the list is looked at. */
export function Cover({ id, name }: { id: string; name: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [drawn, setDrawn] = useState<Drawn | null | 'waiting'>('waiting');
  useEffect(() => {
    const abort = new AbortController();
    coverOf(id, abort.signal).then(
      (cover) => !abort.signal.aborted && setDrawn(cover),
      () => !abort.signal.aborted && setDrawn(null),
    );
    return () => abort.abort();
  }, [id]);
  useEffect(() => {
    if (drawn === 'waiting' || !drawn) return;
    canvas.current
      ?.getContext('2d')
      ?.putImageData(new ImageData(drawn.pixels, drawn.size, drawn.size), 0, 0);
  }, [drawn]);
  const shown = drawn !== 'waiting' && drawn !== null;
  return (
    <div
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
          {drawn.buildName}
        </p>
      )}
    </div>
  );
}
