import { useMemo, useState } from 'react';
import { addRecord, together, type Change } from '@/core/document/edit';
import { minorDigits } from '@/core/quantity';
import type { ReadField } from '@/core/reading/readLine';
import type { ReadRow } from '@/core/reading/readTable';
import { categoryOf, corrected, partOf, recordOf, type Corrections } from '@/core/reading/record';
import type { Role } from '@/core/materials/part';
import type { Result } from '@/core/result';
import { packSizeOf } from '@/core/units/effective';
import type { Category } from '@/core/units/unit';
import { useSession } from '../shell/Workbench';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';
import { newPart, newUnit } from './newRecords';

/** What a row is to become: a unit of a category, or a part of a role. */
export type Becomes = Category | `part:${Role}`;
/** Of what gives no light. */
export const roleOf = (becomes: Becomes): Role | null =>
  becomes.startsWith('part:') ? (becomes.slice(5) as Role) : null;
/** What is said of a row, kept by what the row says: it stays while lines round it are edited. */
interface Said {
  becomes?: Becomes;
  left?: boolean;
  corrections?: Corrections;
  problem?: string;
  taken?: boolean;
}
/** A row by its text; of several with the same text, by which of them it is. */
function keysOf(rows: readonly ReadRow[]): ReadonlyMap<ReadRow, string> {
  const seen = new Map<string, number>();
  return new Map(
    rows.map((row) => {
      const nth = seen.get(row.text) ?? 0;
      seen.set(row.text, nth + 1);
      return [row, `${row.text} #${nth}`];
    }),
  );
}

const becomesOf = (row: ReadRow): Becomes | null =>
  categoryOf(row) ?? (row.gear?.role ? `part:${row.gear.role}` : null);

/** Which of the read rows are taken, as what and with which corrections; good ones land although others do not. */
export function useTaking(rows: readonly ReadRow[], onDone: () => void) {
  const edits = useEdits();
  const document = useProduction((state) => state.document);
  const { say } = useSession();
  const [said, setSaid] = useState<Record<string, Said>>({});
  const [owned, setOwned] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const { currency, shelf } = document;
  const money = { currency, minorDigits: minorDigits(currency) };
  const voltage = document.circuits[0]?.voltageV ?? 230;
  const known = new Set([...shelf.units, ...shelf.parts].map(({ name }) => name));
  const keys = useMemo(() => keysOf(rows), [rows]);
  const keyOf = (row: ReadRow) => keys.get(row) ?? row.text;
  const of = (row: ReadRow): Said => said[keyOf(row)] ?? {};
  const tell = (row: ReadRow, more: Said) =>
    setSaid((before) => ({
      ...before,
      [keyOf(row)]: { ...before[keyOf(row)], problem: undefined, ...more },
    }));
  const wordOf = (row: ReadRow) => corrected(row, of(row).corrections ?? {});
  const kindOf = (row: ReadRow) => of(row).becomes ?? becomesOf(wordOf(row));
  // A line without a figure would become a thing of nothing but typical ones: it waits to be ticked.
  const says = (row: ReadRow) =>
    wordOf(row).gear !== null ||
    wordOf(row).fields.some(({ value, sure }) => typeof value === 'number' && sure !== 'guess');
  const wanted = (row: ReadRow) =>
    !of(row).taken && !(of(row).left ?? (known.has(row.name) || !says(row)));

  const made = (row: ReadRow, becomes: Becomes): Result<Change> => {
    const role = roleOf(becomes);
    if (role) {
      const part = partOf(wordOf(row), newPart(shelf, role, 'New part'), money);
      return part.ok
        ? {
            ok: true,
            value: addRecord(
              { kind: 'part' },
              owned ? { ...part.value, onHand: part.value.packSize } : part.value,
            ),
          }
        : part;
    }
    const empty = newUnit(shelf, becomes as Category, 'New unit', voltage);
    const unit = recordOf(wordOf(row), becomes as Category, empty, money);
    if (!unit.ok) return unit;
    const record = owned ? { ...unit.value, onHand: packSizeOf(unit.value) } : unit.value;
    return { ok: true, value: addRecord({ kind: 'unit' }, record) };
  };
  const put = () => {
    const tried = rows.flatMap((row) => {
      const becomes = kindOf(row);
      return becomes && wanted(row) ? [{ row, result: made(row, becomes) }] : [];
    });
    const good = tried.flatMap(({ row, result }) =>
      result.ok ? [{ row, change: result.value }] : [],
    );
    const bad = tried.flatMap(({ row, result }) =>
      result.ok ? [] : [{ row, problem: result.problems[0]!.message }],
    );
    if (good.length > 0) {
      const wrong = edits.make(
        `read ${good.length} labels`,
        together(...good.map(({ change }) => change)),
      );
      setRefused(wrong);
      if (wrong) return;
      say(`${good.length} put on the shelf. Undo takes them off again.`);
    }
    if (bad.length === 0) return onDone();
    for (const { row } of good) tell(row, { taken: true });
    for (const { row, problem } of bad) tell(row, { problem });
  };
  return {
    currency,
    owned,
    setOwned,
    refused,
    put,
    ready: rows.filter((row) => wanted(row) && kindOf(row)).length,
    known: (row: ReadRow) => known.has(row.name),
    taken: (row: ReadRow) => of(row).taken ?? false,
    problemOf: (row: ReadRow) => of(row).problem ?? null,
    problems: rows.filter((row) => of(row).problem).length,
    wordOf,
    kindOf,
    wanted,
    setKind: (row: ReadRow, becomes: Becomes) => tell(row, { becomes }),
    setLeft: (row: ReadRow, left: boolean) => tell(row, { left }),
    /** another value for a field; null leaves it out */
    correct: (row: ReadRow, field: ReadField, value: Corrections[ReadField]) =>
      tell(row, { corrections: { ...of(row).corrections, [field]: value } }),
  };
}
export type Taking = ReturnType<typeof useTaking>;
