import { leavesM, subjectM } from '../build/front';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Shape, View } from '../drawing/drawing';
import {
  rectangle,
  circle,
  labelled,
  measure,
  polygon,
  segment,
  view,
  words,
  type XY,
} from '../drawing/shapes';
import type { Control } from '../light/controls';
import type { Shot } from '../location/shot';

/** A head is so high [common practice]. */
const HEAD_M = 0.22;

/** What stands in the light's way as it shows from the side: z to the right, y up. */
function sideOf(control: Control, half: number): Shape[] {
  switch (control.kind) {
    case 'plate':
      return [
        polygon(
          control.points.map(([, y, z]): XY => [z, y]),
          'part',
        ),
      ];
    case 'round':
      return [1, -1].map((side) =>
        segment(
          [control.fromM, side * control.fromRadiusM],
          [control.toM, side * control.toRadiusM],
          'part',
        ),
      );
    case 'ring':
      return [];
    case 'grid':
      return [rectangle(control.zM, -half, control.zM + control.depthM, half, 'part')];
  }
}

/** The light from the side before its subject, to scale: from which plane the distance is measured. */
export function throwView(resolved: ResolvedBuild, shot: Shot): View {
  const { apparent, frontM, mouth, controls } = resolved;
  const half = apparent.heightM / 2;
  const [leaves, subject] = [leavesM(resolved), subjectM(resolved, shot)];
  const body = rectangle(0, -half, frontM, half, 'part');
  const hood = mouth?.hood
    ? [1, -1].map((side) =>
        segment([frontM, side * half], [mouth.heightOverBackM, (side * mouth.heightM) / 2], 'part'),
      )
    : [];
  const open = (mouth?.hood ? mouth.heightM : apparent.heightM) / 2;
  const reach = Math.max(open, half, HEAD_M);
  const shapes: Shape[] = [
    body,
    ...hood,
    ...controls.flatMap((control) => sideOf(control, open)),
    segment([leaves, -1.3 * reach], [leaves, 1.3 * reach], 'centre'),
    segment([leaves, open], [subject, 0], 'hidden'),
    segment([leaves, -open], [subject, 0], 'hidden'),
    labelled(circle(subject, 0, HEAD_M / 2, 'mark'), 'subject'),
    words(leaves, 1.4 * reach, 'light leaves here'),
  ];
  return view('throw', 'Light to subject', shapes, [
    measure([leaves, -1.3 * reach], [subject, -1.3 * reach], -0.2 * reach, 'Light to subject'),
  ]);
}
