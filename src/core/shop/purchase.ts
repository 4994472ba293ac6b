import type { Need } from '../forms/resolved';
import type { BulbId, PartId } from '../ids';
import type { Measure, Part } from '../materials/part';
import type { Bulb } from '../units/bulb';

/** One line of the shopping list; quantities in `measure`, money in minor units. */
export interface PurchaseLine {
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
}

export interface Purchase {
  lines: PurchaseLine[];
  spentNowMinor: number;
  fullMinor: number;
  fullPerLightMinor: number;
}

interface Good {
  name: string;
  onHand: number;
  packSize: number;
  packPriceMinor: number;
}

const ofBulb = (bulb: Bulb): Good => ({
  name: bulb.name,
  onHand: bulb.onHandCount,
  packSize: bulb.packCount,
  packPriceMinor: bulb.priceMinor,
});
const ofPart = (part: Part): Good => ({
  name: part.name,
  onHand: part.onHand,
  packSize: part.packSize,
  packPriceMinor: part.priceMinor,
});

/** Packs that cover a quantity; a hair of rounding does not buy another pack. */
export const packsFor = (quantity: number, packSize: number): number =>
  Math.max(0, Math.ceil(quantity / packSize - 1e-9));

/**
 * Needs of one light, times the copies made at once, against packs and what is on hand.
 * Needs of the same thing are added up before they are rounded to packs.
 */
export function planPurchase(
  needs: readonly Need[],
  copies: number,
  bulb: (id: BulbId) => Bulb | null,
  part: (id: PartId) => Part | null,
): Purchase {
  const lines = new Map<string, PurchaseLine>();
  for (const { item, quantity, measure, why } of needs) {
    const found = item.kind === 'bulb' ? bulb(item.id) : part(item.id);
    if (!found) continue;
    const good = 'packCount' in found ? ofBulb(found) : ofPart(found);
    const key = `${item.kind}:${item.id}`;
    const known = lines.get(key);
    const needed = quantity * copies + (known?.needed ?? 0);
    lines.set(key, line(key, good, needed, measure, known ? `${known.why}; ${why}` : why));
  }
  const all = [...lines.values()];
  const fullMinor = all.reduce((sum, each) => sum + each.fullMinor, 0);
  return {
    lines: all,
    spentNowMinor: all.reduce((sum, each) => sum + each.spentNowMinor, 0),
    fullMinor,
    fullPerLightMinor: Math.round(fullMinor / copies),
  };
}

function line(key: string, good: Good, needed: number, measure: Measure, why: string) {
  const packsFull = packsFor(needed, good.packSize);
  const packsNow = packsFor(needed - good.onHand, good.packSize);
  return {
    ...good,
    key,
    why,
    measure,
    needed,
    packsNow,
    packsFull,
    leftOver: good.onHand + packsNow * good.packSize - needed,
    spentNowMinor: packsNow * good.packPriceMinor,
    fullMinor: packsFull * good.packPriceMinor,
  };
}
