'use client';
import { useRef } from 'react';
import type { Shape, View } from '@/core/drawing/drawing';
import { DimensionMark } from './DimensionMark';
import type { UnitSystem } from '@/core/quantity';
import { ScaleBar } from './ScaleBar';
import { SpotMark, type Spot } from './SpotMark';
import { HandleMark, type Grip, type HandleMarkProps } from './HandleMark';
import { FacesMark } from './FacesMark';
import { GlowMark, GlowPaint, type Glow } from './GlowMark';
import { Hatches } from './Hatches';
import type { Paper } from './paper';
import { ShapeMark } from './ShapeMark';
import { usePixel } from './usePixel';

/** Drawing units along a view's longer side; the drawing keeps its scale, only the paper zooms. */
const EXTENT = 1000;
/** Height of all lettering on the screen, pixels: one size in every drawing. */
const LETTER_PX = 13;

/** What is wired stands in boxes and rows that leave room for letters up to here, drawing units. */
export const WIRING_LETTER = 25;

interface ViewDrawingProps {
  view: View;
  /** no letter higher than so many drawing units: what is told in words has been fitted to that */
  mostLetter?: number;
  pointedRef: string | null;
  lengthText: (metres: number) => string;
  grips: Record<string, Grip>;
  on: Pick<HandleMarkProps, 'onPull' | 'onSettle' | 'onAbandon' | 'onGrip'>;
  /** a bar that says how long a length is here, in one of two systems */
  scaleBar?: UnitSystem;
  /** parts of the drawing that answer when they are pressed */
  spots?: readonly Spot[];
  /** how a lamp glows; left out for a drawing of a light that is off */
  glowOf?: (shape: Shape) => Glow | null;
  /** what it is cut from is tinted */
  faces?: boolean;
}

const unlit = () => null;

/** For pictures nobody pulls at or points into. */
export const QUIET_VIEW = {
  grips: {},
  on: { onPull: () => {}, onSettle: () => {}, onAbandon: () => {}, onGrip: () => {} },
  pointedRef: null,
};

/** One view of a build, to scale and dimensioned, with knobs for its main sizes. */
export function ViewDrawing({
  view,
  mostLetter = Infinity,
  pointedRef,
  lengthText,
  grips,
  on,
  scaleBar,
  spots = [],
  glowOf = unlit,
  faces = false,
}: ViewDrawingProps) {
  const svg = useRef<SVGSVGElement>(null);
  const [left, bottom, right, top] = view.bounds;
  const scale = EXTENT / Math.max(right - left, top - bottom);
  const [wide, high] = [(right - left) * scale, (top - bottom) * scale];
  const pixel = usePixel(svg, wide, high);
  const paper: Paper = {
    scale,
    pixel,
    textSize: Math.min(mostLetter, LETTER_PX * pixel),
    toX: (x) => (x - left) * scale,
    toY: (y) => (top - y) * scale,
  };
  const glows = view.shapes.map(glowOf);
  const marks = view.shapes.map((shape, index) => (
    <ShapeMark
      key={index}
      shape={shape}
      paper={paper}
      hatchName={view.id}
      glow={glows[index]}
      lit={pointedRef !== null && shape.ref === pointedRef}
    />
  ));
  // What lies below everything that is cut, such as the sheet it is cut from, lies below its tint.
  const firstCut = Math.max(
    0,
    view.shapes.findIndex(({ layer }) => layer === 'cut'),
  );
  const toMetres = (clientX: number, clientY: number) => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(clientX, clientY).matrixTransform(matrix);
    return [point.x / scale + left, top - point.y / scale] as const;
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${wide} ${high}`}
      className="h-full w-full"
      role="group"
      aria-label={view.title}
      data-view={view.id}
    >
      <Hatches name={view.id} />
      {marks.slice(0, firstCut)}
      {faces && <FacesMark shapes={view.shapes} paper={paper} />}
      <GlowPaint name={view.id} glows={glows} />
      {view.shapes.map((shape, index) => (
        <GlowMark key={index} shape={shape} paper={paper} name={view.id} glow={glows[index]!} />
      ))}
      {marks.slice(firstCut)}
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
