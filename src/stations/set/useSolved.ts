'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Production } from '@/core/document/production';
import type { SetAnswer } from '@/core/evaluate/setup/engine';
import type { Setup } from '@/core/set/setup';
import { SOLD } from '@/core/units/channels';
import { Cancelled, lightHands } from '@/workers/pool';
import { useProduction } from '../store/context';

interface SolvedSet {
  answer: SetAnswer | null;
  /** what is on screen is not yet of the setup as it stands */
  busy: boolean;
  problem: string | null;
  /** what the worker calls the production’s stock */
  stock: string;
}

let stocks = 0;
let known: { of: readonly unknown[]; key: string } = { of: [], key: '' };

/** A name for the production’s stock that changes with it: the worker keeps what hangs on it. One for all who ask on a page. */
function stockKey({ builds, fixtures, shelf, calibration, shots, circuits }: Production): string {
  const of = [builds, fixtures, shelf, calibration, shots, circuits];
  if (of.some((each, k) => each !== known.of[k])) known = { of, key: `stock ${++stocks}` };
  return known.key;
}

/** Only what stands asks for working out; what is turned up or down does not. */
const standing = (setup: Setup): string =>
  JSON.stringify({
    ...setup,
    name: '',
    note: '',
    things: setup.things.map((thing) =>
      thing.kind === 'light'
        ? { ...thing, level: 0, gelMired: 0, on: true, role: '', copies: 1, ...SOLD }
        : thing,
    ),
  });

/** One answer after another, always of the newest setup; while a thing is drawn about, its straight light alone. */
export function useSolved(setup: Setup, draggedId: string | null): SolvedSet {
  const document = useProduction((state) => state.document);
  const stock = useMemo(() => stockKey(document), [document]);
  const [solved, setSolved] = useState<{ answer: SetAnswer; key: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const running = useRef(false);
  const wanted = useRef<{ setup: Setup; stock: string; document: Production; key: string } | null>(
    null,
  );
  const told = useRef('');
  const looked = useRef(false);
  const key = `${stock} ${standing(setup)}`;
  const done = solved?.key === key;

  useEffect(() => {
    wanted.current = { setup, stock, document, key };
    // What is under the hand is followed straight; the rest is worked out when it rests.
    if (done || running.current || draggedId !== null) return;
    running.current = true;
    const solveNewest = async () => {
      const [hand] = lightHands();
      if (!hand) throw new Error('This browser allows no workers, so nothing can be worked out.');
      for (let last = ''; wanted.current && wanted.current.key !== last;) {
        const now = wanted.current;
        last = now.key;
        const ask = async (rough: boolean) => {
          const call = (document: Production | null) =>
            hand.call((api) => api.solvedSet(now.stock, document, now.setup, rough), {
              priority: 'soon',
            }) as Promise<SetAnswer | null>;
          const answer =
            (told.current === now.stock ? await call(null) : null) ?? (await call(now.document));
          told.current = now.stock;
          return answer;
        };
        // Whoever sees nothing yet is shown a first look; it is marked as not done.
        if (!looked.current) {
          const first = await ask(true);
          if (first) setSolved({ answer: first, key: `${now.key} rough` });
          looked.current = true;
        }
        const answer = await ask(false);
        if (answer) setSolved({ answer, key: now.key });
        setProblem(null);
      }
    };
    solveNewest()
      .catch((error: Error) => {
        if (!(error instanceof Cancelled)) setProblem(error.message);
      })
      .finally(() => {
        running.current = false;
      });
    // The key says what of the setup matters here.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, done, draggedId]);

  const followed = useStraight(setup, stock, draggedId, solved?.answer ?? null);
  return { answer: followed, busy: !done, problem, stock };
}

/** While a light is moved: its straight light from where it is now, the rest as it was last worked out. */
function useStraight(
  setup: Setup,
  stock: string,
  draggedId: string | null,
  answer: SetAnswer | null,
): SetAnswer | null {
  const [straight, setStraight] = useState<{
    id: string;
    of: SetAnswer;
    heads: Record<string, { front: number; left: number; right: number }>;
  } | null>(null);
  useEffect(() => {
    if (!draggedId || !answer) return;
    // The same hand that worked the set out: it alone knows the stock.
    const [hand] = lightHands();
    let late = false;
    hand
      ?.call((api) => api.straightSet(stock, setup, draggedId), { priority: 'now' })
      .then((heads) => {
        if (heads && !late) setStraight({ id: draggedId, of: answer, heads });
      })
      .catch(() => undefined);
    return () => {
      late = true;
    };
  }, [setup, stock, draggedId, answer]);
  if (!answer || !straight || straight.id !== draggedId || straight.of !== answer) return answer;
  return {
    ...answer,
    lights: answer.lights.map((light) =>
      light.id !== straight.id
        ? light
        : {
            ...light,
            heads: Object.fromEntries(
              Object.entries(light.heads).map(([id, head]) => [
                id,
                { ...head, direct: straight.heads[id] ?? head.direct },
              ]),
            ),
          },
    ),
  };
}
