import { uprightAt, type Burns, type Thing } from '../../build/things';
import type { Hatch } from '../../drawing/drawing';
import type { Plate } from '../../light/controls';
import type { Vector } from '../../light/vector';
import { FINISHES, type Finish, type FinishId } from '../../materials/finish';
import type { PartId } from '../../ids';
import type { FormContext } from '../form';
import { partOf } from './lookup';

/** What a sheet does in heat; a slot nobody has filled is an open question. */
export const sheetBurns = (partId: PartId | null, context: FormContext): Burns =>
  partOf(context, partId, 'sheet')?.burns ?? 'unknown';

/** What a bare sheet sends back of light [typ: docs/model/units.md, its finishes]; unknown while nobody has chosen it. */
export function sheetReflectance(partId: PartId | null, context: FormContext): number | undefined {
  const sheet = partOf(context, partId, 'sheet');
  return sheet ? (SHEET_FINISH[sheet.burns] ?? FINISHES['black-paint']).reflectance : undefined;
}
const SHEET_FINISH: Partial<Record<Burns, Finish>> = {
  no: FINISHES['tinned-steel'],
  wood: FINISHES['bare-mdf'],
  foam: FINISHES['foam-core'],
  film: FINISHES['white-corrugated'],
};

/** How a board's cut face is hatched; none while nobody has chosen it. */
export function hatchOf(partId: PartId | null, context: FormContext): Hatch | undefined {
  const sheet = partOf(context, partId, 'sheet');
  if (!sheet) return undefined;
  if (sheet.burns === 'wood') return 'wood';
  if (sheet.burns === 'no') return 'metal';
  return sheet.densityKgPerM3 < SOLID_KG_PER_M3 ? 'foam' : 'plastic';
}
/** Foamed and fluted plastics are lighter than solid ones. */
const SOLID_KG_PER_M3 = 900;

/** Behind a finish: metal and plaster bear heat; what paint covers may be board. */
const FINISH_BURNS: Record<FinishId, Burns> = {
  'white-emulsion': 'wood',
  'bare-mdf': 'wood',
  'bare-plywood': 'wood',
  'foam-core': 'foam',
  foil: 'foam',
  'foil-crumpled': 'foam',
  'foil-tape': 'no',
  'mirror-acrylic': 'film',
  'tinned-steel': 'no',
  'white-corrugated': 'film',
  muslin: 'cloth',
  'white-ceiling': 'no',
  'black-paint': 'wood',
};
export const finishBurns = (finish: FinishId): Burns => FINISH_BURNS[finish];

type Told = Pick<Thing, 'name' | 'burns' | 'ref' | 'field'>;

/** Plates that stand in the light, as things that may burn. */
export const plateThings = (plates: readonly Plate[], stem: string, told: Told): Thing[] =>
  plates.map(({ points }, k) => ({
    ...told,
    id: `${stem}-${k + 1}`,
    limitC: null,
    place: { kind: 'polygon', points },
  }));

/** Walls of a square pyramid, cut off at its back: back plate, top and bottom, sides. */
export function pyramidThings(
  [backW, backH]: readonly [number, number],
  [frontW, frontH]: readonly [number, number],
  depthM: number,
  told: Told,
): Thing[] {
  const wall = (name: string, points: readonly Vector[]): Thing => ({
    ...told,
    id: `wall-${name}`,
    limitC: null,
    place: { kind: 'polygon', points },
  });
  const at = (sx: number, sy: number): readonly [Vector, Vector] => [
    [(sx * backW) / 2, (sy * backH) / 2, 0],
    [(sx * frontW) / 2, (sy * frontH) / 2, depthM],
  ];
  const between = (a: readonly [number, number], b: readonly [number, number]) => {
    const [[a0, a1], [b0, b1]] = [at(...a), at(...b)];
    return [a0, b0, b1, a1];
  };
  return [
    { ...told, id: 'wall-back', limitC: null, place: uprightAt(backW, backH, 0) },
    wall('top', between([-1, 1], [1, 1])),
    wall('bottom', between([-1, -1], [1, -1])),
    wall('left', between([-1, -1], [-1, 1])),
    wall('right', between([1, -1], [1, 1])),
  ];
}

/** Conductivity of what walls are made of, W/(m·K) [typ; docs/model/power.md]. */
const CONDUCTS = { wood: 0.13, card: 0.06, foam: 0.035 };
/** Board lighter than this is card. */
const CARD_KG_PER_M3 = 300;

/** Thermal resistance d/λ of a wall of sheet, m²·K/W; metal has none to speak of. */
export function wallResistance(partId: PartId | null, context: FormContext): number {
  const sheet = partOf(context, partId, 'sheet');
  if (!sheet || sheet.burns === 'no') return 0;
  const kind =
    sheet.burns === 'foam' ? 'foam' : sheet.densityKgPerM3 < CARD_KG_PER_M3 ? 'card' : 'wood';
  return sheet.thicknessM / CONDUCTS[kind];
}
