import { uprightAt } from '../build/things';
import type { FormContext } from '../forms/form';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { piecesMassKg } from '../forms/kit/mass';
import { fact } from '../forms/kit/build';
import { notChosen, stop } from '../forms/kit/findingWriters';
import { sheetBurns } from '../forms/kit/things';
import { defineParameters, length, part } from '../forms/kit/parameters';
import { rectanglePiece } from '../forms/kit/pieces';
import { knob, measure, rectangle, view, segment } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import type { Shape } from '../drawing/drawing';
import { frontPlaneM, type AccessoryDefinition, type Attachment } from './accessory';

const { schema, fields, defaults } = defineParameters({
  cellM: length('Cell width', 'Grid', { start: 0.05, min: 0.005, max: 0.5, step: 0.005 }),
  depthM: length('Depth', 'Grid', { start: 0.05, min: 0.005, max: 0.5, step: 0.005 }),
  boardPartId: part('Sheet', 'Grid', 'sheet'),
});
type Grid = ReturnType<typeof defaults>;

/** Strips to draw; more would be a grey patch. */
const MOST_STRIPS = 400;

/** What is worked out once and told in several places. */
function partsOf(grid: Grid, base: ResolvedBuild, context: FormContext) {
  const { cellM, depthM, boardPartId } = grid;
  const { widthM, heightM } = base.apparent;
  const across = Math.max(0, Math.ceil(widthM / cellM - 1e-9) - 1);
  const along = Math.max(0, Math.ceil(heightM / cellM - 1e-9) - 1);
  const tooMany = across + along > MOST_STRIPS;
  const strip = (id: string, name: string, long: number, count: number, slots: number) =>
    rectanglePiece(id, name, boardPartId, long, depthM, context, {
      count: Math.min(count, MOST_STRIPS),
      shapes: Array.from({ length: Math.min(slots, MOST_STRIPS) }, (_, k): Shape =>
        segment([(k + 1) * cellM, depthM / 2], [(k + 1) * cellM, depthM], 'cut'),
      ),
      markOut: [
        `${slots} slots, ${(cellM * 1000).toFixed(0)} mm apart, half the depth; one set from above, one from below.`,
      ],
    });
  const pieces = [
    ...(across > 0 ? [strip('upright', 'Grid strip, upright', heightM, across, along)] : []),
    ...(along > 0 ? [strip('level', 'Grid strip, level', widthM, along, across)] : []),
  ];
  const thickness = pieces[0]?.thicknessM ?? 0;
  const open = Math.max(0, 1 - thickness / cellM) ** 2;
  const cutOff = Math.atan2(cellM, depthM);
  return {
    cellM,
    depthM,
    boardPartId,
    widthM,
    heightM,
    across,
    along,
    tooMany,
    pieces,
    open,
    cutOff,
  };
}
type Parts = ReturnType<typeof partsOf>;

function attach(grid: Grid, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(grid, base, context);
  const { cellM, depthM, boardPartId, widthM, heightM, across, along, pieces, open, cutOff } =
    parts;
  return {
    pieces,
    needs: [],
    steps: stepsOf(parts),
    facts: [
      fact('strips', 'Grid strips', across + along, 'size / cell − 1, both ways', 'count'),
      fact('cut-off', 'No light beyond', cutOff, 'atan(cell / depth)', 'angle'),
      fact('open', 'Open area', open, '(1 − thickness / cell)²', 'ratio'),
    ],
    findings: findingsOf(parts),
    massKg: piecesMassKg(pieces, context),
    massAtM: frontPlaneM(base) + grid.depthM / 2,
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
      { kind: 'grid', name: 'grid', zM: frontPlaneM(base), cellM, depthM, openShare: open },
    ],
    view: viewOf(parts),
  };
}

function viewOf({ cellM, widthM, heightM, across, along }: Parts): Attachment['view'] {
  return view(
    'grid',
    'Grid, from the front',
    [
      rectangle(-widthM / 2, -heightM / 2, widthM / 2, heightM / 2, 'part', 'grid'),
      ...Array.from({ length: Math.min(across, MOST_STRIPS) }, (_, k) => {
        const x = -widthM / 2 + (k + 1) * cellM;
        return segment([x, -heightM / 2], [x, heightM / 2], 'part', 'grid');
      }),
      ...Array.from({ length: Math.min(along, MOST_STRIPS) }, (_, k) => {
        const y = -heightM / 2 + (k + 1) * cellM;
        return segment([-widthM / 2, y], [widthM / 2, y], 'part', 'grid');
      }),
    ],
    [
      measure(
        [-widthM / 2, -heightM / 2],
        [-widthM / 2 + cellM, -heightM / 2],
        -0.06 * heightM,
        'Cell',
      ),
    ],
    [knob('cellM', 'Cell width', [-widthM / 2 + cellM, 0], [1, 0])],
  );
}

function stepsOf({ across, along }: Parts): Attachment['steps'] {
  return [
    step(
      'cut',
      'slot',
      'Cut the grid and slot it together',
      'Crossed half-slots hold without glue',
      'knife, rule',
      15 + (across + along) * 2,
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

function findingsOf({ boardPartId, across, along, tooMany }: Parts): Attachment['findings'] {
  return [
    ...(tooMany
      ? [
          stop(
            'geometry',
            'grid.many',
            'Too many strips',
            `${across + along} strips are more than anybody slots together: make the cells wider.`,
            { field: 'cellM', drawing: 'grid' },
            'This version',
            `${MOST_STRIPS} strips`,
          ),
        ]
      : []),
    ...notChosen('grid', [
      ['sheet', boardPartId, 'boardPartId', 'grid', 'Choose what the strips are cut from.'],
    ]),
  ];
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
};
