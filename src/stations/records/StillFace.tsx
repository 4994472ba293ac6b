'use client';
import { useEffect, useRef } from 'react';
import type { Look } from '@/core/evaluate/search/look';

/** The face in a light, brought to its shot’s level; for what lights no face, nothing. */
export function StillFace({ look, name }: { look: Look | null; name: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const face = look?.face ?? null;
  useEffect(() => {
    if (!canvas.current || !look || !face) return;
    const { size } = look;
    canvas.current.getContext('2d')!.putImageData(new ImageData(face, size, size), 0, 0);
  }, [look, face]);
  if (look && !face) return null;
  return (
    <canvas
      ref={canvas}
      width={look?.size ?? 96}
      height={look?.size ?? 96}
      role="img"
      data-face={face ? 'drawn' : 'none'}
      aria-label={`A mannequin’s head in the light of ${name}, brought to the shot’s level`}
      className="aspect-square w-full max-w-[220px] bg-[#14110d]"
    />
  );
}
