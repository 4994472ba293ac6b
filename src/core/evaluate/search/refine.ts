import type { Production } from '../../document/production';
import { cannotRun, READOUT_RUN, simulateQuickly } from '../../light/transport/run';
import { mired } from '../../colour/mired';
import { Derivations } from '../derive';
import { begunBuild } from '../starter';
import { ERROR_STOPS, type Judged } from './judged';
import type { Question } from './question';

/** The document with a found design in it, and the id it has there. */
export function withFound(
  found: Pick<Judged, 'of' | 'name' | 'parameters' | 'accessories' | 'id'>,
  { document, shot, circuit }: Pick<Question, 'document' | 'shot' | 'circuit'>,
): { document: Production; buildId: string } {
  const drawn =
    found.parameters === null ? document.builds.find(({ id }) => found.id === `have ${id}`) : null;
  const build = drawn
    ? { ...drawn, shotId: shot.id, circuitId: circuit.id, copies: 1 }
    : {
        ...begunBuild(
          { id: found.of, name: found.name },
          shot.id,
          circuit.id,
          found.parameters ?? {},
        ),
        accessories: [...found.accessories],
      };
  const others = document.builds.filter(({ id, shotId }) => id !== build.id && shotId !== shot.id);
  return { document: { ...document, builds: [...others, build] }, buildId: build.id };
}

const CELLS = 8;

/**
 * A design judged by every engine, its light simulated where it comes out of a mouth: what an answer must stand up to.
 * @returns null for what some engine refuses
 */
export function refined(found: Judged, question: Question): Judged | null {
  const whole = found.sure ? { judged: found, stops: [] } : judgedWhole(found, question);
  return whole && whole.stops.length === 0 ? whole.judged : null;
}

/**
 * The same, with the titles of what refuses it.
 * @returns null for what gives no light or cannot be worked out
 */
export function judgedWhole(
  found: Judged,
  question: Question,
): { judged: Judged; stops: string[] } | null {
  const { document, buildId } = withFound(found, question);
  const build = document.builds.find(({ id }) => id === buildId)!;
  const derive = new Derivations();
  const room = derive.room(document, build);
  const followed = room && cannotRun(room.arrangement, READOUT_RUN) === null;
  const run = followed ? simulateQuickly(room.arrangement, READOUT_RUN.seed) : null;
  const asked = { gridCells: CELLS, transported: () => run };
  const resolved = derive.resolve(document, build)?.resolved;
  const light = derive.light(document, build, asked);
  const purchase = derive.cost(document, build);
  const flicker = derive.flicker(document, build, asked);
  const power = derive.power(document, build);
  if (!resolved || !light || !purchase || !flicker || !power || !(light.totalLx > 0)) return null;
  const stops = derive
    .findings(document, build, asked)
    .flatMap(({ severity, title }) => (severity === 'stop' ? [title] : []));
  const { folded, massKg, steps } = resolved;
  const made = found.way === 'have' && found.what === 'made';
  const judged: Judged = {
    ...found,
    front: light.seen,
    lux: light.totalLx,
    stops: light.marginStops,
    errorStops: ERROR_STOPS.simulated,
    angleDeg: light.angleDeg,
    separate: light.shadows.separate,
    evennessStops: light.evenness.plusMinusStops,
    cctK: light.cctK,
    miredOff: light.cctK === null ? 0 : Math.abs(mired(light.cctK) - mired(question.shot.cctK)),
    flickers: flicker.state === 'ok' ? false : flicker.state === 'unknown' ? null : true,
    ...(made
      ? {}
      : {
          nowMinor: purchase.spentNowMinor,
          fullMinor: purchase.fullMinor,
          unpriced: purchase.unpriced,
          priced: purchase.lines.every(
            ({ of, priced, packsNow }) =>
              priced || packsNow === 0 || of === null || isSmall(document, of),
          ),
          owned: purchase.lines.every(
            ({ of, packsNow }) => packsNow === 0 || of === null || isSmall(document, of),
          ),
          hours: steps.reduce((sum, { minutes }) => sum + minutes, 0) / 60,
        }),
    watts: power.plan.fullW,
    massKg,
    foldedM: Math.max(folded.widthM, folded.heightM, folded.depthM),
    sure: true,
  };
  return { judged, stops };
}

/** Screws and clips: bought for a few coins, whatever one owns. */
const isSmall = (
  { shelf }: Production,
  { kind, id }: { kind: 'unit' | 'part'; id: string },
): boolean =>
  kind === 'part' && shelf.parts.some((part) => part.id === id && part.role === 'hardware');
