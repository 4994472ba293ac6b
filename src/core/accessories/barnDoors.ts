import { piecesMassKg } from '../forms/kit/mass';
import { knob, measure, view } from '../drawing/shapes';
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

const { schema, fields, defaults } = defineParameters(doorParameters('Doors'));
type BarnDoors = ReturnType<typeof defaults>;

/** What leaves are hinged to where nothing is cut: a reflector’s rim, a case [typ]. */
const RIM_M = 0.001;

/** The board of the light they hang on. */
const rimOf = ({ pieces }: ResolvedBuild): number =>
  pieces.find((piece) => piece.kind === 'sheet')?.thicknessM || RIM_M;

export const barnDoors: AccessoryDefinition<BarnDoors> = {
  id: 'barn-doors',
  name: 'Barn doors',
  summary: 'Four leaves of sheet metal hinged to the front.',
  parameters: schema,
  fields,
  optical: true,
  defaults,
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
