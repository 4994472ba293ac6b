import type { Body } from '../assembly/body';
import type { Measure } from '../assembly/distance';
import { leafBodies } from '../forms/kit/doorBodies';
import type { FormContext } from '../forms/form';
import { partOf } from '../forms/kit/lookup';
import { piecesMassKg } from '../forms/kit/mass';
import { knob, measure, view, type XY } from '../drawing/shapes';
import { minus, plus, scaled, type Vector } from '../light/vector';
import {
  doorFacts,
  doorFindings,
  doorNeeds,
  doorParameters,
  doorPieces,
  doorPlates,
  doorShapes,
  foldedDoors,
  doorSteps,
  doorThings,
} from '../forms/kit/doors';
import { sheetReflectance } from '../forms/kit/things';
import { notChosen } from '../forms/kit/findingWriters';
import { defineParameters } from '../forms/kit/parameters';
import type { ResolvedBuild } from '../build/resolvedBuild';

import { frontPlaneM, type AccessoryDefinition } from './accessory';
import { frontSize } from '../build/front';
import { hangers, seatPlane } from './fit';

const { schema, fields, defaults } = defineParameters(doorParameters('Doors'));
type BarnDoors = ReturnType<typeof defaults>;

/** What leaves are hinged to where nothing is cut: a reflector’s rim, a case [typ]. */
const RIM_M = 0.001;

/** The board of the light they hang on. */
const rimOf = ({ pieces }: ResolvedBuild): number =>
  pieces.find((piece) => piece.kind === 'sheet')?.thicknessM || RIM_M;

const SHARES = Array.from({ length: 12 }, (_, k) => k / 12);

/** Leaves by their hinges in the plane of the front, which clips hold where the light lies farther back. */
function assemble(
  doors: BarnDoors,
  base: ResolvedBuild,
  on: readonly Measure[],
  context: FormContext,
): Body[] {
  const { widthM: w, heightM: h } = frontSize(base);
  const middles: XY[] = [
    [0, h / 2],
    [0, -h / 2],
    [w / 2, 0],
    [-w / 2, 0],
  ];
  const hinges = [-0.5, -0.25, 0, 0.25, 0.5].flatMap((at): XY[] => [
    [at * w, h / 2],
    [at * w, -h / 2],
    [w / 2, at * doors.sideHingeM],
    [-w / 2, at * doors.sideHingeM],
  ]);
  // Open, they must clear what stands beside the front as well.
  const open = doorPlates(doors, w, h, 0).flatMap(({ points }) =>
    points.flatMap((from, k): Vector[] => {
      const to = points[(k + 1) % points.length]!;
      return SHARES.map((share) => plus(from, scaled(minus(to, from), share)));
    }),
  );
  const z = seatPlane(on, [...hinges, ...open], frontPlaneM(base));
  const thicknessM = partOf(context, doors.boardPartId, 'sheet')?.thicknessM ?? 0;
  return [
    ...leafBodies(doors, doorPlates(doors, w, h, z), thicknessM),
    ...hangers(on, middles, z, 'hinge'),
  ];
}

export const barnDoors: AccessoryDefinition<BarnDoors> = {
  id: 'barn-doors',
  name: 'Barn doors',
  summary: 'Four leaves of sheet metal hinged to the front.',
  parameters: schema,
  fields,
  optical: true,
  defaults,
  assemble,
  attach: (doors, base, context) => {
    const { widthM, heightM } = frontSize(base);
    const pieces = doorPieces(doors, widthM, context);
    const plates = doorPlates(
      doors,
      widthM,
      heightM,
      frontPlaneM(base),
      sheetReflectance(doors.boardPartId, context),
    );
    return {
      pieces,
      needs: doorNeeds(doors, rimOf(base), context),
      folds: (folded) => foldedDoors(folded, doors, pieces[0]!.thicknessM),
      steps: doorSteps(),
      facts: doorFacts(doors, widthM, heightM),
      findings: [
        ...doorFindings(doors, widthM, heightM),
        ...notChosen('doors', [
          [
            'sheet',
            doors.boardPartId,
            'boardPartId',
            'doors',
            'Choose what the leaves are cut from.',
          ],
        ]),
      ],
      massKg: piecesMassKg(pieces, context),
      massAtM: frontPlaneM(base) + (doors.leafLengthM / 2) * Math.cos(doors.openedRad),
      controls: plates,
      things: doorThings(doors, plates, context),
      view: view(
        'doors',
        'Barn doors, folded out',
        doorShapes(doors, widthM, heightM),
        [
          measure(
            [widthM / 2, heightM / 2],
            [widthM / 2, heightM / 2 + doors.leafLengthM],
            -0.1 * widthM,
            'Leaf',
          ),
        ],
        [knob('leafLengthM', 'Leaf length', [0, heightM / 2 + doors.leafLengthM], [0, 1])],
      ),
    };
  },
};
