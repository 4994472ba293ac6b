import type { PartOf } from '../../materials/part';
import { coverStep, standOffs } from '../kit/covers';
import { checkLamps, cutBoard, step } from '../kit/steps';
import type { Step } from '../../build/step';
import type { RingLayout } from './layout';
import type { BulbRing } from './parameters';

/** The order of work, with what to check before going on. */
export function ringSteps(
  ring: BulbRing,
  layout: RingLayout,
  sheet: PartOf<'sheet'> | null,
): Step[] {
  return [
    ...boardSteps(ring, layout, sheet),
    ...barSteps(ring),
    coverStep(
      standOffs(Math.PI * ring.outerDiameterM),
      ring.coverPartId === null ? [] : ['back-cover'],
    ),
    ...wiringSteps(layout),
    ...skirtSteps(ring),
  ];
}

/** A bar across the hole carries the stand bolt. */
const barSteps = ({ centreBarWidthM }: BulbRing): Step[] =>
  centreBarWidthM > 0
    ? [
        step(
          'mount',
          'fit-bar',
          'Screw the centre bar across the back',
          'It carries the stand bolt, so that the ring hangs from its middle',
          'screwdriver, square',
          15,
          'the bolt’s hole in the middle, clear of every cord hole',
          { pieces: ['centre-bar'] },
        ),
      ]
    : [];

function boardSteps(
  ring: BulbRing,
  { count, outerRadiusM }: RingLayout,
  sheet: PartOf<'sheet'> | null,
): Step[] {
  const hole = ring.holes === 'single' ? '25 mm spade bit' : '8 mm bit, held at a slant';
  return [
    checkLamps(count),
    step(
      'mark',
      'mark-out',
      'Mark out the board',
      'All circles share one pivot',
      'trammel, pencil, rule',
      15,
      `${count} marks, the last as far from the first as from its neighbour`,
    ),
    cutBoard('the ring, the inner circle last', 15 + outerRadiusM * 30, sheet, true),
    step(
      'cut',
      'drill',
      'Drill the cord holes',
      'The cord runs behind the board',
      hole,
      count * 1.5,
      'edges rounded so that they cannot chafe the cord',
      'Drill into scrap, not into your hand or the table.',
    ),
    step(
      'finish',
      'finish-front',
      ring.finish === 'white-emulsion' ? 'Paint the front white, two coats' : 'Finish the front',
      'A white board returns light that would be lost',
      'roller',
      30,
      'dry to the touch; 2 h between coats',
      { wait: ring.finish === 'white-emulsion' ? 240 : 0, pieces: ['ring-board'] },
    ),
    step(
      'mount',
      'screw-sockets',
      'Screw the sockets down',
      'They must not turn when a bulb is changed',
      'screwdriver',
      count * 1.5,
      'every socket is tight, its hole uncovered',
    ),
  ];
}

function wiringSteps({ count }: RingLayout): Step[] {
  return [
    step(
      'wire',
      'strip-links',
      'Cut and strip the links',
      'Equal links keep the back tidy',
      'stripper, side cutters',
      count * 1.5,
      'no nicked strands',
      'The plug is not on the cord yet: leave it off.',
    ),
  ];
}

function skirtSteps(ring: BulbRing): Step[] {
  return [
    ...(ring.skirtDepthM > 0
      ? [
          step(
            'dress',
            'hang-skirt',
            'Sew and hang the skirt',
            'It keeps light off the walls',
            'needle or tape',
            30,
            'cloth hangs clear of every bulb',
            { pieces: ['skirt'] },
          ),
        ]
      : []),
  ];
}
