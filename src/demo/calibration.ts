import type { Calibration } from '@/core/meter/causes';

/**
 * What the booth's readings and the nylon's layer test teach, taken over: the panels give less than their box says. The readings
 * are simulated, and so is the lesson; `nightFerry.test.ts` works it out again.
 */
export const CALIBRATION: Calibration = {
  at: '2026-03-11T18:00:00Z',
  by: 'Ines',
  readings: 10,
  simulated: true,
  causes: [
    { kind: 'flux', id: 'panel-20', factor: 0.83855, deviation: 0.0639 },
    { kind: 'transmittance', id: 'silk', factor: 0.94048, deviation: 0.00999 },
  ],
};
/** Sessions it stands on. */
export const TAUGHT_BY: readonly string[] = ['plane-booth-stack', 'layer-silk'];
