import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import * as z from 'zod/mini';
import { addRecord, changeRecord, together } from '@/core/document/edit';
import type { Part } from '@/core/materials/part';
import { bringing, countOf, ownedOf, type OwnShelf } from '@/core/shelf/own';
import { shelfSchema } from '@/core/shelf/shelf';
import { measureOf, packSizeOf } from '@/core/units/effective';
import type { Unit } from '@/core/units/unit';
import { requestJson } from '../home/request';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

export type Thing = Unit | Part;
const kindOfThing = (thing: Thing) => ('category' in thing ? 'unit' : 'part');
export const countedIn = (thing: Thing) => ('category' in thing ? measureOf(thing) : thing.measure);
/** A pack of it, in what it is counted by. */
export const packOf = (thing: Thing): number =>
  'category' in thing ? packSizeOf(thing) : thing.packSize;

const ownSchema = z.object({ currency: z.string(), shelf: shelfSchema });
const listSchema = z.array(z.object({ id: z.string(), name: z.string() }));

async function answerOf<T>(url: string, schema: z.ZodMiniType<T>): Promise<T | null> {
  const answer = await fetch(url).catch(() => null);
  const json: unknown = answer?.ok ? await answer.json().catch(() => null) : null;
  const read = schema.safeParse(json);
  return read.success ? read.data : null;
}

/** What is on hand in this production, at home, and in other productions. */
export function useOwn() {
  const edits = useEdits();
  const { say } = useSession();
  const document = useProduction((state) => state.document);
  const { shelf, currency } = document;
  const [home, setHome] = useState<OwnShelf | null>(null);
  const [others, setOthers] = useState<{ id: string; name: string }[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    void answerOf('/api/shelf', ownSchema).then(setHome);
    void answerOf('/api/productions', listSchema).then((all) =>
      setOthers((all ?? []).filter(({ id }) => id !== document.id)),
    );
  }, [document.id]);

  const setOnHand = (thing: Thing, onHand: number) =>
    edits.record(kindOfThing(thing), thing.id, `${thing.name} on hand`, (draft) => {
      draft.onHand = onHand;
    });
  const bring = (own: OwnShelf, from: string) => {
    const { added, onHand } = bringing(shelf, currency, own, () => nanoid(10));
    const count = countOf(added) + onHand.length;
    if (count === 0) return say(`All of ${from} is on the shelf already.`);
    const refused = edits.make(
      `bring what I own from ${from}`,
      together(
        ...added.units.map((unit) => addRecord({ kind: 'unit' }, unit)),
        ...added.parts.map((part) => addRecord({ kind: 'part' }, part)),
        ...onHand.map(({ kind, id, onHand: amount }) =>
          changeRecord({ kind, id }, (draft) => void (draft.onHand = amount)),
        ),
      ),
    );
    setProblem(refused);
    if (!refused) say(`${count} things of ${from} are on the shelf. Undo takes them off again.`);
  };
  const keepAtHome = async () => {
    const own = { currency, shelf: ownedOf(shelf) };
    const outcome = await requestJson('PUT', '/api/shelf', own);
    setProblem(outcome.ok ? null : (outcome.message ?? null));
    if (!outcome.ok) return;
    setHome(own);
    say(`${countOf(own.shelf)} things are kept for every production.`);
  };
  const bringFrom = async (id: string) => {
    const name = others.find((each) => each.id === id)?.name ?? 'it';
    const read = await answerOf(
      // As the server reads it: an older document is brought up to today's.
      `/api/productions/${id}`,
      z.object({ document: ownSchema }),
    );
    if (read) bring(read.document, name);
    else setProblem(`The shelf of ${name} could not be read.`);
  };
  return { shelf, home, others, problem, setOnHand, bring, bringFrom, keepAtHome };
}
