import type { LightBody } from './scene';
import type { Setup } from './setup';
import type { LightThing, SocketThing } from './things';

/** Slack for corners and what lies in the way, and a loop at the foot of each stand [common practice]. */
const SLACK = 1.1;
const LOOP_M = 1;
/** Leads as they are sold, m [typ]. */
export const LEADS_M = [3, 5, 10, 15, 20, 25, 50] as const;

/** A light's way to its socket. */
export interface Cable {
  lightId: string;
  socket: SocketThing | null;
  /** what it hangs on: its build’s circuit, else that of the socket next to it */
  circuitId: string | null;
  /** down, along the walls and up again, slack and all; null without a socket */
  lengthM: number | null;
  /** lead to bring, or two in a row where none is so long; m */
  leadsM: readonly number[];
}

const away = (light: LightThing, socket: SocketThing): number =>
  Math.abs(light.xM - socket.xM) + Math.abs(light.yM - socket.yM);

/** The socket next to a light, of its circuit where it has one; a socket of no known circuit serves any. */
function socketFor(light: LightThing, circuitId: string | null, sockets: readonly SocketThing[]) {
  const fitting = sockets.filter(
    (socket) => circuitId === null || socket.circuitId === null || socket.circuitId === circuitId,
  );
  return fitting.toSorted((a, b) => away(light, a) - away(light, b))[0] ?? null;
}

/** Leads in a row that reach so far, the fewest. */
function leadsFor(lengthM: number): number[] {
  const longest = LEADS_M.at(-1)!;
  const leads = Array.from({ length: Math.floor(lengthM / longest) }, () => longest as number);
  const rest = lengthM - longest * leads.length;
  return rest > 0 ? [...leads, LEADS_M.find((each) => each >= rest)!] : leads;
}

/** Where a light is plugged in, and by how long a cable. @param body  null where what it named is gone */
export function cableOf(
  setup: Setup,
  light: LightThing,
  body: Pick<LightBody, 'circuitId' | 'apparentVa'> | null,
): Cable {
  const sockets = setup.things.filter((thing): thing is SocketThing => thing.kind === 'socket');
  const own = body?.circuitId ?? null;
  // Whatever can be turned up wants its cable, dark as it may stand now.
  const socket = body && body.apparentVa > 0 ? socketFor(light, own, sockets) : null;
  const lengthM = socket && SLACK * (light.zM + away(light, socket) + socket.zM) + LOOP_M;
  return {
    lightId: light.id,
    socket,
    circuitId: own ?? socket?.circuitId ?? null,
    lengthM,
    leadsM: lengthM === null ? [] : leadsFor(lengthM),
  };
}
