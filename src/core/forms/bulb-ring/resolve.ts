import type { FormContext } from '../form';
import type { LampGroup, Load, ResolvedBuild, Flammable } from '../resolved';
import type { Emitter, ReflectingSurface } from '../../light/emitter';
import { FINISHES } from '../../materials/finish';
import { effectiveBulb } from '../../units/effective';
import { ringFindings } from './findings';
import { layoutRing, type RingLayout } from './layout';
import { ringFacts, ringPieces } from './marks';
import { linkLengthM, ringMassKg, ringNeeds } from './needs';
import type { BulbRing } from './parameters';
import { ringSteps } from './steps';

/** Turns a ring's parameters into the one shape every engine reads. */
export function resolveRing(ring: BulbRing, context: FormContext): ResolvedBuild {
  const layout = layoutRing(ring, context);
  const lit = layout.seats.map((seat) => seat.group);
  const groups = lampGroups(ring, context, lit);
  return {
    emitters: ringEmitters(ring, context, layout),
    surfaces: [boardFront(ring, layout)],
    groups,
    lampsAt: { drawing: 'seat-0', field: 'groups' },
    wiring: {
      cord: { partId: ring.cordPartId, field: 'cordPartId' },
      plug: { partId: ring.plugPartId, field: 'plugPartId' },
      dimmer: { partId: ring.dimmerPartId, field: 'dimmerPartId' },
      loads: ringLoads(ring, context, layout),
    },
    pieces: ringPieces(ring, context, layout),
    needs: ringNeeds(ring, context, layout),
    steps: ringSteps(ring, context, layout),
    facts: ringFacts(ring, context, layout),
    findings: ringFindings(ring, context, layout),
    apparent: {
      widthM: 2 * layout.rowRadiiM[0]! + layout.globeM,
      heightM: 2 * layout.rowRadiiM[0]! + layout.globeM,
    },
    array: { spacingM: layout.spacingM, emitterWidthM: layout.globeM },
    frontM: layout.frontM,
    flammables: flammables(ring, context, layout),
    massKg: ringMassKg(ring, context, layout),
    folded: {
      widthM: ring.outerDiameterM,
      heightM: ring.outerDiameterM,
      depthM: layout.frontM + boardThickness(ring, context),
    },
  };
}

function boardThickness(ring: BulbRing, context: FormContext): number {
  const board = context.part(ring.boardPartId);
  return board?.role === 'sheet' ? board.thicknessM : 0;
}

/**
 * Emitters keep their place in the list even when no bulb is chosen, with no light, so that
 * groups and loads can point at them by index.
 */
function ringEmitters(ring: BulbRing, context: FormContext, layout: RingLayout): Emitter[] {
  const units = ring.groups.map((group) => {
    const bulb = context.bulb(group.bulbId);
    return bulb && effectiveBulb(bulb);
  });
  return layout.seats.map((seat): Emitter => {
    const unit = units[seat.group];
    return {
      positionM: [seat.x, seat.y, layout.centreM],
      axis: [0, 0, 1],
      // Lumens follow the level directly: for a filament the level is defined as its light.
      luminousFluxLm: unit ? unit.luminousFluxLm.value * ring.groups[seat.group]!.level : 0,
      spread: unit?.bulb.spread ?? { class: 'omni' },
    };
  });
}

const boardFront = (ring: BulbRing, layout: RingLayout): ReflectingSurface => ({
  kind: 'annulus',
  innerRadiusM: layout.innerRadiusM,
  outerRadiusM: layout.outerRadiusM,
  heightM: 0,
  reflectance: FINISHES[ring.finish].reflectance,
});

function lampGroups(ring: BulbRing, context: FormContext, groupOf: number[]): LampGroup[] {
  return ring.groups.flatMap((group, index) => {
    const bulb = context.bulb(group.bulbId);
    if (!bulb) return [];
    const emitters = groupOf.flatMap((of, seat) => (of === index ? [seat] : []));
    return [
      {
        name: `Group ${String.fromCharCode(65 + index)}`,
        unit: effectiveBulb(bulb),
        count: emitters.length,
        level: group.level,
        emitters,
      },
    ];
  });
}

function ringLoads(ring: BulbRing, context: FormContext, layout: RingLayout): Load[] {
  const link = linkLengthM(ring, context, layout);
  return layout.seats.map((seat, k) => ({
    ref: `seat-${k}`,
    group: seat.group,
    cordM: k === 0 ? ring.tailLengthM : link,
  }));
}

function flammables(ring: BulbRing, context: FormContext, layout: RingLayout): Flammable[] {
  const board = context.part(ring.boardPartId);
  const burns = board?.role === 'sheet' ? board.burns : 'wood';
  const found: Flammable[] = [];
  if (burns !== 'no')
    found.push({
      name: 'board',
      burns,
      distanceM: layout.centreM,
      ref: 'board',
      field: 'standoffM',
      raiseFromM: ring.standoffM,
    });
  if (ring.skirtDepthM > 0)
    found.push({
      name: 'skirt',
      burns: 'cloth',
      distanceM: layout.outerRadiusM - layout.rowRadiiM[0]!,
      ref: 'skirt',
      field: 'skirtDepthM',
      raiseFromM: null,
    });
  return found;
}
