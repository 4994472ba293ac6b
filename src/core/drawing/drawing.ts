import type { Insulation } from '../electrics/insulation';

/** Layers say what a line means at the bench; screens and files style them. */
export type PenLayer =
  'cut' | 'score' | 'drill' | 'mark' | 'part' | 'cord' | 'tape' | 'glass' | 'hidden' | 'centre';

/** How a cut face is hatched: by what it is made of. */
export type Hatch = 'wood' | 'foam' | 'metal' | 'plastic';

interface Inked {
  /** of a hole, so that it can be ticked off and spoken of */
  id?: string;
  layer: PenLayer;
  /** what the shape belongs to; findings point at it */
  ref?: string;
  /** what it is, for lists */
  label?: string;
  /** of a wire: drawn in its own colour within an outline, so that every colour shows on any paper */
  insulation?: Insulation;
}

/** Shapes in metres, x right, y up; arcs anticlockwise in radians. */
export type Shape =
  | (Inked & { kind: 'circle'; x: number; y: number; r: number })
  | (Inked & {
      kind: 'polyline';
      points: readonly (readonly [number, number])[];
      /** edges that are arcs, see `path.ts` */
      bulges?: readonly number[];
      closed?: boolean;
      /** what is cut through here: hatched by its kind */
      hatch?: Hatch;
    })
  | (Inked & { kind: 'arc'; x: number; y: number; r: number; from: number; to: number })
  | (Inked & { kind: 'text'; x: number; y: number; text: string; anchor?: 'start' | 'middle' });

/** A measured distance between two points, drawn beside them. */
export interface DimensionLine {
  from: readonly [number, number];
  to: readonly [number, number];
  /** how far beside the line the figure stands; the sign picks the side */
  offsetM: number;
  valueM: number;
  label: string;
}

/** How pulling a handle becomes a parameter's value. */
export type Pull =
  /** value = along · direction × perMetre + at rest */
  | { kind: 'straight'; direction: readonly [number, number]; perMetre: number }
  /** value = how many times the angle from `fromRad` to the pointer goes into a full turn */
  | { kind: 'division'; fromRad: number };

export interface Handle {
  parameter: string;
  label: string;
  at: readonly [number, number];
  pull: Pull;
}

export interface View {
  id: string;
  title: string;
  /** left, bottom, right, top in metres */
  bounds: readonly [number, number, number, number];
  shapes: Shape[];
  dimensions: DimensionLine[];
  handles: Handle[];
}

export interface Drawing {
  views: View[];
}
