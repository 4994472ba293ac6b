import type { Layer } from '../../light/mouth';
import type { PartId, UnitId } from '../../ids';
import type { PartOf, Role } from '../../materials/part';
import type { Category, UnitOf } from '../../units/unit';
import type { FormContext } from '../form';

export function partOf<R extends Role>(
  context: FormContext,
  id: PartId | null,
  role: R,
): PartOf<R> | null {
  const part = context.part(id);
  return part?.role === role ? (part as PartOf<R>) : null;
}

export function unitOf<C extends Category>(
  context: FormContext,
  id: UnitId | null,
  category: C,
): UnitOf<C> | null {
  const unit = context.unit(id);
  return unit?.category === category ? (unit as UnitOf<C>) : null;
}

export const bulbOf = (context: FormContext, id: UnitId | null) => unitOf(context, id, 'bulb');

interface LayerIds {
  layer1PartId: PartId | null;
  layer2PartId: PartId | null;
  layer3PartId: PartId | null;
}

export const layerParts = (ids: LayerIds, context: FormContext): PartOf<'diffusion'>[] =>
  [ids.layer1PartId, ids.layer2PartId, ids.layer3PartId].flatMap(
    (id) => partOf(context, id, 'diffusion') ?? [],
  );

/** Layers that are cut, where the first is there already: a front of acrylic, the cloth a box is sold with. */
export const furtherLayers = (ids: LayerIds, context: FormContext): PartOf<'diffusion'>[] =>
  layerParts({ ...ids, layer1PartId: null }, context);

export const layerOf = (part: PartOf<'diffusion'>): Layer => ({
  name: part.name,
  transmittance: part.transmittance,
  origin: part.origins.transmittance ?? 'typical',
  backReflectance: part.backReflectance,
  spreadDeg: part.spreadDeg,
  shiftMired: part.shiftMired,
  limitC: part.limitC,
});
