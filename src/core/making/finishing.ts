import { CORDS } from '../electrics/cord';
import { ohmPerM } from '../electrics/copper';
import { REGIONS, type Region } from '../electrics/region';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Step } from '../build/step';
import type { FormContext } from '../forms/form';
import { orderSteps } from '../forms/kit/order';
import { step } from '../forms/kit/steps';
import { wantsEarth } from '../power/earth';
import { settingUp } from './settingUp';

/** Minutes of wiring: to begin with, and for each load [typ]. */
const WIRING_MIN = 10;
const WIRING_MIN_EACH = 4;
/** An earth joint is good below this, beside the cord's own resistance, Ω [common practice]. */
const EARTH_OHM = 0.1;

/** What the steps of finishing have to know of a build. */
interface Finishing {
  resolved: ResolvedBuild;
  region: Region;
  plug: { fuseA: number | null } | null;
  earthed: boolean;
  /** resistance of the cord's earth wire, Ω; null without a cord */
  cordOhm: number | null;
  /** names of what is joined to earth */
  earths: string[];
  filament: boolean;
}

function finishingOf(resolved: ResolvedBuild, { circuit, part }: FormContext): Finishing {
  const cord = part(resolved.wiring.cord.partId);
  const kind = cord?.role === 'cord' ? CORDS[cord.cord] : null;
  const plug = part(resolved.wiring.plug.partId);
  const lengthM = resolved.wiring.loads.reduce((sum, { cordM }) => sum + cordM, 0);
  return {
    resolved,
    region: REGIONS[circuit.region],
    plug: plug?.role === 'plug' ? plug : null,
    earthed: kind?.earthed ?? false,
    cordOhm: kind && ohmPerM(kind.areaMm2) * lengthM,
    earths: [...new Set(wantsEarth(resolved, part).map(({ name }) => name))],
    filament: resolved.groups.some(({ unit }) => unit.filament),
  };
}

/** Most an earth may measure from the plug's pin to the metal, the cord's own wire included, Ω. */
export const earthLimitOhm = (resolved: ResolvedBuild, context: FormContext): number =>
  EARTH_OHM + (finishingOf(resolved, context).cordOhm ?? 0);

/** Lamps put into holders or clips by hand, apart from bought bodies and tape. */
const lampsOf = ({ groups, tape }: ResolvedBuild): 'tubes' | 'bulbs' | null => {
  if (tape) return null;
  const kinds = groups.map(({ unit }) => unit.category);
  if (kinds.includes('tube')) return 'tubes';
  return kinds.includes('bulb') ? 'bulbs' : null;
};

const wires = ({ region, earthed }: Finishing): string => {
  const { live, neutral, earth } = region.wires;
  return `live (${live}) and neutral (${neutral})${earthed ? `, earth (${earth})` : ''}`;
};

/** Gear that keeps a charge, and what its case wants. */
const GEAR =
  'Supplies and ballasts keep a charge: unplugged, wait five minutes before a hand goes to their terminals. In a metal case their own earth terminal is wired first, and a cover goes over every mains terminal.';
const OLD_COLOURS =
  'A found cord may wear old colours (red live, black neutral) or be swapped: tell its wires by continuity to the plug’s pins, never by colour.';

function wireMains(given: Finishing): Step {
  const { resolved, earths, earthed } = given;
  const { loads, ballast } = resolved.wiring;
  const earth = earthed
    ? earths.length > 0
      ? `; earth (${given.region.wires.earth}) to ${earths.join(', ')}`
      : `; the earth wire (${given.region.wires.earth}) ends in a closed terminal`
    : '; no earth in this cord: nothing of bare metal, everything double-insulated';
  return step(
    'wire',
    'wire-mains',
    loads.length > 1 ? 'Wire the mains side in parallel' : 'Wire the mains side',
    loads.length > 1
      ? 'Every lamp gets the full mains voltage'
      : 'The one joint that can kill: done slowly',
    'stripper, screwdriver, crimps',
    WIRING_MIN + WIRING_MIN_EACH * loads.length,
    `live (${given.region.wires.live}) and neutral (${given.region.wires.neutral}) the same way round everywhere${earth}; no strand outside its terminal`,
    [
      'Mains can kill. The plug is not on the cord yet. If you have not done this before, have a competent person do it or check it; local codes come first.',
      ...(resolved.tape || ballast ? [GEAR] : []),
      OLD_COLOURS,
    ],
  );
}

const fuseWords = ({ region, plug }: Finishing): string[] => {
  if (region.plugFusesA.length === 0) return [];
  return [
    plug?.fuseA
      ? `a ${plug.fuseA} A fuse in it, as planned, no other`
      : `the smallest fuse of ${region.plugFusesA.join(', ')} A that carries the light, none larger than its cord bears`,
  ];
};

const closeBack = (): Step =>
  step(
    'close',
    'close-back',
    'Hold the cord and cover every terminal',
    'A pull on the cord must not reach a terminal, a hand neither',
    'cord grip, cover, screwdriver',
    20,
    'the cord holds a hard pull; no terminal, supply or ballast can be touched',
  );

const fitPlug = (given: Finishing): Step =>
  step(
    'close',
    'fit-plug',
    'Fit the plug',
    'The grip on the sheath takes the pull, not the screws',
    'screwdriver, stripper',
    10,
    [
      'sheath under the grip',
      `${wires(given)} to the pins marked for them`,
      ...(given.earthed ? ['the earth wire longest, so that it comes off last'] : []),
      ...fuseWords(given),
    ].join('; '),
    [
      'It stays out of every outlet until the power-up step.',
      ...(given.region.plugFusesA.length === 0
        ? [
            'Where plugs go in either way round, any contact of a holder may be live with the switch off: unplug before a lamp is changed.',
          ]
        : []),
    ],
  );

/** With lamps in, a continuity test tells nothing. */
const lookOver = ({ resolved }: Finishing): Step =>
  step(
    'look over',
    'look-over',
    resolved.tape
      ? 'Have the wiring looked over, unplugged'
      : 'Have the wiring looked over, unplugged, lamps out',
    'A second pair of eyes finds the swapped wire; with lamps in the meter says nothing, cold filaments read as a short and LED drivers as open',
    'continuity tester',
    15,
    `no continuity from live to neutral, none from either to metal; ${
      resolved.tape
        ? 'no short from + to −, + to + and − to − at every feed'
        : 'live to the centre contact or brass'
    }; every point of the look-over ticked`,
  );

const measureEarth = ({ earths, cordOhm }: Finishing): Step =>
  step(
    'look over',
    'measure-earth',
    'Measure the earth',
    'An earth that was never measured may end anywhere',
    'ohmmeter, its leads held together first and taken off',
    5,
    `from the plug’s earth pin to ${earths.join(', ')}: under ${EARTH_OHM} Ω${
      cordOhm ? ` and the cord’s own ${cordOhm.toFixed(2)} Ω` : ' and the cord’s own'
    }`,
    ['Over that: do not plug it in. Find the painted, loose or forgotten joint.'],
  );

function lampsIn({ resolved, filament }: Finishing, after: readonly Step[]): Step[] {
  const lamps = lampsOf(resolved);
  if (!lamps) return [];
  return [
    step(
      'look over',
      'lamps-in',
      `Put the ${lamps} in, unplugged`,
      'Only now: every test before wants them out',
      lamps === 'tubes' ? 'hands, a helper for long ones' : 'hands',
      2 + resolved.wiring.loads.length * 0.5,
      `every one sits firmly; none of other watts than planned`,
      {
        hazards: [
          'Unplug and let it cool before any lamp is changed.',
          ...(lamps === 'tubes'
            ? [
                'LED tubes are fed at one end or at both: wire the ends its label shows, and label the fitting so. One that is fed at both has live pins at its free end while the other is in. Old starters and ballasts come out unless its label asks for them.',
              ]
            : []),
          ...(filament
            ? ['Halogen glass wants no fingerprints, and no drop of water when hot.']
            : []),
        ],
        needs: after.map(({ id }) => id),
      },
    ),
  ];
}

function powerUp({ resolved, filament }: Finishing, tested: readonly Step[]): Step {
  const lit = resolved.tape ? 'every row lights' : 'all lamps light';
  return step(
    'power up',
    'power-up',
    'First power-up',
    'Faults show in the first second',
    'switched strip, outlet with RCD (GFCI)',
    5,
    `the power-up gate is open; the RCD tripped at its test button and was set again; ${lit}`,
    {
      hazards: [
        'Light upward on stone, tile or sheet metal, nothing near it that burns. Plug it into a switched strip that is off, hands away, then switch on at the strip.',
        ...(filament ? ['An extinguisher within reach, not water.'] : []),
      ],
      needs: tested.map(({ id }) => id),
    },
  );
}

/** With everything on that will ever hang on it: what closes it makes it hot. */
const warmChecks = ({ filament }: Finishing): Step =>
  step(
    'warm',
    'warm-checks',
    'Warm checks, with everything on',
    'Heat shows late, and layers, hood and doors keep it in',
    'back of the hand, thermometer',
    10,
    'after 10 min and after 1 h: cord, plug, holders and board can be held for as long as you like; no smell, nothing brown',
    {
      wait: 60,
      hazards: [
        'Stay with it the whole hour; a new light is never left alone. Unplug before you touch anything.',
        ...(filament
          ? ['Filament lamps, their glass, doors and bodies burn skin: those are not felt.']
          : []),
      ],
      needs: ['power-up'],
    },
  );

const meterIt = (): Step =>
  step(
    'meter',
    'meter',
    'Meter it',
    'The drawing is a forecast, the meter is the light',
    'lux meter',
    10,
    'lux at the subject written down',
  );

/**
 * The same end for every light, whatever its form: mains side, cover, plug, a look with the lamps out, earth
 * measured, first power-up, warm checks with everything on, setting up, metering [docs/model/making.md].
 * What comes with its own cord is wired by nobody.
 */
export function finished(resolved: ResolvedBuild, context: FormContext): Step[] {
  const given = finishingOf(resolved, context);
  const wired = resolved.wiring.cord.field !== undefined && resolved.wiring.loads.length > 0;
  const mains = resolved.wiring.loads.length > 0;
  const own = wired ? [wireMains(given), closeBack(), fitPlug(given)] : [];
  const looked = [
    ...(wired ? [lookOver(given)] : []),
    ...(wired && given.earths.length > 0 ? [measureEarth(given)] : []),
  ];
  const tested = [...looked, ...(mains ? lampsIn(given, looked) : [])];
  const lit = mains ? [powerUp(given, tested), warmChecks(given)] : [];
  return orderSteps([
    ...resolved.steps,
    ...own,
    ...tested,
    ...lit,
    ...(mains || resolved.supports.length > 0 ? settingUp(resolved) : []),
    meterIt(),
  ]);
}
