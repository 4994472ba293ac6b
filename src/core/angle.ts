/** One degree in radians. */
export const DEGREE = Math.PI / 180;

export const toRadians = (degrees: number): number => degrees * DEGREE;
export const toDegrees = (radians: number): number => radians / DEGREE;
