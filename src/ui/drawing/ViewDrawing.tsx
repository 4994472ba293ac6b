'use client';
import { useRef } from 'react';
import type { View } from '@/core/drawing/drawing';
import { DimensionMark } from './DimensionMark';
import type { UnitSystem } from '@/core/quantity';
import { ScaleBar } from './ScaleBar';
import { SpotMark, type Spot } from './SpotMark';
import { HandleMark, type Grip, type HandleMarkProps } from './HandleMark';
import { GlowMark, GlowPaint } from './GlowMark';
import { Hatches } from './Hatches';
import { ShapeMark, type Paper } from './ShapeMark';

/** Drawing units along a view's longer side; the drawing keeps its scale, only the paper zooms. */
const EXTENT = 1000;

interface ViewDrawingProps {
  view: View;
  /** text height in drawing units */
  textSize: number;
  pointedRef: string | null;
  lengthText: (metres: number) => string;
  grips: Record<string, Grip>;
  on: Pick<HandleMarkProps, 'onPull' | 'onSettle' | 'onAbandon' | 'onGrip'>;
  /** a bar that says how long a length is here, in one of two systems */
  scaleBar?: UnitSystem;
  /** parts of the drawing that answer when they are pressed */
  spots?: readonly Spot[];
  /** colour its lamps glow with; left out for a drawing of a light that is off */
  glow?: string | null;
}

/** For pictures nobody pulls at or points into. */
export const QUIET_VIEW = {
  grips: {},
  on: { onPull: () => {}, onSettle: () => {}, onAbandon: () => {}, onGrip: () => {} },
  pointedRef: null,
};

/** One view of a build, to scale and dimensioned, with knobs for its main sizes. */
export function ViewDrawing({
  view,
  textSize,
  pointedRef,
  lengthText,
  grips,
  on,
  scaleBar,
  spots = [],
  glow = null,
}: ViewDrawingProps) {
  const svg = useRef<SVGSVGElement>(null);
  const [left, bottom, right, top] = view.bounds;
  const scale = EXTENT / Math.max(right - left, top - bottom);
  const paper: Paper = {
    scale,
    textSize,
    toX: (x) => (x - left) * scale,
    toY: (y) => (top - y) * scale,
  };
  const toMetres = (clientX: number, clientY: number) => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(clientX, clientY).matrixTransform(matrix);
    return [point.x / scale + left, top - point.y / scale] as const;
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${(right - left) * scale} ${(top - bottom) * scale}`}
      className="h-full w-full"
      role="group"
      aria-label={view.title}
      data-view={view.id}
    >
      <Hatches name={view.id} />
      {glow && (
        <>
          <GlowPaint name={view.id} colour={glow} />
          {view.shapes.map((shape, index) => (
            <GlowMark key={index} shape={shape} paper={paper} name={view.id} colour={glow} />
          ))}
        </>
      )}
      {view.shapes.map((shape, index) => (
        <ShapeMark
          key={index}
          shape={shape}
          paper={paper}
          hatchName={view.id}
          glow={glow}
          lit={pointedRef !== null && shape.ref === pointedRef}
        />
      ))}
      {view.dimensions.map((dimension) => (
        <DimensionMark
          key={dimension.label}
          dimension={dimension}
          paper={paper}
          text={lengthText(dimension.valueM)}
        />
      ))}
      {scaleBar && <ScaleBar paper={paper} view={view} units={scaleBar} />}
      {spots.map((spot) => (
        <SpotMark key={spot.name} spot={spot} paper={paper} />
      ))}
      {view.handles.map((handle) => {
        const grip = grips[handle.parameter];
        return grip ? (
          <HandleMark
            key={handle.parameter}
            handle={handle}
            grip={grip}
            paper={paper}
            toMetres={toMetres}
            {...on}
          />
        ) : null;
      })}
    </svg>
  );
}
