import type { Finding } from '../../findings/finding';
import type { FormContext } from '../form';
import { layerParts, partOf } from '../kit/lookup';
import { look, notChosen, typicalLayers } from '../kit/findingWriters';
import { mm } from '../../quantity';
import { mainsOpen } from '../kit/needs';
import { tapeLayingFindings } from '../kit/tapeLayingFindings';
import type { FrameLayout } from './layout';
import type { Overhead } from './parameters';

function clothFindings(frame: Overhead, layers: number): Finding[] {
  return [
    ...(layers === 0
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
    ...(frame.rowPitchM > frame.clothDropM && layers > 0
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

export function findings(frame: Overhead, { rows }: FrameLayout, context: FormContext): Finding[] {
  const pipe = partOf(context, frame.pipePartId, 'stick');
  const layers = layerParts(frame, context);
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
    ...(pipe && frame.takeOffM === 0
      ? [
          look(
            'cut',
            'overhead.take-off',
            'What the fittings take is not known',
            'Pipes are listed from middle to middle of their joints: measure from the middle of an elbow to where a pipe stops in it, and type it in, or every pipe is too long.',
            { field: 'takeOffM', drawing: 'frame' },
            'Geometry of the joints',
          ),
        ]
      : []),
    ...tapeLayingFindings('overhead', frame, rows, null, false, context),
    ...typicalLayers('overhead', layers),
    ...clothFindings(frame, layers.length),
  ];
}
