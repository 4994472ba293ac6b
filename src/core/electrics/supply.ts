/** A supply carries this share of its rating for hours [common practice]. */
export const SUPPLY_SHARE = 0.8;

/** Share of the supply's input that reaches the tape [typ]. */
export const SUPPLY_EFFICIENCY = 0.87;
/** Power factor of one nobody has chosen yet [typ: docs/model/power.md]. */
export const SOME_SUPPLY = 0.9;
