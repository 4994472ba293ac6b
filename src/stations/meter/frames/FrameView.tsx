'use client';
import { useEffect, useRef, useState } from 'react';
import type { Box, BoxKind, Frames, Line } from '@/core/meter/framesRecord';
import type { Comparison } from '@/core/frames/compare';
import { clamp } from '@/core/tolerance';
import { stopsRgb } from '../../glow/stopsColour';
import type { SeenFrame } from './useFrames';

export const BOX_NAMES: Record<BoxKind, string> = {
  skin: 'skin',
  background: 'background',
  grey: 'grey card',
  shadow: 'shadow',
  other: 'something else',
};

/** What a drag on a picture draws. */
export type Tool = BoxKind | 'line';

type StopsPicture = Comparison['map'];

interface FrameViewProps {
  name: string;
  seen: SeenFrame;
  /** another one, shown to the right of this share of the width */
  over?: { seen: SeenFrame; from: number } | null;
  map?: StopsPicture | null;
  frames: Frames;
  tool: Tool;
  onBox: (key: string | null, box: Box | null) => void;
  onLine: (line: Line) => void;
  locked: boolean;
}

function mapCanvas({ columns, rows, stops }: StopsPicture): HTMLCanvasElement {
  const sheet = document.createElement('canvas');
  [sheet.width, sheet.height] = [columns, rows];
  const image = new ImageData(columns, rows);
  stops.forEach((value, at) => {
    if (Number.isNaN(value)) image.data.set([128, 128, 128, 90], 4 * at);
    else image.data.set([...stopsRgb(value), 255], 4 * at);
  });
  sheet.getContext('2d')!.putImageData(image, 0, 0);
  return sheet;
}

/** A picture as it lies there, with what is looked at drawn on it. */
export function FrameView(props: FrameViewProps) {
  const { name, seen, over, map } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const { preview } = seen;
  const [width, height] = [preview?.width ?? 3, preview?.height ?? 2];
  const other = over?.seen.preview ?? null;
  const from = over?.from ?? 1;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !preview) return;
    context.clearRect(0, 0, width, height);
    context.drawImage(preview, 0, 0);
    if (map) {
      context.imageSmoothingEnabled = true;
      context.drawImage(mapCanvas(map), 0, 0, width, height);
    }
    if (!other) return;
    const x = Math.round(from * width);
    const share = x / width;
    context.drawImage(
      other,
      share * other.width,
      0,
      (1 - share) * other.width,
      other.height,
      x,
      0,
      width - x,
      height,
    );
    context.fillStyle = '#dcab52';
    context.fillRect(x - 1, 0, 3, height);
  }, [preview, other, from, map, width, height]);
  return (
    <figure className="flex min-h-0 min-w-0 flex-1 flex-col items-center" data-frame={seen.key}>
      <div
        className="relative min-h-0 max-w-full"
        style={{
          aspectRatio: `${width} / ${height}`,
          maxHeight: 'clamp(180px, calc(100dvh - 470px), 820px)',
        }}
      >
        <canvas
          ref={canvas}
          width={width}
          height={height}
          role="img"
          aria-label={name}
          data-shown={preview ? 'yes' : 'no'}
          className="block h-full max-h-[inherit] max-w-full bg-paper"
        />
        {preview && <Marks {...props} />}
      </div>
      <figcaption className="max-w-full truncate text-[13px] text-ink-soft">
        {name}
        {seen.problem === null && !preview && `: reading, ${Math.round(100 * seen.progress)} %`}
        {seen.frame.simulated && ', simulated'}
      </figcaption>
      {seen.problem && (
        <p role="alert" className="text-[13.5px] text-stop">
          {seen.problem}
        </p>
      )}
    </figure>
  );
}

/** Smallest box that is drawn, as a share of the picture. */
const LEAST = 0.01;
const STEP = 0.01;

/** Boxes and the line across a shadow's edge: drawn with the mouse, moved with the arrow keys. */
function Marks({ frames, tool, onBox, onLine, locked, seen }: FrameViewProps) {
  const [drawn, setDrawn] = useState<Line | null>(null);
  const { data } = seen;
  const aspect = data ? data.height / data.width : 2 / 3;
  const at = (event: React.PointerEvent<SVGSVGElement>): [number, number] => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    return [
      clamp((event.clientX - left) / width, 0, 1),
      clamp((event.clientY - top) / height, 0, 1),
    ];
  };
  const finish = () => {
    if (!drawn) return;
    setDrawn(null);
    const { x1, y1, x2, y2 } = drawn;
    if (tool === 'line') {
      if (Math.hypot(x2 - x1, y2 - y1) > LEAST) onLine(drawn);
      return;
    }
    const [w, h] = [Math.abs(x2 - x1), Math.abs(y2 - y1)];
    if (w > LEAST && h > LEAST)
      onBox(null, { what: tool, x: Math.min(x1, x2), y: Math.min(y1, y2), w, h });
  };
  const { line } = frames;
  return (
    <svg
      viewBox={`0 0 1000 ${1000 * aspect}`}
      preserveAspectRatio="none"
      className={`absolute inset-0 h-full w-full touch-none ${locked ? '' : 'cursor-crosshair'}`}
      aria-label="What is looked at"
      role="group"
      data-marks
      onPointerDown={(event) => {
        if (locked) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        const [x, y] = at(event);
        setDrawn({ x1: x, y1: y, x2: x, y2: y });
      }}
      onPointerMove={(event) => {
        if (!drawn) return;
        const [x2, y2] = at(event);
        setDrawn({ ...drawn, x2, y2 });
      }}
      onPointerUp={finish}
      onPointerCancel={() => setDrawn(null)}
    >
      {Object.entries(frames.boxes).map(([key, box]) => (
        <BoxMark
          key={key}
          box={box}
          aspect={aspect}
          onChange={locked ? null : (next) => onBox(key, next)}
        />
      ))}
      {line && <LineMark line={line} aspect={aspect} onChange={locked ? null : onLine} />}
      {drawn &&
        (tool === 'line' ? (
          <LineMark line={drawn} aspect={aspect} onChange={null} />
        ) : (
          <rect
            x={1000 * Math.min(drawn.x1, drawn.x2)}
            y={1000 * aspect * Math.min(drawn.y1, drawn.y2)}
            width={1000 * Math.abs(drawn.x2 - drawn.x1)}
            height={1000 * aspect * Math.abs(drawn.y2 - drawn.y1)}
            fill="none"
            stroke="#dcab52"
            strokeWidth="3"
          />
        ))}
    </svg>
  );
}

/** Steps of the arrow keys; null for any other key. */
const arrowOf = ({ key }: React.KeyboardEvent): [number, number] | null =>
  key === 'ArrowLeft'
    ? [-STEP, 0]
    : key === 'ArrowRight'
      ? [STEP, 0]
      : key === 'ArrowUp'
        ? [0, -STEP]
        : key === 'ArrowDown'
          ? [0, STEP]
          : null;

function BoxMark({
  box,
  aspect,
  onChange,
}: {
  box: Box;
  aspect: number;
  onChange: ((box: Box | null) => void) | null;
}) {
  const { x, y, w, h, what } = box;
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (!onChange) return;
    const arrow = arrowOf(event);
    if (event.key === 'Delete' || event.key === 'Backspace') onChange(null);
    else if (arrow && event.shiftKey)
      onChange({
        ...box,
        w: clamp(w + arrow[0], LEAST, 1 - x),
        h: clamp(h + arrow[1], LEAST, 1 - y),
      });
    else if (arrow)
      onChange({ ...box, x: clamp(x + arrow[0], 0, 1 - w), y: clamp(y + arrow[1], 0, 1 - h) });
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <g
      tabIndex={0}
      role="button"
      aria-label={`Box on ${BOX_NAMES[what]}: arrow keys move it, with Shift they size it, Delete takes it away`}
      onKeyDown={onKeyDown}
      onPointerDown={(event) => event.stopPropagation()}
      className="focus-visible:outline-none [&:focus-visible_rect]:stroke-[6]"
    >
      <rect
        x={1000 * x}
        y={1000 * aspect * y}
        width={1000 * w}
        height={1000 * aspect * h}
        fill="transparent"
        stroke="#dcab52"
        strokeWidth="3"
      />
      <text
        x={1000 * x + 8}
        y={1000 * aspect * y + 30}
        fontSize="28"
        fill="#fbf7ee"
        stroke="#1a140c"
        strokeWidth="5"
        paintOrder="stroke"
      >
        {BOX_NAMES[what]}
      </text>
    </g>
  );
}

function LineMark({
  line,
  aspect,
  onChange,
}: {
  line: Line;
  aspect: number;
  onChange: ((line: Line) => void) | null;
}) {
  const end = (event: React.KeyboardEvent, x: 'x1' | 'x2', y: 'y1' | 'y2') => {
    const arrow = arrowOf(event);
    if (!arrow || !onChange) return;
    onChange({
      ...line,
      [x]: clamp(line[x] + arrow[0], 0, 1),
      [y]: clamp(line[y] + arrow[1], 0, 1),
    });
    event.preventDefault();
    event.stopPropagation();
  };
  const ends = [
    ['x1', 'y1', 'first'],
    ['x2', 'y2', 'other'],
  ] as const;
  return (
    <g>
      <path
        d={`M${1000 * line.x1} ${1000 * aspect * line.y1} L${1000 * line.x2} ${1000 * aspect * line.y2}`}
        stroke="#fbf7ee"
        strokeWidth="3"
        strokeDasharray="10 6"
      />
      {ends.map(([x, y, name]) => (
        <circle
          key={name}
          cx={1000 * line[x]}
          cy={1000 * aspect * line[y]}
          r="10"
          fill="#dcab52"
          stroke="#1a140c"
          strokeWidth="2"
          tabIndex={onChange ? 0 : undefined}
          role={onChange ? 'button' : undefined}
          aria-label={
            onChange ? `The ${name} end of the line across a shadow: arrow keys move it` : undefined
          }
          onKeyDown={(event) => end(event, x, y)}
          onPointerDown={(event) => event.stopPropagation()}
        />
      ))}
    </g>
  );
}
