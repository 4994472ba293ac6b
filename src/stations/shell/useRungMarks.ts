import { useDeferredValue, useMemo, useState } from 'react';
import { Derivations } from '@/core/evaluate/derive';
import { forecastShare } from '@/core/evaluate/forecastShare';
import { measuredOf, type Measured } from '@/core/evaluate/measured';
import type { RungId } from '@/core/evaluate/readout';
import { useProduction } from '../store/context';
import { useWorkplace } from './useWorkplace';

export interface RungMarks {
  /** by the shelf alone, where readings taught something since */
  predicted: { value: number; share: number | null } | null;
  measured: Measured | null;
  /** of what the rung shows; null where nothing is known of its error */
  share: number | null;
  /** it follows readings */
  corrected: boolean;
}

/** Beside what a rung shows: what the shelf alone would say, and what a meter said. */
export function useRungMarks(): Partial<Record<RungId, RungMarks>> {
  const { build, transport, derivations } = useWorkplace();
  // A moment later than what is dragged: the shelf's word is worked out beside it.
  const document = useDeferredValue(useProduction((state) => state.document));
  const [plain] = useState(() => new Derivations());
  const simulated = transport.done > 0;
  const scale = build ? transport.known.scales.get(build.id) : undefined;
  return useMemo(() => {
    const here = build && document.builds.find(({ id }) => id === build.id);
    if (!here) return {};
    const measured = measuredOf(document, here);
    const { share: known, calibrated } = forecastShare(document, here, (of, light) =>
      derivations.resolve(of, light),
    );
    // An estimate that waits for its simulation is farther off than any of this.
    const share = simulated ? known : null;
    const marks: Partial<Record<RungId, RungMarks>> = {};
    for (const [rung, found] of Object.entries(measured) as [RungId, Measured][])
      marks[rung] = {
        predicted: null,
        measured: found,
        share: rung === 'light' ? share : null,
        corrected: false,
      };
    if (!calibrated) return marks;
    const shelf = { ...document, calibration: null };
    const light = plain.light(shelf, here, { gridCells: 2, estimateScale: scale });
    if (light && marks.stops) marks.stops.predicted = { value: light.marginStops, share: 0 };
    marks.light = {
      predicted: light && {
        value: light.totalLx,
        share: simulated
          ? forecastShare(shelf, here, (of, light) => plain.resolve(of, light)).share
          : null,
      },
      measured: measured.light ?? null,
      share,
      corrected: true,
    };
    return marks;
  }, [build, derivations, document, plain, scale, simulated]);
}
