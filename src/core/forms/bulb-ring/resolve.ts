import { sendsBack } from '../kit/cavities';
import { coverDepthM, coveredMomentKgM } from '../kit/covers';
import { BOARD_M } from '../kit/typical';
import { piecesMassKg } from '../kit/mass';
import { partOf } from '../kit/lookup';
import { socketHolder } from '../kit/sockets';
import { completeBuild } from '../kit/build';
import type { FormContext } from '../form';
import { bulbLamps, bulbLoads } from '../kit/lamps';
import { wiringSlots } from '../kit/needs';
import { sheetBurns } from '../kit/things';
import type { Thing } from '../../build/things';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { BLACK_CLOTH, type RoundWall } from '../../light/controls';
import type { ReflectingSurface } from '../../light/surfaces';
import { ringFindings } from './findings';
import { layoutRing, type RingLayout } from './layout';
import { ringFacts, ringPieces } from './marks';
import { linkLengthM, fittingsMassKg, ringNeeds } from './needs';
import { MOST_STANDOFF_M, type BulbRing } from './parameters';
import { ringSteps } from './steps';

/** A skirt hangs from the rim towards the subject. */
function skirtOf({ skirtDepthM, outerDiameterM }: BulbRing): RoundWall[] {
  if (skirtDepthM <= 0) return [];
  const radius = outerDiameterM / 2;
  return [
    {
      kind: 'round',
      name: 'skirt',
      fromM: 0,
      toM: skirtDepthM,
      fromRadiusM: radius,
      toRadiusM: radius,
      reflectance: BLACK_CLOTH,
    },
  ];
}

/** Turns a ring's parameters into the one shape every engine reads. */
export function resolveRing(ring: BulbRing, context: FormContext): ResolvedBuild {
  const layout = layoutRing(ring, context);
  const seats = layout.seats.map(({ x, y, group }) => ({
    positionM: [x, y, layout.glowM[group]!] as const,
    axis: [0, 0, 1] as const,
    group,
  }));
  const link = linkLengthM(ring, context, layout);
  const pieces = ringPieces(ring, context, layout);
  const thickness = boardThickness(ring, context);
  const fittingsKg = fittingsMassKg(ring, context, layout);
  return completeBuild(
    {
      momentKgM: coveredMomentKgM(
        piecesMassKg(pieces, context),
        fittingsKg,
        thickness,
        layout.frontM,
      ),
      ...bulbLamps(ring.groups, seats, context),
      surfaces: [boardFront(ring, layout, context)],
      controls: skirtOf(ring),
      lampsAt: { drawing: 'seat-0', field: 'groups' },
      wiring: {
        ...wiringSlots(ring),
        ...socketHolder(ring, context),
        loads: bulbLoads(ring.groups, seats, (k) => (k === 0 ? ring.tailLengthM : link), context),
      },
      pieces,
      needs: ringNeeds(ring, context, layout),
      steps: ringSteps(ring, layout, partOf(context, ring.boardPartId, 'sheet')),
      facts: ringFacts(ring, context, layout),
      findings: ringFindings(ring, context, layout),
      apparent: {
        widthM: 2 * layout.rowRadiiM[0]! + layout.globeM,
        heightM: 2 * layout.rowRadiiM[0]! + layout.globeM,
        round: true,
      },
      array: { spacingM: layout.spacingM, emitterWidthM: layout.globeM },
      frontM: layout.frontM,
      things: thingsOf(ring, context, layout),
      built: {
        widthM: ring.outerDiameterM,
        heightM: ring.outerDiameterM,
        depthM:
          layout.frontM +
          (thickness || BOARD_M) +
          coverDepthM(partOf(context, ring.coverPartId, 'sheet')?.thicknessM),
      },
    },
    fittingsKg,
    context,
  );
}

function boardThickness(ring: BulbRing, context: FormContext): number {
  const board = context.part(ring.boardPartId);
  return board?.role === 'sheet' ? board.thicknessM : 0;
}

const boardFront = (
  ring: BulbRing,
  layout: RingLayout,
  context: FormContext,
): ReflectingSurface => ({
  kind: 'annulus',
  innerRadiusM: layout.innerRadiusM,
  outerRadiusM: layout.outerRadiusM,
  heightM: 0,
  ...sendsBack(context.finish(ring.finish)),
});

function thingsOf(ring: BulbRing, context: FormContext, layout: RingLayout): Thing[] {
  const { innerRadiusM, outerRadiusM } = layout;
  return [
    {
      id: 'board',
      name: 'board',
      burns: sheetBurns(ring.boardPartId, context),
      limitC: null,
      place: { kind: 'ring', zM: 0, innerRadiusM, outerRadiusM },
      ref: 'board',
      field: 'standoffM',
      raise: {
        field: 'standoffM',
        fromM: ring.standoffM,
        mostM: MOST_STANDOFF_M,
        how: 'Raise the sockets on metal or porcelain spacers',
      },
    },
    ...skirtOf(ring).map((skirt): Thing => ({
      id: 'skirt',
      name: 'skirt',
      burns: 'cloth',
      limitC: null,
      place: { ...skirt, kind: 'cone' },
      ref: 'skirt',
      field: 'skirtDepthM',
    })),
  ];
}
