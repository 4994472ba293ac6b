import type { Body, Matter, Pose, Solid } from '../../assembly/body';
import { along, facing } from '../../assembly/poses';
import { between, cutPiece, globe, hoop, rod, slab } from '../../assembly/solids';
import type { SheetPiece } from '../../build/pieces';
import type { Fitting, Framework } from '../../build/framework';
import type { XY } from '../../drawing/shapes';
import { areaVector, dot, minus, plus, scaled, unit, type Vector } from '../../light/vector';
import type { Bulb } from '../../units/unit';
import { bulbFrontM } from './lamps';
import { COVER_OFF_M } from './covers';
import { GLOBE_M, PIPE_M, PIPE_WALL_M } from './typical';

/** Cloth, film and foil, tape and its channel, as thick as they are drawn. */
export const CLOTH_M = 0.001;
export const TAPE_M = 0.003;
/** A lamp's cap over its holder, at most; a stand-off; a lacing or a bond [typ]. */
const NECK_M = 0.027;
const STAND_OFF_RADIUS_M = 0.004;
const CORD_RADIUS_M = 0.002;

type More = Partial<Pick<Body, 'piece' | 'away' | 'outside' | 'side' | 'fastens'>>;

/** One thing in the assembled light; it stays in its place when the light is taken apart, unless it is told. */
export const made = (
  id: string,
  name: string,
  matter: Matter,
  step: string | null,
  solid: Solid,
  pose: Pose,
  more: More = {},
): Body => ({
  id,
  name,
  piece: null,
  matter,
  step,
  solid,
  pose,
  away: [0, 0, 0],
  ...more,
});

/** A piece of board as it is cut, its face on z = 0. @param unchosenM  thickness where its sheet is not chosen yet */
export const boardBody = (
  piece: SheetPiece,
  unchosenM: number,
  { about, ...more }: More & { about?: XY } = {},
): Body =>
  made(
    piece.id,
    piece.name,
    'board',
    null,
    cutPiece(piece, unchosenM, about),
    facing([0, 0, -(piece.thicknessM || unchosenM)]),
    { piece: piece.id, ...more },
  );

/** Spaces towards the subject or the back. */
export const forwards = (spaces: number): Vector => [0, 0, spaces];

/** A lamp screwed into a holder whose rim lies at `at`, so far out of it. */
export const lampBody = (
  bulb: Bulb | null,
  k: number,
  at: Vector,
  step = 'lamps-in',
  outM = bulbFrontM(bulb, 0),
): Body =>
  made(
    `lamp-${k + 1}`,
    bulb?.name ?? 'Bulb',
    'lamp',
    step,
    globe(bulb?.globeDiameterM ?? GLOBE_M, outM, NECK_M),
    facing(at),
    { away: forwards(2) },
  );

/** A holder on a board's face, on its spacer where it is raised. */
export function holderBodies(
  k: number,
  [x, y]: XY,
  { footM, standoffM, rimM }: { footM: number; standoffM: number; rimM: number },
  step: string,
): Body[] {
  const holder = made(
    `holder-${k + 1}`,
    'Socket',
    'part',
    step,
    rod(footM / 2, rimM - standoffM),
    facing([x, y, standoffM]),
    { away: forwards(1) },
  );
  if (standoffM <= 0) return [holder];
  const spacer = rod(0.4 * footM, standoffM);
  return [
    made(`spacer-${k + 1}`, 'Spacer', 'metal', step, spacer, facing([x, y, 0]), {
      away: forwards(0.5),
    }),
    holder,
  ];
}

/** Stand-offs behind a board's back, and the plane their cover lies on. */
export const standOffBodies = (places: readonly XY[], backM: number): Body[] =>
  places.map(([x, y], k) =>
    made(
      `stand-off-${k + 1}`,
      'Stand-off',
      'part',
      'fit-cover',
      rod(STAND_OFF_RADIUS_M, COVER_OFF_M),
      facing([x, y, backM - COVER_OFF_M]),
      { away: forwards(-1) },
    ),
  );

/** Straight tape on a face, from one end to the other. @param widthM  of the tape */
export function tapeBody(
  id: string,
  from: Vector,
  to: Vector,
  widthM: number,
  thicknessM = TAPE_M,
): Body {
  const way = minus(to, from);
  const long = Math.hypot(...way);
  const middle = scaled(plus(from, to), 0.5);
  const x = unit(way);
  return made(
    id,
    'LED tape',
    'tape',
    'lay-tape',
    slab(long, widthM, thicknessM),
    { at: middle, x, y: [-x[1], x[0], 0] },
    { away: forwards(1) },
  );
}

/** A turn of tape from the top, clockwise as the subject sees it. */
export const turnBody = (
  id: string,
  [innerM, outerM]: readonly [number, number],
  [fromM, toM]: readonly [number, number],
  laidM: number,
): Body => {
  const whole = laidM / ((innerM + outerM) / 2);
  const arc =
    whole > 2 * Math.PI - 0.02 ? undefined : { fromRad: Math.PI / 2 - whole, sweepRad: whole };
  return made(
    id,
    'LED tape',
    'tape',
    'lay-tape',
    hoop(innerM, outerM, fromM, toM, arc),
    facing([0, 0, 0]),
    { away: forwards(1) },
  );
};

/** A flat layer before the light. */
export const layerBody = (
  id: string,
  name: string,
  solid: Solid,
  zM: number,
  spaces: number,
  more: More = {},
): Body =>
  made(id, name, 'cloth', 'fit-layers', solid, facing([0, 0, zM]), {
    piece: id,
    away: forwards(spaces),
    ...more,
  });

/** A disc of cloth on z = 0, its edge folded down over what it lies on. */
export const foldedDisc = (radiusM: number, tabM: number): Solid =>
  tabM <= 0
    ? hoop(0, radiusM, 0, CLOTH_M)
    : {
        kind: 'turned',
        profile: [
          [0, 0],
          [radiusM, 0],
          [radiusM, -tabM],
          [radiusM + CLOTH_M, -tabM],
          [radiusM + CLOTH_M, CLOTH_M],
          [0, CLOTH_M],
        ],
      };

/** A straight round bar between two points. */
export const barBody = (
  id: string,
  name: string,
  matter: Matter,
  step: string,
  [from, to]: readonly [Vector, Vector],
  radiusM: number,
  more: More & { boreM?: number } = {},
): Body => {
  const { boreM = 0, ...rest } = more;
  const way = minus(to, from);
  return made(
    id,
    name,
    matter,
    step,
    rod(radiusM, Math.hypot(...way), boreM),
    along(from, way),
    rest,
  );
};

/** A lacing, bond or rope. */
export const cordBody = (
  id: string,
  name: string,
  step: string,
  ends: readonly [Vector, Vector],
  more: More = {},
): Body => barBody(id, name, 'cloth', step, ends, CORD_RADIUS_M, { fastens: true, ...more });

/** A fitting is so much thicker than its pipes, which go into it by so many of their radii [typ]. */
const FITTING = 1.35;
const SLEEVE = 1.22;
const FITTING_NAMES: Record<Fitting, string> = {
  cap: 'Cap',
  coupler: 'Coupler',
  elbow: 'Elbow',
  tee: 'Tee',
  cross: 'Cross',
  'four-way': 'Four-way fitting',
  'five-way': 'Five-way fitting',
};
const IN = 1.5;

/**
 * Pipes between their joints, and the fittings over their ends. Where nobody has measured what a fitting takes, pipes
 * are drawn to where they would meet.
 */
export function frameBodies(
  { id, joints, pipes, takeOffM, couplerM }: Framework,
  pipe: { diameterM: number; wallM: number } | null,
  step: string,
  placed: (point: Vector) => Vector = (point) => point,
  more: More = {},
): Body[] {
  const radius = (pipe?.diameterM ?? PIPE_M) / 2;
  const bore = radius - (pipe?.wallM ?? PIPE_WALL_M);
  const at = new Map(joints.map((joint) => [joint.id, joint]));
  const stops = (joint: string) => {
    const { fitting } = at.get(joint)!;
    if (fitting === 'cap') return 0;
    return fitting === 'coupler' ? couplerM : Math.max(takeOffM, radius * 1.05);
  };
  const fitted = { fastens: true, outside: true, ...more } as const;
  const bars = pipes.flatMap((each) => {
    const [from, to] = [placed(at.get(each.from)!.atM), placed(at.get(each.to)!.atM)];
    const way = unit(minus(to, from));
    const own = `${id}-${each.id}`;
    const sleeve = (joint: string, end: Vector, sign: number) =>
      barBody(
        `${own}-${joint}`,
        FITTING_NAMES[at.get(joint)!.fitting],
        'part',
        step,
        [end, plus(end, scaled(way, sign * (stops(joint) + IN * radius)))],
        radius * SLEEVE,
        { ...fitted, side: true },
      );
    return [
      barBody(
        own,
        'Pipe',
        'pipe',
        step,
        [plus(from, scaled(way, stops(each.from))), minus(to, scaled(way, stops(each.to)))],
        radius,
        { boreM: bore, piece: each.piece, ...more },
      ),
      sleeve(each.from, from, 1),
      sleeve(each.to, to, -1),
    ];
  });
  const knuckles = joints.map((joint) =>
    made(
      `${id}-${joint.id}`,
      FITTING_NAMES[joint.fitting],
      'part',
      step,
      globe(2 * radius * FITTING, 2 * radius * FITTING, 0),
      facing(minus(placed(joint.atM), [0, 0, radius * FITTING])),
      fitted,
    ),
  );
  return [...bars, ...knuckles];
}

/** A flat thing given by its corners, its thickness to the side of a point. */
export function sheetBetween(
  corners: readonly Vector[],
  thicknessM: number,
  towards: Vector,
): Solid {
  const normal = unit(areaVector(corners));
  const side = Math.sign(dot(normal, minus(towards, corners[0]!))) || 1;
  const off = scaled(normal, side * thicknessM);
  return between(
    corners,
    corners.map((corner) => plus(corner, off)),
  );
}

/** Its shape is told in the build's own axes. */
export const IN_PLACE: Pose = facing([0, 0, 0]);
