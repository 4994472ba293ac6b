import type { Build, Production } from '../document/production';
import {
  ofRung,
  ofStation,
  worst,
  worstOf,
  type Finding,
  type Severity,
} from '../findings/finding';
import { wireFindings } from '../power/wire';
import { Derivations } from './derive';
import { signedState } from './signedState';
import { stepPrints } from './stepPrints';
import type { Readout, RungId } from './readout';
import type { WorkedOut } from './readouts';

/** How far a station has come: nothing there, something still to decide, or what is said of it. */
export type Mark = Severity | 'empty' | 'started';

/** A rung wears the worst of its own judgement and of the findings that are about it. */
export const rungMarked = (rung: Readout, findings: readonly Finding[]): Readout => {
  const state = worstOf([rung.state, worst(ofRung(findings, rung.id))]);
  return state === rung.state ? rung : { ...rung, state };
};

/** Rungs a station shows figures of. */
const SHOWS = {
  glow: ['light', 'stops', 'softness', 'evenness', 'colour'],
  wire: ['power', 'heat', 'flicker'],
  cut: ['cost'],
} as const satisfies Record<string, readonly RungId[]>;

const rungsWorst = ({ rungs }: WorkedOut, shown: readonly RungId[]): Severity =>
  worstOf(rungs.filter(({ id }) => shown.includes(id)).map(({ state }) => state));
const isOpen = ({ rungs }: WorkedOut, shown: readonly RungId[]): boolean =>
  rungs.some(({ id, value }) => shown.includes(id) && value === null);

interface Marked {
  document: Production;
  build: Build | null;
  readouts: WorkedOut | null;
  findings: readonly Finding[];
  shotId: string | null;
  /** results kept for the production */
  derive?: Derivations;
}

/**
 * The marks of all stations, by one rule: a station that has something to decide is `started`, any other wears the worst
 * of the findings and rungs it shows. Nothing is fine that is not known.
 */
export function stationMarks({
  document,
  build,
  readouts,
  findings,
  shotId,
  derive = new Derivations(),
}: Marked) {
  const { shots, shelf, builds } = document;
  const of = (station: Parameters<typeof ofStation>[1]) => worst(ofStation(findings, station));
  const withBuild = (mark: (known: WorkedOut) => Mark): Mark =>
    build === null || readouts === null ? 'empty' : mark(readouts);
  const marks = {
    shot:
      shots.length === 0
        ? 'empty'
        : builds.some((each) => each.shotId === shotId)
          ? of('shot')
          : 'started',
    shelf: shelf.units.length === 0 ? 'empty' : of('shelf'),
    build: withBuild((known) => (isOpen(known, ['light']) ? started(findings) : worst(findings))),
    glow: withBuild((known) =>
      isOpen(known, SHOWS.glow) ? 'started' : worstOf([of('glow'), rungsWorst(known, SHOWS.glow)]),
    ),
    wire: withBuild((known) => {
      const said = worstOf([worst(wireFindings(findings)), rungsWorst(known, SHOWS.wire)]);
      return said !== 'stop' && isOpen(known, SHOWS.wire) ? 'started' : said;
    }),
    cut: withBuild((known) => {
      const { cuts, purchase } = known;
      const large = cuts.plans.some(
        (plan) => plan.kind === 'sheet' && plan.nesting.unplaced.length > 0,
      );
      if (large) return 'stop';
      if (cuts.unchosen.length > 0 || purchase.lines.length === 0) return 'started';
      return worstOf([of('cut'), rungsWorst(known, SHOWS.cut)]);
    }),
    make: withBuild((known) =>
      build ? makeMark(document, build, known, findings, derive) : 'empty',
    ),
    meter: meterMark(document),
    // What is wrong in a set is found when it is opened: nothing is fine that is not known.
    set: document.setups.length === 0 ? 'empty' : 'started',
    // A verdict is no better than what it judges.
    verdict: withBuild((known) => {
      const all = worstOf([worst(findings), ...known.rungs.map(({ state }) => state)]);
      const undecided =
        known.rungs.some(({ value }) => value === null) || known.cuts.unchosen.length > 0;
      return all !== 'stop' && undecided ? 'started' : all;
    }),
  } satisfies Record<string, Mark>;
  return marks as Record<keyof typeof marks, Mark>;
}

/** Metered is what was closed; an open session is still read. */
const meterMark = ({ sessions }: Production): Mark =>
  sessions.length === 0
    ? 'empty'
    : sessions.some(({ closedAt }) => closedAt === null)
      ? 'started'
      : 'ok';

/** Made is what is ticked in every copy, for what stands there now. */
function makeMark(
  document: Production,
  build: Build,
  readouts: WorkedOut,
  findings: readonly Finding[],
  derive: Derivations,
): Mark {
  const { steps } = readouts;
  const own = document.makings.filter(
    ({ buildId, copy }) => buildId === build.id && copy <= build.copies,
  );
  if (own.length === 0) return 'empty';
  if (worst(findings) === 'stop') return 'stop';
  const ticked = own.every(({ ticks }) => steps.every(({ id }) => id in ticks));
  if (own.length < build.copies || !ticked) return 'started';
  const known = stepPrints(readouts, signedState(document, build, derive));
  return own.every(({ ticks }) => steps.every(({ id }) => ticks[id]!.print === known.get(id)))
    ? 'ok'
    : 'look';
}

/** What is shut stays shut, though nothing is chosen yet. */
const started = (findings: readonly Finding[]): Mark =>
  worst(findings) === 'stop' ? 'stop' : 'started';
