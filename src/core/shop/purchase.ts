import type { Need } from '../build/needs';
import type { PartId, UnitId } from '../ids';
import { mentions } from '../materials/fasteners';
import { HARDWARE, type HardwareId } from '../materials/hardware';
import type { Measure, Part } from '../materials/part';
import { threeFigures, toUnit, type UnitSystem } from '../quantity';
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
  /** with nothing on hand: what comes from off-cuts would have to be bought whole */
  neededFull: number;
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
  /** false where nobody has told a price: it counts as nothing, and is said */
  priced: boolean;
  /** the record on the shelf it is bought as; null for small things the shelf does not know */
  of: { kind: 'unit' | 'part'; id: string } | null;
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
  /** of a kind, and of a size where the kind has some */
  hardware: (id: HardwareId, size?: string) => Part | null;
}

interface Good {
  name: string;
  onHand: number;
  onHandCounts: boolean;
  packSize: number;
  packPriceMinor: number;
  priced: boolean;
  of: PurchaseLine['of'];
}

const ofUnit = (unit: Unit): Good => ({
  name: unit.name,
  onHand: unit.onHand,
  onHandCounts: unit.onHandCounts,
  packSize: packSizeOf(unit),
  packPriceMinor: unit.priceMinor ?? 0,
  priced: unit.priceMinor !== null,
  of: { kind: 'unit', id: unit.id },
});
const ofPart = (part: Part): Good => ({
  name: part.name,
  onHand: part.onHand,
  onHandCounts: part.onHandCounts,
  packSize: part.packSize,
  packPriceMinor: part.priceMinor ?? 0,
  priced: part.priceMinor !== null,
  of: { kind: 'part', id: part.id },
});
const ofHardware = (id: HardwareId, size?: string): Good => ({
  name: size ? `${size} ${HARDWARE[id].name}` : HARDWARE[id].name,
  onHand: 0,
  onHandCounts: false,
  packSize: 1,
  packPriceMinor: 0,
  priced: false,
  of: null,
});

function goodOf({ item }: Pick<Need, 'item'>, shelf: ShelfLookup): Good | null {
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
      const part = shelf.hardware(item.id, item.size);
      if (!part) return ofHardware(item.id, item.size);
      const good = ofPart(part);
      // Which size it must be, where the shelf's own name does not say.
      return item.size && !mentions(part.name, item.size)
        ? { ...good, name: `${good.name}: ${item.size}` }
        : good;
    }
  }
}

/** "3", "5.20 m", "17.1 ft": an amount as a list writes it; whole things are not given decimals. */
export const amountText = (value: number, measure: Measure, system: UnitSystem): string => {
  if (measure === 'm' && system === 'imperial')
    return `${threeFigures(toUnit(value, 'length', 'ft'))} ft`;
  const figure = Number.isInteger(value) ? String(value) : threeFigures(value);
  return measure === 'piece' ? figure : `${figure} ${measure}`;
};

/** A need of all copies together, and what it would be with nothing on hand. */
interface Wanted extends Omit<Need, 'step'> {
  full: number;
}

/** What the cutting plan takes from the shop. */
const cutNeeds = ({ plans }: CutPlan): Wanted[] => plans.map(materialNeed);

function materialNeed(plan: MaterialPlan): Wanted {
  const item = { kind: 'part' as const, id: plan.part.id };
  switch (plan.kind) {
    case 'sheet':
      return {
        item,
        quantity: plan.sheets,
        full: plan.sheetsFull,
        measure: 'piece',
        why: `${plan.pieces.length} pieces, see the cutting plan`,
      };
    case 'stick':
      return {
        item,
        quantity: plan.bars,
        full: plan.barsFull,
        measure: 'piece',
        why: `${plan.pieces.length} lengths`,
      };
    case 'cloth':
      return {
        item,
        quantity: plan.totalM,
        full: plan.totalM,
        measure: 'm',
        why: 'see the cutting plan',
      };
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
    ...needs.map(({ quantity, ...need }): Wanted => {
      const all = quantity * copies;
      return { ...need, quantity: all, full: all };
    }),
    ...cutNeeds(cuts),
  ];
  const lines = new Map<string, PurchaseLine>();
  for (const need of all) {
    const good = goodOf(need, shelf);
    if (!good) continue;
    const key = keyOf(need.item);
    const known = lines.get(key);
    const why = known && !known.why.includes(need.why) ? `${known.why}; ${need.why}` : need.why;
    const needed = need.quantity + (known?.needed ?? 0);
    const full = need.full + (known?.neededFull ?? 0);
    lines.set(
      key,
      line(
        {
          key,
          why: known?.why.includes(need.why) ? known.why : why,
          needed,
          neededFull: full,
          measure: need.measure,
        },
        good,
      ),
    );
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

/** Bolts of two lengths are two things to buy. */
export const keyOf = (item: Need['item']): string =>
  item.kind === 'hardware' && item.size
    ? `hardware:${item.id}:${item.size}`
    : `${item.kind}:${item.id}`;

type Told = Pick<PurchaseLine, 'key' | 'why' | 'needed' | 'neededFull' | 'measure'>;

function line(told: Told, good: Good): PurchaseLine {
  const { onHandCounts, ...rest } = good;
  const { needed } = told;
  const packsFull = packsFor(told.neededFull, good.packSize);
  const packsNow = packsFor(needed - good.onHand, good.packSize);
  const fromStock = Math.min(needed, good.onHand);
  return {
    ...rest,
    ...told,
    packsNow,
    packsFull,
    leftOver: good.onHand + packsNow * good.packSize - needed,
    spentNowMinor: packsNow * good.packPriceMinor,
    fullMinor: packsFull * good.packPriceMinor,
    stockMinor: onHandCounts ? Math.round((fromStock / good.packSize) * good.packPriceMinor) : 0,
  };
}
