import type { FarField } from '@/core/light/farField';
import { threeFigures } from '@/core/quantity';
import { PolarPlot } from '@/ui/drawing/PolarPlot';
import { Heads } from '@/ui/Heads';

/** Both half planes of one plane, from behind on one side round the front to behind on the other. */
const round = (
  anglesDeg: readonly number[],
  below: readonly number[],
  above: readonly number[],
) => [
  ...anglesDeg.map((angle, k) => ({ angleDeg: -angle, value: below[k]! })).toReversed(),
  ...anglesDeg.map((angleDeg, k) => ({ angleDeg, value: above[k]! })),
];

/** How far from the axis is how bright, in candela, seen from far away. */
export function PolarSheet({ far }: { far: FarField }) {
  const { anglesDeg, planesCd } = far;
  return (
    <>
      <PolarPlot
        label="Intensity by direction; the table below holds the same figures"
        unit="cd"
        lines={[
          {
            name: 'level',
            ink: 'var(--brass)',
            points: round(anglesDeg, planesCd.left, planesCd.right),
          },
          {
            name: 'upright, up to the right',
            ink: 'var(--ink)',
            dash: '7 4',
            points: round(anglesDeg, planesCd.down, planesCd.up),
          },
        ]}
      />
      <details className="text-sm">
        <summary>As a table</summary>
        <CandelaTable far={far} />
      </details>
    </>
  );
}

const CandelaTable = ({ far }: { far: FarField }) => (
  <table className="rows tight">
    <Heads
      of={[{ figures: 'from the axis' }, { figures: 'level, cd' }, { figures: 'upright, cd' }]}
    />
    <tbody>
      {far.anglesDeg.flatMap((angle, k) =>
        angle % 15 === 0
          ? [
              <tr key={angle}>
                <td className="num">{angle}°</td>
                <td className="num">{threeFigures(far.planesCd.right[k]!)}</td>
                <td className="num">{threeFigures(far.planesCd.up[k]!)}</td>
              </tr>,
            ]
          : [],
      )}
    </tbody>
  </table>
);
