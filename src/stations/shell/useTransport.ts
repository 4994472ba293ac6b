'use client';
import { useEffect, useMemo, useState } from 'react';
import type { EstimateScale } from '@/core/evaluate/field';
import type { CavityModel } from '@/core/evaluate/evaluate';
import type { Transported } from '@/core/light/transport/result';
import { READOUT_RUN } from '@/core/light/transport/run';
import { lightHands } from '@/workers/pool';
import { transport } from '@/workers/transport';

/** Rooms remembered, so that going back to one does not run it again; a survey of one is some megabytes. */
const MOST_KNOWN = 12;
/** Only what rests is simulated; while a knob is held the estimate stands. */
const REST_MS = 60;
export const SEED = READOUT_RUN.seed;
const { photons: PHOTONS } = READOUT_RUN;

/** Results by room, for this page; the newest last. */
export class KnownCavities {
  private readonly rooms = new Map<string, Transported>();

  /** how far the estimate was off when each build was last simulated */
  readonly scales = new Map<string, EstimateScale>();

  get = (key: string): Transported | null => this.rooms.get(key) ?? null;

  /** Keeps a result unless a finer one is known. */
  keep(key: string, found: Transported): void {
    const known = this.rooms.get(key);
    if (known && known.photons > found.photons) return;
    this.rooms.delete(key);
    this.rooms.set(key, found);
    const oldest = this.rooms.keys().next().value;
    if (this.rooms.size > MOST_KNOWN && oldest !== undefined) this.rooms.delete(oldest);
  }
}

export interface TransportState {
  known: KnownCavities;
  /** changes whenever there is something new to read */
  told: number;
  /** share of the wanted photons that is done; 1 when there is nothing to do */
  done: number;
}

/**
 * Keeps the room of the build on screen simulated.
 * @param soon  the light at the subject is told before what it does all round
 */
export function useTransport(soon: boolean) {
  const [known] = useState(() => new KnownCavities());
  const [told, setTold] = useState(0);
  const [room, setRoom] = useState<CavityModel | null>(null);

  const key = room?.key ?? null;
  useEffect(() => {
    if (!room || (known.get(room.key)?.photons ?? 0) >= PHOTONS) return;
    const abort = new AbortController();
    const learn = (found: Transported) => {
      known.keep(room.key, found);
      setTold((count) => count + 1);
    };
    const wait = setTimeout(() => {
      void transport(
        {
          ...room,
          run: READOUT_RUN,
          soon,
          onProgress: learn,
          signal: abort.signal,
        },
        lightHands(),
      ).then((found) => found && learn(found));
    }, REST_MS);
    return () => {
      clearTimeout(wait);
      abort.abort();
    };
    // The key is the room's content; a run under way goes on when another station opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, known]);

  const done = room ? Math.min(1, (known.get(room.key)?.photons ?? 0) / PHOTONS) : 1;
  const state = useMemo<TransportState>(() => ({ known, told, done }), [known, told, done]);
  return { state, follow: setRoom };
}
