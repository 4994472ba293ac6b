import type { Need } from '../build/needs';
import type { PartId, UnitId } from '../ids';
import { HARDWARE, type HardwareId } from '../materials/hardware';
import type { Measure, Part } from '../materials/part';
import { threeFigures } from '../quantity';
import { packSizeOf } from '../units/effective';
import type { Unit } from '../units/unit';
import type { CutPlan, MaterialPlan } from './cutPlan';

/** One line of the shopping list; quantities in `measure`, money in minor units. */
interface PurchaseLine {
  key: string;
  name: string;
  why: string;
  measure: Measure;
  needed: number;
  onHand: number;
  packSize: number;
  packPriceMinor: number;
  /** packs still to be bought, and packs as if nothing were on hand */
  packsNow: number;
  packsFull: number;
  leftOver: number;
  spentNowMinor: number;
  fullMinor: number;
  /** worth of what is taken from stock, when that counts; else 0 */
  stockMinor: number;
  /** false for small things the shelf has no price of */
  priced: boolean;
}

export interface Purchase {
  lines: PurchaseLine[];
  spentNowMinor: number;
  /** worth of stock used up, where it is to count */
  stockMinor: number;
  fullMinor: number;
  fullPerLightMinor: number;
  /** things without a price on the shelf */
  unpriced: number;
}

export interface ShelfLookup {
  unit: (id: UnitId) => Unit | null;
  part: (id: PartId) => Part | null;
  hardware: (id: HardwareId) => Part | null;
}

interface Good {
  name: string;
  onHand: number;
  onHandCounts: boolean;
  packSize: number;
  packPriceMinor: number;
  priced: boolean;
}

const ofUnit = (unit: Unit): Good => ({
  name: unit.name,
  onHand: unit.onHand,
  onHandCounts: unit.onHandCounts,
  packSize: packSizeOf(unit),
  packPriceMinor: unit.priceMinor,
  priced: true,
});
const ofPart = (part: Part): Good => ({
  name: part.name,
  onHand: part.onHand,
  onHandCounts: part.onHandCounts,
  packSize: part.packSize,
  packPriceMinor: part.priceMinor,
  priced: true,
});
const ofHardware = (id: HardwareId): Good => ({
  name: HARDWARE[id].name,
  onHand: 0,
  onHandCounts: false,
  packSize: 1,
  packPriceMinor: 0,
  priced: false,
});

function goodOf({ item }: Need, shelf: ShelfLookup): Good | null {
  switch (item.kind) {
    case 'unit': {
      const unit = shelf.unit(item.id);
      return unit && ofUnit(unit);
    }
    case 'part': {
      const part = shelf.part(item.id);
      return part && ofPart(part);
    }
    case 'hardware': {
      const part = shelf.hardware(item.id);
      return part ? ofPart(part) : ofHardware(item.id);
    }
  }
}

/** "3", "5.20 m": an amount as a list writes it; whole things are not given decimals. */
export const amountText = (value: number, measure: Measure): string => {
  const figure = Number.isInteger(value) ? String(value) : threeFigures(value);
  return measure === 'piece' ? figure : `${figure} ${measure}`;
};

/** What the cutting plan takes from the shop, as needs of all copies together. */
const cutNeeds = ({ plans }: CutPlan): Need[] => plans.map(materialNeed);

function materialNeed(plan: MaterialPlan): Need {
  const item = { kind: 'part' as const, id: plan.part.id };
  switch (plan.kind) {
    case 'sheet':
      return {
        item,
        quantity: plan.sheets,
        measure: 'piece',
        why: `${plan.pieces.length} pieces, see the cutting plan`,
      };
    case 'stick':
      return { item, quantity: plan.bars, measure: 'piece', why: `${plan.pieces.length} lengths` };
    case 'cloth':
      return { item, quantity: plan.totalM, measure: 'm', why: 'see the cutting plan' };
  }
}

/** Packs that cover a quantity; a hair of rounding does not buy another pack. */
export const packsFor = (quantity: number, packSize: number): number =>
  Math.max(0, Math.ceil(quantity / packSize - 1e-9));

/**
 * Needs of one light times the copies made at once, and the cutting plan's needs of all of them,
 * against packs and what is on hand. Needs of one thing are added up before they are rounded to packs.
 */
export function planPurchase(
  needs: readonly Need[],
  copies: number,
  cuts: CutPlan,
  shelf: ShelfLookup,
): Purchase {
  const all = [
    ...needs.map((need) => ({ ...need, quantity: need.quantity * copies })),
    ...cutNeeds(cuts),
  ];
  const lines = new Map<string, PurchaseLine>();
  for (const need of all) {
    const good = goodOf(need, shelf);
    if (!good) continue;
    const key = `${need.item.kind}:${need.item.id}`;
    const known = lines.get(key);
    const why = known && known.why !== need.why ? `${known.why}; ${need.why}` : need.why;
    lines.set(key, line(key, good, need.quantity + (known?.needed ?? 0), need.measure, why));
  }
  return totals([...lines.values()], copies);
}

function totals(lines: PurchaseLine[], copies: number): Purchase {
  const sum = (of: (line: PurchaseLine) => number) =>
    lines.reduce((all, each) => all + of(each), 0);
  const fullMinor = sum((each) => each.fullMinor);
  return {
    lines,
    spentNowMinor: sum((each) => each.spentNowMinor),
    stockMinor: sum((each) => each.stockMinor),
    fullMinor,
    fullPerLightMinor: Math.round(fullMinor / copies),
    unpriced: lines.filter(({ priced }) => !priced).length,
  };
}

function line(
  key: string,
  good: Good,
  needed: number,
  measure: Measure,
  why: string,
): PurchaseLine {
  const { onHandCounts, ...rest } = good;
  const packsFull = packsFor(needed, good.packSize);
  const packsNow = packsFor(needed - good.onHand, good.packSize);
  const fromStock = Math.min(needed, good.onHand);
  return {
    ...rest,
    key,
    why,
    measure,
    needed,
    packsNow,
    packsFull,
    leftOver: good.onHand + packsNow * good.packSize - needed,
    spentNowMinor: packsNow * good.packPriceMinor,
    fullMinor: packsFull * good.packPriceMinor,
    stockMinor: onHandCounts ? Math.round((fromStock / good.packSize) * good.packPriceMinor) : 0,
  };
}
