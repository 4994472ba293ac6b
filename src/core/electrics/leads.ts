/** Current each way of joining a lead to tape or supply bears [typ: docs/model/power.md, “Tape”]. */
export const CONNECTORS = {
  soldered: { name: 'soldered', limitA: Infinity },
  terminal: { name: 'screw terminal', limitA: 10 },
  barrel: { name: 'barrel plug 5.5/2.1 mm', limitA: 5 },
  clip: { name: 'solderless clip', limitA: 3 },
} as const;
export type Connector = keyof typeof CONNECTORS;
export const CONNECTOR_IDS = Object.keys(CONNECTORS) as Connector[];

/** Copper of two-core leads, mm², and what each carries in free air [std: BS 7671 Table 4F3A; from memory]. */
export const LEADS_MM2 = { 0.34: 2, 0.5: 3, 0.75: 6, 1: 10, 1.5: 16, 2.5: 25 } as const;
export type LeadMm2 = keyof typeof LEADS_MM2;
/** Thin to thick. */
export const LEAD_SIZES = (Object.keys(LEADS_MM2).map(Number) as LeadMm2[]).toSorted(
  (a, b) => a - b,
);

/** Supplies and ballasts stand side by side: cord from one to the next, with its ends, m [typ]. */
export const GEAR_APART_M = 0.3;
