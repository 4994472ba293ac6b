import { duvOf } from '../colour/chromaticity';
import { balanceAdvice, type BalanceAdvice } from '../colour/balance';
import { clashOf, mired, type Clash } from '../colour/mired';
import { mixedCctK, mixedUv } from '../colour/mix';
import { stopsBetween } from '../light/exposure';
import type { Chromaticity } from '../colour/planck';
import { LUMINANCE } from './finish';
import type { Bands } from './faces';
import { fillLevelFor, keyToFill, type AtFace, type Ratio } from './ratios';
import type { SetLight } from './scene';
import type { HeadLight, LightAlone } from './solve';
import { stateOf, tintOf, type LightState } from './state';
import type { Setup } from './setup';
import type { Thing } from './things';

/** A light that was worked out alone, as the page keeps it. */
export type Solved = Pick<
  SetLight,
  | 'id'
  | 'name'
  | 'role'
  | 'cctK'
  | 'uv'
  | 'mixed'
  | 'filament'
  | 'wattsW'
  | 'share'
  | 'circuitId'
  | 'origin'
  | 'widthM'
  | 'heightM'
> &
  Pick<LightAlone, 'heads' | 'backdrops' | 'means'>;

/** A light as it is turned up now. */
export interface Lit {
  light: Solved;
  state: LightState;
  tint: Bands;
}

export function litOf({ things, camera }: Setup, solved: readonly Solved[]): Lit[] {
  const byId = new Map<string, Thing>(things.map((thing) => [thing.id, thing]));
  return solved.flatMap((light) => {
    const thing = byId.get(light.id);
    const state = thing && stateOf(thing, light);
    if (!thing || !state) return [];
    // What it is called and what it is there for may have changed since it was worked out.
    const { name } = thing;
    const now = thing.kind === 'light' ? { ...light, name, role: thing.role } : { ...light, name };
    return [{ light: now, state, tint: tintOf(state, camera.balanceK) }];
  });
}

type Side = keyof HeadLight['direct'];

const bouncedLx = (bounced: Bands, tint: Bands): number =>
  bounced.reduce((sum, band, c) => sum + LUMINANCE[c]! * tint[c]! * band, 0);

const sideLx = ({ state, tint }: Lit, head: HeadLight, side: Side): number =>
  state.factor * (head.direct[side] + bouncedLx(head.bounced[side], tint));

/** One light at a head, as it is turned up. */
interface HeadPart extends AtFace {
  name: string;
  role: Solved['role'];
  /** of a colour the nearest */
  cctK: number;
  uv: Chromaticity | null;
  coloured: boolean;
  /** of frontLx, what came straight */
  straightLx: number;
  /** standard error of its lux, as a share */
  share: number;
}

function partOf(lit: Lit, headId: string): HeadPart | null {
  const head = lit.light.heads[headId];
  if (!head || lit.state.factor === 0) return null;
  return {
    id: lit.light.id,
    name: lit.light.name,
    role: lit.light.role,
    cctK: lit.state.cctK,
    uv: lit.state.uv,
    coloured: lit.state.coloured,
    frontLx: sideLx(lit, head, 'front'),
    leftLx: sideLx(lit, head, 'left'),
    rightLx: sideLx(lit, head, 'right'),
    straightLx: lit.state.factor * head.direct.front,
    share: lit.light.share,
  };
}

export interface HeadReading {
  parts: readonly HeadPart[];
  frontLx: number;
  leftLx: number;
  rightLx: number;
  /** standard error of frontLx, as a share: lights err by themselves */
  share: number;
  /** over (+) or under the wanted light */
  stops: number | null;
  keyId: string | null;
  together: Ratio | null;
  alone: Ratio | null;
  cctK: number | null;
  duv: number | null;
  /** the two lights that sit worst together, of those that count */
  clash: { warm: string; cool: string; shiftMired: number; words: Clash } | null;
  /** of the light on the face, what comes in by windows */
  daylight: number;
  /** for the whites among them */
  balance: BalanceAdvice | null;
  /** lights of a colour of their own, that reach the face */
  coloured: readonly string[];
  /** lights that each throw a shadow of their own */
  shadows: readonly string[];
}

const most = (parts: readonly HeadPart[]): HeadPart | null =>
  parts.length
    ? parts.reduce((a, b) =>
        Math.max(b.leftLx, b.rightLx) > Math.max(a.leftLx, a.rightLx) ? b : a,
      )
    : null;

/** What is called the key; the strongest where none is. */
const keyOf = (parts: readonly HeadPart[]): HeadPart | null =>
  most(parts.filter(({ role }) => role === 'key')) ?? most(parts);

/** A light that gives less of the light on a face throws no shadow anybody sees [common practice]. */
const SHADOW_SHARE = 0.12;
/** A light that gives less does not count for a clash [common practice]. */
const CLASH_SHARE = 0.05;

function clashIn(parts: readonly HeadPart[], totalLx: number): HeadReading['clash'] {
  const counted = parts.filter(
    ({ coloured, frontLx, leftLx, rightLx }) =>
      // A colour is meant to differ.
      !coloured && Math.max(frontLx, leftLx, rightLx) > CLASH_SHARE * totalLx,
  );
  if (counted.length < 2) return null;
  const sorted = counted.toSorted((a, b) => mired(b.cctK) - mired(a.cctK));
  const [warm, cool] = [sorted[0]!, sorted.at(-1)!];
  const shiftMired = mired(warm.cctK) - mired(cool.cctK);
  return { warm: warm.name, cool: cool.name, shiftMired, words: clashOf(shiftMired) };
}

const sum = (parts: readonly HeadPart[], of: 'frontLx' | 'leftLx' | 'rightLx' | 'straightLx') =>
  parts.reduce((all, part) => all + part[of], 0);

/** Everything that is said of one face. @param targetLx  light that is wanted there */
export function headReading(
  lit: readonly Lit[],
  headId: string,
  targetLx: number | null,
  balanceK: number,
): HeadReading {
  const parts = lit.flatMap((each) => partOf(each, headId) ?? []);
  const frontLx = sum(parts, 'frontLx');
  const key = keyOf(parts);
  const ratio =
    key &&
    keyToFill(
      key,
      parts.filter((part) => part !== key),
    );
  const mixed = parts.map(({ cctK, uv: own, frontLx: lx }) => ({
    cctK,
    uv: own,
    illuminanceLx: lx,
  }));
  const whites = parts.filter(({ coloured }) => !coloured);
  const uv = mixedUv(mixed);
  const cctK = mixedCctK(mixed);
  const error = Math.hypot(...parts.map((part) => part.share * part.frontLx));
  return {
    parts,
    frontLx,
    leftLx: sum(parts, 'leftLx'),
    rightLx: sum(parts, 'rightLx'),
    share: frontLx > 0 ? error / frontLx : 0,
    stops: targetLx !== null && frontLx > 0 ? stopsBetween(frontLx, targetLx) : null,
    keyId: key?.id ?? null,
    together: ratio?.together ?? null,
    alone: ratio?.alone ?? null,
    cctK,
    duv: uv && cctK !== null ? duvOf(uv, cctK) : null,
    clash: clashIn(parts, frontLx),
    daylight:
      frontLx > 0
        ? sum(
            parts.filter(({ role }) => role === 'window'),
            'frontLx',
          ) / frontLx
        : 0,
    balance: balanceAdvice(
      whites.map((part) => ({
        id: part.id,
        name: part.name,
        cctK: part.cctK,
        illuminanceLx: part.frontLx,
        filament: lit.find(({ light }) => light.id === part.id)!.light.filament,
      })),
      balanceK,
    ),
    coloured: parts.filter((part) => part.coloured).map(({ name }) => name),
    shadows: parts
      .filter(({ straightLx }) => straightLx > SHADOW_SHARE * frontLx)
      .map(({ name }) => name),
  };
}

/** What makes a wanted “key + fill : fill”. */
interface FillAnswer {
  /** of its full light, 0…; more than 1 is more than it has */
  level: number;
  /** the same by moving it instead, left at full: times its distance */
  timesDistance: number;
  /** how many like it, at full level */
  lights: number;
}

/** @param wanted  n : 1, more than 1 */
export function solveFill(
  lit: readonly Lit[],
  headId: string,
  fillId: string,
  wanted: number,
): FillAnswer | null {
  const full = lit.map((each) =>
    each.light.id === fillId
      ? { ...each, state: { ...each.state, factor: each.state.full } }
      : each,
  );
  const parts = full.flatMap((each) => partOf(each, headId) ?? []);
  const fill = parts.find(({ id }) => id === fillId);
  const key = keyOf(parts.filter((part) => part !== fill));
  if (!fill || !key) return null;
  const rest = parts.filter((part) => part !== fill && part !== key);
  const by = fillLevelFor(wanted, key, fill, rest);
  return by === null
    ? null
    : { level: by, timesDistance: 1 / Math.sqrt(by), lights: Math.max(1, Math.ceil(by - 1e-9)) };
}

export interface BackdropReading {
  cellsLx: Float64Array;
  leastLx: number;
  meanLx: number;
  mostLx: number;
  plusMinusStops: number | null;
  /** each light's share of it, the largest first */
  spill: readonly { id: string; name: string; share: number }[];
}

/** Light over a backdrop, everything that is lit together. */
export function backdropReading(lit: readonly Lit[], id: string): BackdropReading | null {
  const cells = lit.find(({ light }) => light.backdrops[id])?.light.backdrops[id]?.length;
  if (!cells) return null;
  const cellsLx = new Float64Array(cells);
  const spill = lit.map(({ light, state }) => {
    const own = light.backdrops[id];
    let flux = 0;
    for (let k = 0; own && k < cells; k++) {
      cellsLx[k]! += state.factor * own[k]!;
      flux += state.factor * own[k]!;
    }
    return { id: light.id, name: light.name, flux };
  });
  const all = spill.reduce((total, { flux }) => total + flux, 0);
  const [leastLx, mostLx] = [Math.min(...cellsLx), Math.max(...cellsLx)];
  return {
    cellsLx,
    leastLx,
    meanLx: all / cells,
    mostLx,
    plusMinusStops: leastLx > 0 ? Math.log2(mostLx / leastLx) / 2 : null,
    spill: spill
      .filter(({ flux }) => flux > 0)
      .map(({ id: light, name, flux }) => ({ id: light, name, share: flux / all }))
      .toSorted((a, b) => b.share - a.share),
  };
}

/** Mean light on a wall or a thing. */
export const meanLxOf = (lit: readonly Lit[], of: string): number =>
  lit.reduce((total, { light, state }) => total + state.factor * (light.means[of] ?? 0), 0);
