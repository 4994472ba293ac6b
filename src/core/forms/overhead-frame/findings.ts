import type { PartOf } from '../../materials/part';
import type { FormContext } from '../form';
import { layerParts, partOf } from '../kit/lookup';
import { look, notChosen, ok, stop, typicalLayers } from '../kit/findingWriters';
import { mm } from '../../quantity';
import { mainsOpen } from '../kit/needs';
import { tapeLayingFindings } from '../kit/tapeLayingFindings';
import { sagM, type FrameLayout } from './layout';
import type { Overhead } from './parameters';

/** Points stand along both long sides; a lone row of points spans the whole frame. */
const spanM = ({ widthM, hangPoints }: Overhead): number =>
  widthM / Math.max(1, Math.ceil(hangPoints / 2) - 1);

/** Load on the worst hang point: an even share and a third for uneven ropes [common practice]. */
export const pointLoadKg = ({ hangPoints }: Overhead, massKg: number): number =>
  (massKg / hangPoints) * 1.33;

/** Sag of a long side between hang points; it carries its own mass and half of the whole. */
export const sagOf = (frame: Overhead, pipe: PartOf<'stick'>, massKg: number): number =>
  sagM(pipe, spanM(frame), pipe.massKgPerM + massKg / (2 * frame.widthM));

export function findings(
  frame: Overhead,
  layout: FrameLayout,
  massKg: number,
  context: FormContext,
) {
  const { rows } = layout;
  const pipe = partOf(context, frame.pipePartId, 'stick');
  const layers = layerParts(frame, context);
  const hoist = { field: 'hangPoints', drawing: 'hoist' };
  const each = pointLoadKg(frame, massKg);
  const source = 'Even load and a third for uneven ropes; common practice';
  const sag = pipe ? sagOf(frame, pipe, massKg) : 0;
  return [
    ...notChosen('overhead', [
      [
        'tape',
        frame.stripId,
        'stripId',
        'tape',
        'Choose a tape, and rows, light, load and cost follow.',
      ],
      [
        'pipe',
        pipe,
        'pipePartId',
        'frame',
        'Choose the pipe; its mass and stiffness are unknown until then.',
      ],
      ...mainsOpen(frame),
    ]),
    ...tapeLayingFindings('overhead', frame, rows, null, false, context),
    ...typicalLayers('overhead', layers),
    each > frame.pointLimitKg
      ? stop(
          'hanging',
          'overhead.load',
          'More load than the points bear',
          `${each.toFixed(1)} kg hang on a point rated for ${frame.pointLimitKg} kg: it comes down on whoever is below. More points, or a lighter frame.`,
          hoist,
          source,
          `${frame.pointLimitKg} kg a point`,
        )
      : ok(
          'hanging',
          'overhead.load',
          'The points bear it',
          `${each.toFixed(1)} kg on each. Who rated the points, and when?`,
          hoist,
          source,
          `${frame.pointLimitKg} kg a point`,
        ),
    ...(frame.hangPoints < 3
      ? [
          stop(
            'hanging',
            'overhead.points',
            'It can turn over',
            'Fewer than three points do not hold a frame level: it swings and tips its cloth.',
            hoist,
            'Statics',
            'three points',
          ),
        ]
      : []),
    ...(frame.bonds === 'no'
      ? [
          stop(
            'hanging',
            'overhead.bond',
            'No second fixing',
            'A light over people needs a safety bond at every point, each for at least five times its load.',
            { field: 'bonds', drawing: 'hoist' },
          ),
        ]
      : []),
    look(
      'hanging',
      'overhead.rigger',
      'A load over people',
      'Rated points, nobody underneath while it moves, a competent rigger’s word before it stays up; local rules come first.',
      hoist,
    ),
    ...(sag > spanM(frame) / 100
      ? [
          look(
            'hanging',
            'overhead.sag',
            'The pipe sags',
            `About ${mm(sag)} between hang points ${mm(spanM(frame))} apart: more points or stronger pipe.`,
            { field: 'hangPoints', drawing: 'frame' },
            'Beam under even load',
            `1/100 of the span`,
          ),
        ]
      : []),
    ...(layers.length === 0
      ? [
          look(
            'light',
            'overhead.bare',
            'No cloth',
            'Bare rows throw a shadow each and dazzle who looks up.',
            { field: 'layer1PartId', drawing: 'frame' },
          ),
        ]
      : []),
    ...(frame.rowPitchM > frame.clothDropM && layers.length
      ? [
          look(
            'light',
            'overhead.stripes',
            'Stripes on the cloth',
            `Rows ${mm(frame.rowPitchM)} apart over cloth ${mm(frame.clothDropM)} below: bright bands. Lower the cloth or close the rows.`,
            { field: 'clothDropM', drawing: 'frame' },
            'Common practice: stand-off at least the pitch',
          ),
        ]
      : []),
  ];
}
