import { REGIONS } from '../../electrics/region';
import type { FormContext } from '../form';
import type { Piece } from '../../build/pieces';
import type { Stage, Step } from '../../build/step';

interface More {
  hazard?: string;
  /** minutes of waiting */
  wait?: number;
  needs?: readonly string[];
  pieces?: readonly string[];
  /** all pieces of a kind */
  works?: Piece['kind'];
}

/** One step; minutes are rounded up to whole ones, tools are parted by commas. */
export const step = (
  stage: Stage,
  id: string,
  title: string,
  why: string,
  tools: string,
  minutes: number,
  check: string,
  more: string | More = {},
): Step => {
  const {
    hazard,
    wait = 0,
    needs = [],
    pieces = [],
    works,
  } = typeof more === 'string' ? { hazard: more } : more;
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
    hazards: hazard ? [hazard] : [],
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
  );

export const checkTape = (metres: number): Step =>
  step(
    'check parts',
    'check-tape',
    'Run the reel before you cut it',
    'A dead section goes back to the shop whole',
    'its supply, a table',
    5 + metres,
    'every diode lights from end to end, one white; the + and − pads are known',
    'Uncoil it first: a lit reel overheats. Do not stare into bare diodes.',
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
      hazard: 'Clamp the work. Wear glasses and a dust mask; cut away from your fingers.',
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
      hazard:
        'Sheet-metal edges slice: gloves and glasses on, deburr before you handle the piece again.',
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
    { hazard: 'Cut ends are sharp: deburr inside and out.', works: 'stick' },
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

export const wireMains = (context: FormContext, minutes: number): Step => {
  const { wires } = REGIONS[context.circuit.region];
  return step(
    'wire',
    'wire-mains',
    'Wire the mains side',
    'Lamps hang in parallel, cord to cord',
    'stripper, screwdriver, crimps',
    minutes,
    `live (${wires.live}) and neutral (${wires.neutral}) the same way round everywhere; metal parts earthed (${wires.earth}); strain relief at every entry; no terminal can be touched`,
    'Mains can kill. The plug stays out until the gate below. If you have not done this before, have a competent person do it or check it; local codes come first.',
  );
};

/** @param done  what the second pair of eyes must have seen */
export const lookOver = (done = 'no short, polarity right, covers on'): Step =>
  step(
    'look over',
    'look-over',
    'Have the wiring looked over',
    'A second pair of eyes finds the swapped wire',
    'continuity tester',
    15,
    done,
  );

export const powerUp = (lamps = 'lamps', lay = 'Lay it on bare floor'): Step =>
  step(
    'power up',
    'power-up',
    'First power-up',
    'Faults show in the first second',
    'outlet with RCD or GFCI',
    5,
    `every open “stop” is cleared before this step; all ${lamps} light`,
    {
      hazard: `${lay}, nobody touching it, and switch on at the outlet.`,
      needs: ['look-over'],
    },
  );

export const warmChecks = (
  cool = 'nothing too warm to hold, no smell',
  hazard = 'Unplug before you touch.',
): Step =>
  step(
    'warm',
    'warm-checks',
    'Warm checks',
    'Heat shows late',
    'back of the hand, thermometer',
    10,
    `after 10 min and after 1 h: ${cool}`,
    { wait: 60, hazard, needs: ['power-up'] },
  );

export const addLayers = (count: number): Step[] =>
  count === 0
    ? []
    : [
        step(
          'dress',
          'fit-layers',
          count === 1 ? 'Fit the layer' : `Fit the ${count} layers`,
          'Now that the lamps are known to be good',
          'clips or tape',
          8 + 6 * count,
          'taut, no sag towards a lamp; it comes off again to change one',
          { works: 'cloth' },
        ),
      ];

export const mountAndTip = (): Step =>
  step(
    'rig',
    'mount-and-tip',
    'Mount, weigh down and try to tip it',
    'Stands fall over people',
    'stand, sandbag',
    15,
    'does not tip at a firm push from any side',
    'Keep the cord taped down where people walk.',
  );

/** @param done  what is seen when it hangs right */
export const hoist = (minutes: number, done: string): Step =>
  step(
    'rig',
    'hoist',
    'Hoist it',
    'Evenly, a hand a rope',
    'ropes, gloves, helpers',
    minutes,
    done,
    'Rated points and a competent rigger only. Two people or more; nobody underneath until the bonds are closed.',
  );

export const meterIt = (): Step =>
  step(
    'meter',
    'meter',
    'Meter it',
    'The drawing is a forecast, the meter is the light',
    'lux meter',
    10,
    'lux at the subject written down',
  );

/** Wiring looked over, power, heat, then layers, stand and meter: the same end for every build. */
export const finishSteps = (layers = 0): Step[] => [
  lookOver(),
  powerUp(),
  warmChecks(),
  ...addLayers(layers),
  mountAndTip(),
  meterIt(),
];
