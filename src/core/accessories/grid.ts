import type { Body } from '../assembly/body';
import type { Measure } from '../assembly/distance';
import { cutPiece } from '../assembly/solids';
import { uprightAt } from '../build/things';
import type { FormContext } from '../forms/form';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { piecesMassKg } from '../forms/kit/mass';
import { forwards, made } from '../forms/kit/bodies';
import { fact } from '../forms/kit/build';
import { notChosen, stop } from '../forms/kit/findingWriters';
import { sheetBurns } from '../forms/kit/things';
import { defineParameters, length, part } from '../forms/kit/parameters';
import { hardware } from '../forms/kit/needs';
import { partOf } from '../forms/kit/lookup';
import { polygonPiece } from '../forms/kit/pieces';
import type { SheetPiece } from '../build/pieces';
import { circle, knob, measure, rectangle, segment, view, type XY } from '../drawing/shapes';
import { exactMm } from '../quantity';
import { step } from '../forms/kit/steps';
import { frontPlaneM, type AccessoryDefinition, type Attachment } from './accessory';
import { hangers, seatPlane } from './fit';
import { frontSize } from '../build/front';

const { schema, fields, defaults } = defineParameters({
  cellM: length('Cell width', 'Grid', { start: 0.05, min: 0.005, max: 0.5, step: 0.005 }),
  depthM: length('Depth', 'Grid', { start: 0.05, min: 0.005, max: 0.5, step: 0.005 }),
  boardPartId: part('Sheet', 'Grid', 'sheet', true, { takes: 'opaque' }),
});
type Grid = ReturnType<typeof defaults>;

/** Round the front. */
const CLIPS = 4;

/** Strips to draw; more would be a grey patch. */
const MOST_STRIPS = 400;
/** A slit in sheet nobody has chosen yet. */
const SLIT_M = 0.001;

/** Strips of one direction, their places from the middle, each as long as the front is there. */
interface Strips {
  placesM: number[];
  longM: number[];
}

/** Cells are equal and none is wider than asked; on a round front strips end at its rim. */
function stripsOf(sizeM: number, otherM: number, cellM: number, round: boolean): Strips {
  const cells = Math.max(1, Math.ceil(sizeM / cellM - 1e-9));
  const count = Math.min(cells - 1, MOST_STRIPS);
  const placesM = Array.from({ length: count }, (_, k) => ((k + 1) / cells - 0.5) * sizeM);
  const longM = placesM.map((at) =>
    round ? 2 * Math.sqrt(Math.max(0, (sizeM / 2) ** 2 - at * at)) : otherM,
  );
  return { placesM, longM };
}

/** A strip with half-deep slots, as one outline; the slots are as wide as the other strips are thick. */
function slotted(longM: number, depthM: number, slotsM: readonly number[], slitM: number): XY[] {
  const top = slotsM.toReversed().flatMap((x): XY[] => [
    [x + slitM / 2, depthM],
    [x + slitM / 2, depthM / 2],
    [x - slitM / 2, depthM / 2],
    [x - slitM / 2, depthM],
  ]);
  return [[0, 0], [longM, 0], [longM, depthM], ...top, [0, depthM]];
}

/** Alike strips as one piece each: on a round front those at equal distance from its middle. */
function stripPieces(
  id: string,
  name: string,
  grid: Grid,
  own: Strips,
  crossing: Strips,
  context: FormContext,
): SheetPiece[] {
  const { depthM, boardPartId } = grid;
  const slitM = partOf(context, boardPartId, 'sheet')?.thicknessM ?? SLIT_M;
  const lengths = [...new Set(own.longM.map((long) => Number(long.toFixed(6))))];
  return lengths.map((longM, k) => {
    const count = own.longM.filter((each) => Number(each.toFixed(6)) === longM).length;
    const slots = crossing.placesM
      .map((at) => at + longM / 2)
      .filter((x) => x > slitM && x < longM - slitM);
    return polygonPiece(
      lengths.length > 1 ? `${id}-${k + 1}` : id,
      lengths.length > 1 ? `${name} ${k + 1}` : name,
      boardPartId,
      slotted(longM, depthM, slots, slitM),
      context,
      {
        count,
        markOut: [
          `${slots.length} slots ${exactMm(slitM)} wide, half the depth, at ${slots.map(exactMm).join(', ')}; one set from above, one from below.`,
        ],
      },
    );
  });
}

/** What is worked out once and told in several places. */
function partsOf(grid: Grid, base: ResolvedBuild, context: FormContext) {
  const { cellM, depthM, boardPartId } = grid;
  const { widthM, heightM, round = false } = frontSize(base);
  const across = stripsOf(widthM, heightM, cellM, round);
  const along = stripsOf(heightM, widthM, cellM, round);
  const wanted = (sizeM: number) => Math.max(0, Math.ceil(sizeM / cellM - 1e-9) - 1);
  const tooMany = wanted(widthM) + wanted(heightM) > MOST_STRIPS;
  const pieces = [
    ...stripPieces('upright', 'Grid strip, upright', grid, across, along, context),
    ...stripPieces('level', 'Grid strip, level', grid, along, across, context),
  ];
  const thickness = pieces[0]?.thicknessM ?? 0;
  const cell = [
    widthM / (across.placesM.length + 1),
    heightM / (along.placesM.length + 1),
  ] as const;
  // As cut, the wider of the two ways: the one more light gets through.
  const widestM = Math.max(...cell);
  const open = cell.reduce((share, each) => share * Math.max(0, 1 - thickness / each), 1);
  const cutOff = Math.atan2(widestM, depthM);
  const strips = across.placesM.length + along.placesM.length;
  return {
    cellM,
    depthM,
    boardPartId,
    widthM,
    heightM,
    round,
    across,
    along,
    strips,
    cell,
    widestM,
    tooMany,
    pieces,
    open,
    cutOff,
  };
}
type Parts = ReturnType<typeof partsOf>;

function attach(grid: Grid, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(grid, base, context);
  const { depthM, boardPartId, widthM, heightM, strips, cell, widestM, pieces, open, cutOff } =
    parts;
  return {
    pieces,
    needs: hardware('clip', CLIPS, 'hold it on the front', 'fit-grid'),
    folds: (folded) => ({ ...folded, depthM: folded.depthM + depthM }),
    steps: stepsOf(parts),
    facts: [
      fact('strips', 'Grid strips', strips, 'size / cell, rounded up, − 1, both ways', 'count'),
      fact('cell', 'Cells as cut, across', cell[0], 'width / cells: equal, none wider than asked'),
      fact('cell-up', 'Cells as cut, up', cell[1], 'height / cells'),
      fact('cut-off', 'No light beyond', cutOff, 'atan(cell / depth)', 'angle'),
      fact('open', 'Open area', open, '(1 − thickness / cell), both ways', 'ratio'),
    ],
    findings: findingsOf(parts),
    massKg: piecesMassKg(pieces, context),
    massAtM: frontPlaneM(base) + depthM / 2,
    things: [
      {
        id: 'strips',
        name: 'grid',
        burns: sheetBurns(boardPartId, context),
        limitC: null,
        place: uprightAt(widthM, heightM, frontPlaneM(base)),
        ref: 'grid',
        field: 'boardPartId',
      },
    ],
    controls: [
      {
        kind: 'grid',
        name: 'grid',
        zM: frontPlaneM(base),
        cellM: widestM,
        depthM,
        openShare: open,
      },
    ],
    view: viewOf(parts),
  };
}

function viewOf({ cellM, widthM, heightM, round, across, along, cell }: Parts): Attachment['view'] {
  return view(
    'grid',
    'Grid, from the front',
    [
      round
        ? circle(0, 0, widthM / 2, 'part', 'grid')
        : rectangle(-widthM / 2, -heightM / 2, widthM / 2, heightM / 2, 'part', 'grid'),
      ...across.placesM.map((x, k) =>
        segment([x, -across.longM[k]! / 2], [x, across.longM[k]! / 2], 'part', 'grid'),
      ),
      ...along.placesM.map((y, k) =>
        segment([-along.longM[k]! / 2, y], [along.longM[k]! / 2, y], 'part', 'grid'),
      ),
    ],
    [
      measure(
        [-widthM / 2, -heightM / 2],
        [-widthM / 2 + cell[0], -heightM / 2],
        -0.06 * heightM,
        'Cell',
      ),
      measure([-widthM / 2, -heightM / 2], [widthM / 2, -heightM / 2], -0.14 * heightM, 'Across'),
    ],
    [knob('cellM', 'Cell width', [-widthM / 2 + cellM, 0], [1, 0])],
  );
}

function stepsOf({ strips }: Parts): Attachment['steps'] {
  return [
    step(
      'cut',
      'slot',
      'Cut the grid and slot it together',
      'Crossed half-slots hold without glue',
      'knife, rule',
      15 + strips * 2,
      'cells square, strips flush',
      { hazards: ['Cut away from your fingers.'], works: 'sheet' },
    ),
    step(
      'dress',
      'fit-grid',
      'Fit the grid',
      'Unplugged and cool; the warm checks come after it',
      'clips',
      5,
      'it sits square on the front and comes off again',
    ),
  ];
}

function findingsOf({
  boardPartId,
  cellM,
  across,
  along,
  strips,
  tooMany,
}: Parts): Attachment['findings'] {
  return [
    ...(tooMany
      ? [
          stop(
            'geometry',
            'grid.many',
            'Too many strips',
            `${strips} strips and more are more than anybody slots together: make the cells wider.`,
            { field: 'cellM', drawing: 'grid' },
            'This version',
            `${MOST_STRIPS} strips`,
          ),
        ]
      : []),
    ...(across.placesM.length > 0 !== along.placesM.length > 0
      ? [
          stop(
            'geometry',
            'grid.one-way',
            'Strips in one direction only',
            `Cells of ${exactMm(cellM)} are as wide as the front: nothing crosses the strips, and they fall apart. Make the cells narrower.`,
            { field: 'cellM', drawing: 'grid' },
            'Geometry',
          ),
        ]
      : []),
    ...notChosen('grid', [
      ['sheet', boardPartId, 'boardPartId', 'grid', 'Choose what the strips are cut from.'],
    ]),
  ];
}

/** Upright strips with their slots to the front, level ones with theirs to the back. */
function assemble(
  grid: Grid,
  base: ResolvedBuild,
  on: readonly Measure[],
  context: FormContext,
): Body[] {
  const { depthM, across, along, pieces, widthM, heightM } = partsOf(grid, base, context);
  const ends: XY[] = [
    ...across.placesM.flatMap((x, k): XY[] =>
      [-0.5, -0.25, 0, 0.25, 0.5].map((at) => [x, at * across.longM[k]!]),
    ),
    ...along.placesM.flatMap((y, k): XY[] =>
      [-0.5, -0.25, 0, 0.25, 0.5].map((at) => [at * along.longM[k]!, y]),
    ),
  ];
  const z = seatPlane(on, ends, frontPlaneM(base));
  const half = (pieces[0]?.thicknessM || SLIT_M) / 2;
  const set = (id: 'upright' | 'level', { placesM, longM }: Strips) => {
    const lengths = [...new Set(longM.map((long) => Number(long.toFixed(6))))];
    return placesM.map((at, k) => {
      const own = lengths.indexOf(Number(longM[k]!.toFixed(6)));
      const piece = lengths.length > 1 ? `${id}-${own + 1}` : id;
      const cut = pieces.find((each) => each.id === piece)!;
      return made(
        `${id}-${k + 1}`,
        cut.name,
        'board',
        'fit-grid',
        cutPiece(cut, SLIT_M),
        id === 'upright'
          ? { at: [at - half, 0, z + depthM / 2], x: [0, 1, 0], y: [0, 0, 1] }
          : { at: [0, at - half, z + depthM / 2], x: [1, 0, 0], y: [0, 0, -1] },
        { piece, away: forwards(id === 'upright' ? 5 : 6), outside: true },
      );
    });
  };
  const middleOf = ({ placesM }: Strips) => placesM[Math.floor(placesM.length / 2)];
  const [x, y] = [middleOf(across), middleOf(along)];
  const held: XY[] = [
    ...(x === undefined
      ? []
      : ([
          [x, heightM / 2 - half],
          [x, half - heightM / 2],
        ] as const)),
    ...(y === undefined
      ? []
      : ([
          [widthM / 2 - half, y],
          [half - widthM / 2, y],
        ] as const)),
  ];
  return [...set('upright', across), ...set('level', along), ...hangers(on, held, z, 'fit-grid')];
}

/** Crossed strips in front: the light is seen only within atan(cell/depth) [docs/model/light.md]. */
export const grid: AccessoryDefinition<Grid> = {
  id: 'grid',
  name: 'Grid',
  summary: 'Slotted strips across the front; cuts light beyond an angle.',
  parameters: schema,
  fields,
  optical: true,
  defaults,
  attach,
  assemble,
};
