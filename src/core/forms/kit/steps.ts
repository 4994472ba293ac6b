import type { Piece } from '../../build/pieces';
import type { Stage, Step } from '../../build/step';

interface More {
  hazards?: readonly string[];
  /** minutes of waiting */
  wait?: number;
  needs?: readonly string[];
  pieces?: readonly string[];
  /** all pieces of a kind */
  works?: Piece['kind'];
}

const isList = (more: readonly string[] | More): more is readonly string[] => Array.isArray(more);

/** One step; minutes are rounded up to whole ones, tools are parted by commas. */
export const step = (
  stage: Stage,
  id: string,
  title: string,
  why: string,
  tools: string,
  minutes: number,
  check: string,
  more: string | readonly string[] | More = {},
): Step => {
  const {
    hazards = [],
    wait = 0,
    needs = [],
    pieces = [],
    works,
  } = typeof more === 'string' ? { hazards: [more] } : isList(more) ? { hazards: more } : more;
  return {
    id,
    stage,
    title,
    why,
    needs,
    pieces,
    ...(works ? { works } : {}),
    tools: tools.split(', '),
    minutes: Math.ceil(minutes),
    waitMinutes: wait,
    hazards,
    check,
  };
};

export const checkLamps = (count: number): Step =>
  step(
    'check parts',
    'check-lamps',
    'Light every lamp once',
    'A dead one is cheaper to find now',
    'a socket you trust',
    2 + count * 0.3,
    'all light, all the same white',
    'Unplug it and let it cool before a lamp comes out. A broken one is taken out with pliers, unplugged.',
  );

export const checkTape = (metres: number): Step =>
  step(
    'check parts',
    'check-tape',
    'Run the reel before you cut it',
    'A dead section goes back to the shop whole',
    'a supply in a closed case, a table',
    5 + metres,
    'every diode lights from end to end, one white; the + and − pads are known',
    [
      'Uncoil it first: a lit reel overheats. Do not stare into bare diodes.',
      'An open-frame supply has bare mains terminals: none is plugged in before it is wired, earthed and covered.',
    ],
  );

export const markOut = (what: string, minutes = 15): Step =>
  step(
    'mark',
    'mark-out',
    `Mark out ${what}`,
    'Measure twice',
    'rule, square, pencil',
    minutes,
    'the marks agree with the list',
    { works: 'sheet' },
  );

export const cutBoard = (what: string, minutes = 20): Step =>
  step(
    'cut',
    'cut-board',
    `Cut ${what}`,
    'Everything else is measured from these edges',
    'saw or knife along a straight edge',
    minutes,
    'edges square, no splinters',
    {
      hazards: ['Clamp the work. Wear glasses and a dust mask; cut away from your fingers.'],
      works: 'sheet',
    },
  );

export const cutMetal = (what: string, minutes = 25): Step =>
  step(
    'cut',
    'cut-metal',
    `Cut ${what} from sheet metal`,
    'The leaves must clear one another',
    'snips, file',
    minutes,
    'every edge deburred: run a rag along it, it must not catch',
    {
      hazards: [
        'Sheet-metal edges slice: gloves and glasses on, deburr before you handle the piece again.',
      ],
      works: 'sheet',
    },
  );

export const sticks = (what: string, count: number): Step =>
  step(
    'cut',
    'cut-sticks',
    `Cut ${what}`,
    'Lengths from the saw list, longest first',
    'pipe cutter or saw',
    5 + count * 2,
    'lengths within a millimetre, ends deburred',
    { hazards: ['Cut ends are sharp: deburr inside and out.'], works: 'stick' },
  );

export const layTape = (metres: number, rows: number): Step =>
  step(
    'mount',
    'lay-tape',
    'Lay the tape, cutting only at the marks',
    'Between the marks a cut kills the section',
    'scissors, alcohol for the surface',
    10 + metres * 4 + rows,
    'no kinks, no edgewise bends; every row pressed down',
  );

export const joinTape = (joints: number): Step =>
  step(
    'wire',
    'join-tape',
    'Join rows and leads',
    'Plus to plus: a crossed pair stays dark or blows',
    'soldering iron or clips',
    5 + joints * 4,
    'tug every joint; + and − checked with a meter before power',
    'A soldering iron is 350 °C: stand it down, air the room.',
  );

export const addLayers = (count: number): Step[] =>
  count === 0
    ? []
    : [
        step(
          'dress',
          'fit-layers',
          count === 1 ? 'Fit the layer' : `Fit the ${count} layers`,
          'Unplugged and cool; before the warm checks, which are made with everything on',
          'clips or tape',
          8 + 6 * count,
          'taut, no sag towards a lamp; it comes off again to change one',
          { works: 'cloth' },
        ),
      ];
