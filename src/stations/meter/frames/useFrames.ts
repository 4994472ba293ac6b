import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import type { Frame, Frames } from '@/core/meter/framesRecord';
import type { Picture } from '@/core/document/picture';
import type { FrameData } from '@/core/frames/frame';
import type { Outline } from '@/core/frames/outline';
import type { Result } from '@/core/result';
import { ask } from '@/workers/pool';
import type { ReadFrame } from '@/workers/frameFile';
import { useProduction } from '../../store/context';
import { mediaUrl } from '../../store/media';

/** A frame of the session, with its picture as light where it has been read. */
export interface SeenFrame {
  key: string;
  frame: Frame;
  data: FrameData | null;
  outline: Outline | null;
  preview: ImageBitmap | null;
  turned: boolean;
  /** share of it that was read so far */
  progress: number;
  problem: string | null;
}

/** Pictures that were read stay: the newest few of them, each a dozen megabytes. */
const MOST_KEPT = 6;
const kept = new Map<string, Promise<Result<ReadFrame>>>();

function reading(
  picture: Picture,
  curve: readonly number[] | null,
  onProgress: (share: number) => void,
): Promise<Result<ReadFrame>> {
  const key = `${picture.media} ${curve ? curve.join() : ''}`;
  const known = kept.get(key);
  const found =
    known ??
    ask(
      async (api) =>
        (await api.frame(
          mediaUrl(picture.media),
          picture.name,
          curve,
          proxy(onProgress),
        )) as Result<ReadFrame>,
      { priority: 'soon' },
    );
  kept.delete(key);
  kept.set(key, found);
  // What failed is asked for anew.
  found.catch(() => kept.delete(key));
  for (const old of kept.keys()) if (kept.size > MOST_KEPT) kept.delete(old);
  return found;
}

const GONE = 'Its picture is not in this production any more: put it in again.';

/** The frames that are looked at, read one beside the other off the page. @param keys  those wanted */
export function useFrames(frames: Frames, keys: readonly string[]): SeenFrame[] {
  const pictures = useProduction(({ document }) => document.pictures);
  const [read, setRead] = useState<ReadonlyMap<string, Result<ReadFrame> | number>>(new Map());
  const { curve } = frames.camera;
  const wanted = keys.flatMap((key) => {
    const frame = frames.shots[key];
    const picture = frame && pictures.find(({ id }) => id === frame.pictureId);
    return frame ? [{ key, frame, picture }] : [];
  });
  const names = wanted.map(({ key, picture }) => `${key} ${picture?.media}`).join();
  useEffect(() => {
    let here = true;
    for (const { key, picture } of wanted) {
      if (!picture) continue;
      const tell = (value: Result<ReadFrame> | number) => {
        // How far it is comes by another way than what it is, and sometimes later.
        const late = (before: ReadonlyMap<string, unknown>) =>
          typeof value === 'number' && typeof before.get(key) === 'object';
        if (here) setRead((before) => (late(before) ? before : new Map(before).set(key, value)));
      };
      reading(picture, curve, tell).then(tell, (error: Error) =>
        tell({ ok: false, problems: [{ code: 'lost', path: '', message: error.message }] }),
      );
    }
    return () => {
      here = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [names, curve]);
  return wanted.map(({ key, frame, picture }) => {
    const found = read.get(key);
    const done = typeof found === 'object' && found.ok ? found.value : null;
    return {
      key,
      frame,
      data: done?.data ?? null,
      outline: done?.outline ?? null,
      preview: done?.preview ?? null,
      turned: done?.turned ?? false,
      progress: typeof found === 'number' ? found : done ? 1 : 0,
      problem: !picture
        ? GONE
        : typeof found === 'object' && !found.ok
          ? found.problems[0]!.message
          : null,
    };
  });
}
