/** Stops of false colour: slate under, paper level, amber over; each a step a third apart at the ends. */
const STEPS: readonly (readonly [stops: number, rgb: readonly [number, number, number]])[] = [
  [-3, [24, 30, 44]],
  [-2, [44, 62, 92]],
  [-1, [92, 120, 150]],
  [-0.5, [150, 170, 178]],
  [0, [226, 220, 200]],
  [0.5, [228, 190, 120]],
  [1, [206, 146, 58]],
  [2, [158, 84, 26]],
  [3, [96, 36, 18]],
];

/** Colour of a number of stops against the reference, ends held. */
export function stopsRgb(stops: number): readonly [number, number, number] {
  const held = Math.min(3, Math.max(-3, Number.isNaN(stops) ? -3 : stops));
  const next = Math.max(
    1,
    STEPS.findIndex(([at]) => at >= held),
  );
  const [a, low] = STEPS[next - 1]!;
  const [b, high] = STEPS[next]!;
  const t = (held - a) / (b - a);
  return [0, 1, 2].map((i) => Math.round(low[i]! + (high[i]! - low[i]!) * t)) as unknown as [
    number,
    number,
    number,
  ];
}

export const stopsCss = (stops: number): string => `rgb(${stopsRgb(stops).join(' ')})`;

/** Marks of the scale beside a map. */
export const SCALE_STOPS = [2, 1, 0.5, 0, -0.5, -1, -2] as const;
