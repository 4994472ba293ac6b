import type { Piece } from '../../build/pieces';
import { cutterOf, type Cutter } from '../../materials/cutting';
import type { PartOf } from '../../materials/part';
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

/** What a board is cut with, as its material wants it. */
const CUTTERS: Record<Cutter, { tools: string; check: string; hazard: string }> = {
  knife: {
    tools: 'sharp knife, steel rule',
    check: 'edges square and clean, the face not torn',
    hazard: 'Cut away from your fingers, in several light strokes; a dull blade slips.',
  },
  snips: {
    tools: 'snips, file',
    check: 'every edge deburred: run a rag along it, it must not catch',
    hazard:
      'Sheet-metal edges slice: gloves and glasses on, deburr before you handle the piece again.',
  },
  saw: {
    tools: 'saw along a straight edge',
    check: 'edges square, no splinters',
    hazard: 'Clamp the work. Wear glasses and a dust mask; cut away from your fingers.',
  },
};
/** Circles follow no straight edge. */
const ROUND = {
  knife: 'sharp knife, card template',
  snips: 'snips, file',
  saw: 'jigsaw or router on a trammel',
};

/** @param sheet what is cut, or nobody's choice yet; @param round  follows a circle */
export function cutBoard(
  what: string,
  minutes = 20,
  sheet: PartOf<'sheet'> | null = null,
  round = false,
): Step {
  const cutter = sheet ? cutterOf(sheet) : 'saw';
  const { tools, check, hazard } = CUTTERS[cutter];
  return step(
    'cut',
    'cut-board',
    `Cut ${what}`,
    'Everything else is measured from these edges',
    round ? ROUND[cutter] : tools,
    minutes,
    round ? check.replace('square', 'on the line') : check,
    { hazards: [hazard], works: 'sheet' },
  );
}

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

/** @param curve how tape goes round where its rows bend */
export const layTape = (metres: number, rows: number, curve?: 'flat' | 'edge'): Step =>
  step(
    'mount',
    'lay-tape',
    'Lay the tape, cutting only at the marks',
    'Between the marks a cut kills the section',
    'scissors, alcohol for the surface',
    10 + metres * 4 + rows,
    curve === 'flat'
      ? 'it lies flat in short straight sections: folded a little at its cut marks on the inner edge, never across a diode; every section lights'
      : 'no kinks, no edgewise bends; every row pressed down',
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

/** Round layers, with the tab that holds them. */
export const cutDiscs = (count: number): Step[] =>
  count === 0
    ? []
    : [
        step(
          'cut',
          'cut-discs',
          count === 1 ? 'Cut the layer' : `Cut the ${count} layers`,
          'A circle with a tab; flutes and folds keep out of the middle',
          'scissors, the template or a lid to draw along',
          5 + 5 * count,
          'round, the tab as wide all round; no seam where light passes',
          { hazards: ['Cut away from your fingers.'], works: 'cloth' },
        ),
      ];

/** Before anything is closed that will not be opened again. */
export const tryTape = (rows: number): Step =>
  step(
    'wire',
    'try-tape',
    'Light it once before it is closed',
    'A cold joint found now is one joint; found later it is the whole light',
    'a closed plug-in supply of the tape’s volts',
    3 + rows,
    'every row lights from end to end, none flickers when its joints are touched with a stick',
    {
      hazards: [
        'Only from a supply whose mains side is closed, of the tape’s own volts; unplug it before anything is soldered.',
      ],
      needs: ['join-tape'],
    },
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
