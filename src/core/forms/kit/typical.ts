/**
 * What forms take for a thing that is not chosen yet, or of which no label speaks
 * [typ: household goods as sold; from memory].
 */

/** Board: 6 mm MDF or plywood; foam core. */
export const BOARD_M = 0.006;
export const FOAM_CORE_M = 0.005;
/** Pipe and its wall. */
export const PIPE_M = 0.02;
export const PIPE_WALL_M = 0.002;
/** Tape 10 mm wide with 60 diodes a metre. */
export const TAPE_WIDTH_M = 0.01;
export const LEDS_PER_M = 60;
export const TAPE_KG_PER_M = 0.02;
/** Two-core flexible cord of 0.75 mm². */
export const CORD_KG_PER_M = 0.05;
/** A globe of size A60 in an open socket. */
export const GLOBE_M = 0.06;
export const GLOBE_LONG_M = 0.105;
export const SOCKET_FOOT_M = 0.05;
export const SOCKET_RIM_M = 0.04;
/** A T8 tube, and the gear that starts it. */
export const TUBE_LONG_M = 1.2;
export const TUBE_ACROSS_M = 0.026;
export const TUBE_KG = 0.2;
export const BALLAST_KG = 0.3;

/** How forms are put together [common practice; docs/model/cutting.md, power.md]. */

/** Cord from one lamp to its neighbour in the same case, with its loop. */
export const LINK_M = 0.3;
/** Lead at the ends of a run of tape, and from one row to the next. */
export const RUN_ENDS_M = 0.3;
export const JUMPER_M = 0.1;
/** Household foil is 30 cm wide: metres of it for each square metre of lining. */
export const FOIL_WIDTH_M = 0.3;
/** More than any form takes: a count or a length without end. */
export const WITHOUT_END_M = 400;
