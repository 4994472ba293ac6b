'use client';
import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import { sameShape, type Comparison } from '@/core/frames/compare';
import { exposureBetween } from '@/core/frames/exposure';
import type { Box, Line } from '@/core/meter/framesRecord';
import type { Session } from '@/core/meter/session';
import { ask } from '@/workers/pool';
import { Sheets } from '@/ui/Sheets';
import type { Meter } from '../useMeter';
import { BandsPanel } from './BandsPanel';
import { BoxesPanel } from './BoxesPanel';
import { CameraPanel } from './CameraPanel';
import { ComparedPanel } from './ComparedPanel';
import { FrameList } from './FrameList';
import { BOX_NAMES, FrameView, type Tool } from './FrameView';
import { HistogramPlot } from './HistogramPlot';
import { useFrames, type SeenFrame } from './useFrames';

const PANELS = [
  ['compared', 'Compared'],
  ['boxes', 'Boxes'],
  ['bands', 'Bands'],
  ['camera', 'Camera'],
  ['frames', 'Frames'],
] as const;
const WAYS = { side: 'Side by side', wipe: 'Wiped', blink: 'In turns', map: 'Difference' } as const;
type Way = keyof typeof WAYS;

/** Frames that count, in their order. */
const scenesOf = ({ frames }: Session): string[] =>
  Object.entries(frames.shots)
    .filter(([, { role, struck }]) => role === 'scene' && struck === null)
    .toSorted(([, a], [, b]) => a.order - b.order)
    .map(([key]) => key);

/** Registration and the map of differences, worked out off the page once for two frames. */
function useCompared(
  first: SeenFrame | undefined,
  second: SeenFrame | undefined,
): Comparison | null {
  const [found, setFound] = useState<{ key: string; compared: Comparison } | null>(null);
  const [a, b] = [first?.outline ?? null, second?.outline ?? null];
  const stops = first && second ? (exposureBetween(first.frame, second.frame) ?? 0) : 0;
  const key = `${first?.key} ${second?.key} ${stops}`;
  useEffect(() => {
    if (!a || !b || !sameShape(a, b)) return;
    const abort = new AbortController();
    ask(async (api) => api.comparedFrames(a, b, stops), { priority: 'soon', signal: abort.signal })
      .then((compared) => setFound({ key, compared }))
      .catch(() => {});
    return () => abort.abort();
  }, [a, b, stops, key]);
  return found?.key === key && a && b ? found.compared : null;
}

/** Pictures from one place: what is different between them, and what they say of the light. */
export default function FramesSheet({ session, meter }: { session: Session; meter: Meter }) {
  const { frames } = session;
  const scenes = scenesOf(session);
  const [panel, setPanel] = useState<(typeof PANELS)[number][0]>(
    scenes.length > 0 ? 'compared' : 'frames',
  );
  const [pair, setPair] = useState<readonly [string | null, string | null]>([null, null]);
  const there = (key: string | null) => (key !== null && scenes.includes(key) ? key : undefined);
  const second = there(pair[1]) ?? scenes.at(-1);
  const first = there(pair[0]) ?? scenes.findLast((key) => key !== second);
  const references = Object.entries(frames.shots)
    .filter(([, { role, struck }]) => role === 'reference' && struck === null)
    .map(([key]) => key);
  // Several frames tell bands from the scene where no reference does.
  const several = panel === 'bands' && references.length === 0 ? scenes.slice(-MOST_TOGETHER) : [];
  const wanted = [first, second, references.at(-1), ...several].flatMap((key) => key ?? []);
  const seen = useFrames(frames, [...new Set(wanted)]);
  const find = (key: string | undefined) => seen.find((each) => each.key === key);
  const [a, b] = [find(first), find(second)];
  const compared = useCompared(a, b);
  const [way, setWay] = useState<Way>('side');
  const [from, setFrom] = useState(0.5);
  const [turn, setTurn] = useState(false);
  const [tool, setTool] = useState<Tool>('grey');
  const locked = session.closedAt !== null;
  const set = (label: string, recipe: Parameters<Meter['frames']>[2]) =>
    void meter.frames(session, label, recipe);
  const onBox = (key: string | null, box: Box | null) =>
    set(box ? 'a box' : 'a box taken away', ({ boxes }) => {
      const at = key ?? nanoid(6);
      if (box) boxes[at] = box;
      else delete boxes[at];
    });
  const onLine = (line: Line) =>
    set('line across a shadow', (draft) => {
      draft.line = line;
    });
  const view = { frames, tool, onBox, onLine, locked };
  const data = [a, b].flatMap((each) => each?.data ?? []);
  const apart = data.length === 2 && !sameShape(data[0]!, data[1]!);
  const ready = data.length === 2 && !apart;
  const shownWay = ready ? way : 'side';
  const blinks = shownWay === 'blink';
  useEffect(() => {
    if (!blinks) return;
    const tick = setInterval(() => setTurn((now) => !now), BLINK_MS);
    return () => clearInterval(tick);
  }, [blinks]);
  return (
    <div
      className="flex min-h-full flex-col gap-2"
      data-frames={scenes.length}
      data-read={data.length}
      data-compared={compared ? 'yes' : 'no'}
    >
      {a || b ? (
        <div className="flex justify-center gap-3 max-md:flex-col">
          {shownWay === 'side' &&
            [a, b].map(
              (each, k) =>
                each && (
                  <FrameView
                    key={each.key}
                    name={`${k === 0 && b ? 'Before' : 'After'}: ${each.frame.name}`}
                    seen={each}
                    {...view}
                  />
                ),
            )}
          {a && b && shownWay !== 'side' && (
            <FrameView
              name={
                shownWay === 'wipe'
                  ? `${a.frame.name} | ${b.frame.name}`
                  : shownWay === 'map'
                    ? 'Difference in stops: the second over the first'
                    : (turn ? b : a).frame.name
              }
              seen={shownWay === 'blink' && turn ? b : a}
              over={shownWay === 'wipe' ? { seen: b, from } : null}
              map={shownWay === 'map' ? (compared?.map ?? null) : null}
              {...view}
            />
          )}
        </div>
      ) : (
        <Nothing />
      )}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[14px]">
        {ready && (
          <label>
            Seen{' '}
            <select
              className="field !w-auto"
              value={way}
              onChange={(event) => setWay(event.target.value as Way)}
            >
              {Object.entries(WAYS).map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
        {shownWay === 'wipe' && (
          <label className="flex items-center gap-2">
            Wipe
            <input
              type="range"
              min={0}
              max={1}
              step={0.01}
              value={from}
              onChange={(event) => setFrom(Number(event.target.value))}
            />
          </label>
        )}
        {!locked && scenes.length > 0 && (
          <>
            <label>
              Draw{' '}
              <select
                className="field !w-auto"
                value={tool}
                onChange={(event) => setTool(event.target.value as Tool)}
              >
                {Object.entries(BOX_NAMES).map(([id, name]) => (
                  <option key={id} value={id}>
                    a box on {name}
                  </option>
                ))}
                <option value="line">a line across a shadow’s edge</option>
              </select>
            </label>
            <button
              type="button"
              className="press"
              onClick={() =>
                tool === 'line'
                  ? onLine({ x1: 0.4, y1: 0.5, x2: 0.6, y2: 0.5 })
                  : onBox(null, { what: tool, x: 0.4, y: 0.4, w: 0.2, h: 0.2 })
              }
            >
              Put it in the middle
            </button>
          </>
        )}
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-4 max-lg:grid-cols-1">
        <div className="flex min-h-0 flex-col">
          <Sheets
            label="What the frames say"
            sheets={PANELS}
            open={panel}
            onOpen={setPanel}
            className="relative min-h-0 flex-1 overflow-y-auto py-3"
          >
            {panel === 'frames' ? (
              <FrameList
                session={session}
                meter={meter}
                pair={[first, second]}
                onPair={(one, two) => setPair([one, two])}
              />
            ) : panel === 'compared' ? (
              <ComparedPanel
                session={session}
                first={a}
                second={b}
                compared={compared}
                apart={apart}
              />
            ) : panel === 'boxes' ? (
              <BoxesPanel session={session} first={a} second={b} meter={meter} />
            ) : panel === 'bands' ? (
              <BandsPanel
                session={session}
                meter={meter}
                seen={[a, b].flatMap((each) => each ?? [])}
                reference={find(references.at(-1)) ?? null}
                together={several.flatMap((key) => find(key) ?? [])}
              />
            ) : (
              <CameraPanel session={session} meter={meter} seen={b ?? a ?? null} />
            )}
          </Sheets>
        </div>
        {data.length > 0 && (
          <HistogramPlot
            frames={[a, b].flatMap((each) =>
              each?.data ? [{ name: each.frame.name, data: each.data }] : [],
            )}
          />
        )}
      </div>
    </div>
  );
}

/** Frames that are looked at together: each is a dozen megabytes. */
const MOST_TOGETHER = 5;
/** Slow enough to be looked at, and far from what harms anybody. */
const BLINK_MS = 900;

const Nothing = () => (
  <div className="max-w-xl p-4">
    <h3 className="text-lg">Did the light change, or the tripod?</h3>
    <p className="mt-1">
      Two pictures from one place, camera on a stand, everything set by hand: put them in, and
      exposures that differ are told first, a camera that moved is found, and what is left is the
      light. A grey card in the picture makes the camera a light meter.
    </p>
  </div>
);
