'use client';
import { useState } from 'react';
import type { FoundField, ReadField } from '@/core/reading/readLine';
import type { ReadRow } from '@/core/reading/readTable';
import { hasPlace, missingOf, otherCurrency } from '@/core/reading/record';
import { CATEGORIES, type Category } from '@/core/units/unit';
import { PART_RECORDS, ROLES, type Role } from '@/core/materials/part';
import { fieldText } from '@/core/quantity';
import { partSizes } from '@/core/reading/partSizes';
import { optionLabel } from '@/core/record/field';
import { useDevice } from '@/ui/device';
import { Heads } from '@/ui/Heads';
import { ROLE_NAMES } from './roleNames';
import { ReadValue } from './ReadValue';
import { roleOf, useTaking, type Becomes, type Taking } from './useTaking';
import { ONE_OF } from './unitRows';

/** Rows shown at first, and by how many more each press goes on. */
const SHOWN = 60;

/** What was read of every line, and what is to be taken. */
export function ReadRows({ rows, onClose }: { rows: readonly ReadRow[]; onClose: () => void }) {
  const taking = useTaking(rows, onClose);
  const [shown, setShown] = useState(SHOWN);
  const { problems, ready } = taking;
  // Those that were refused come first: what is wrong must not hide below.
  const listed = rows.filter((row) => !taking.taken(row));
  const ordered =
    problems > 0
      ? listed.toSorted((a, b) => Number(!taking.problemOf(a)) - Number(!taking.problemOf(b)))
      : listed;
  return (
    <>
      <div className="relative mt-3 overflow-x-auto">
        <table className="rows w-full text-[13px]" data-read-rows={rows.length}>
          <Heads of={['take', 'line', 'kind', 'read from it', 'not found']} />
          <tbody>
            {ordered.slice(0, shown).map((row, k) => (
              <ReadLine key={`${row.text} ${k}`} row={row} taking={taking} />
            ))}
          </tbody>
        </table>
      </div>
      {ordered.length > shown && (
        <p className="mt-2 text-[13px]">
          <button type="button" className="press" onClick={() => setShown(shown + SHOWN)}>
            Show {Math.min(SHOWN, ordered.length - shown)} more
          </button>{' '}
          {ordered.length - shown} are below; all that are ticked are taken.
        </p>
      )}
      {problems > 0 && (
        <p role="alert" className="mt-2 bg-stop-wash p-2 text-sm">
          {problems === 1 ? 'One row was not taken' : `${problems} rows were not taken`}: each says
          why. The others are on the shelf.
        </p>
      )}
      {taking.refused && (
        <p role="alert" className="mt-2 bg-stop-wash p-2 text-sm">
          {taking.refused}
        </p>
      )}
      <p className="mt-3 flex flex-wrap items-center gap-4">
        <button
          type="button"
          className="press press-main"
          disabled={ready === 0}
          onClick={taking.put}
        >
          Put {ready} on the shelf
        </button>
        <label className="flex items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="accent-brass"
            checked={taking.owned}
            onChange={(event) => taking.setOwned(event.target.checked)}
          />
          I have them already, a pack of each
        </label>
      </p>
    </>
  );
}

function ReadLine({ row, taking }: { row: ReadRow; taking: Taking }) {
  const kind = taking.kindOf(row);
  const word = taking.wordOf(row);
  const problem = taking.problemOf(row);
  const role = kind && roleOf(kind);
  const category = kind && !role ? (kind as Category) : null;
  return (
    <tr data-problem={problem ? 'yes' : undefined}>
      <td>
        <input
          type="checkbox"
          className="accent-brass"
          aria-label={`Take ${row.name}`}
          checked={taking.wanted(row)}
          onChange={(event) => taking.setLeft(row, !event.target.checked)}
        />
      </td>
      <td className="max-w-56" title={row.text}>
        {row.name}
        {taking.known(row) && <span className="block text-ink-soft">is on the shelf already</span>}
        {row.left.length > 0 && !role && (
          <span className="block text-ink-soft">unread: {row.left.join(' ')}</span>
        )}
        {problem && (
          <span role="alert" className="block text-stop">
            {problem}
          </span>
        )}
      </td>
      <td>
        <KindChoice row={row} kind={kind} onChange={(next) => taking.setKind(row, next)} />
      </td>
      <td>
        <Fields word={word} category={category} row={row} taking={taking} />
        {role && <PartSizes text={row.text} role={role} />}
        <Priced word={word} currency={taking.currency} />
      </td>
      <td className="max-w-40 text-ink-soft">
        <span className="flex flex-wrap gap-x-2">
          {category &&
            missingOf(word, category)
              .filter((field) => !word.fields.some((each) => each.field === field))
              .map((field) => (
                <ReadValue
                  key={field}
                  of={row.name}
                  category={category}
                  field={field}
                  found={null}
                  onCorrect={(value) => taking.correct(row, field, value)}
                />
              ))}
        </span>
      </td>
    </tr>
  );
}

interface KindChoiceProps {
  row: ReadRow;
  kind: Becomes | null;
  onChange: (kind: Becomes) => void;
}

function KindChoice({ row, kind, onChange }: KindChoiceProps) {
  return (
    <>
      <select
        aria-label={`Kind of ${row.name}`}
        className="max-w-36 border border-line bg-paper"
        value={kind ?? ''}
        onChange={(event) => onChange(event.target.value as Becomes)}
      >
        {!kind && <option value="">choose</option>}
        {CATEGORIES.map((category) => (
          <option key={category} value={category}>
            {ONE_OF[category]}
          </option>
        ))}
        <optgroup label="gives no light">
          {ROLES.map((role) => (
            <option key={role} value={`part:${role}`}>
              {ROLE_NAMES[role]}
            </option>
          ))}
        </optgroup>
      </select>
      {row.gear && <span className="block text-ink-soft">“{row.gear.text}” gives no light</span>}
    </>
  );
}

interface FieldsProps {
  word: ReadRow;
  category: Category | null;
  row: ReadRow;
  taking: Taking;
}

/** Fields that a record of its kind has a place for; the others are named apart. */
function Fields({ word, category, row, taking }: FieldsProps) {
  const lands = ({ field }: FoundField) =>
    field !== 'category' &&
    (category ? hasPlace(category, field) : field === 'price' || field === 'currency');
  const rest = word.fields.filter((each) => !lands(each) && each.field !== 'category');
  const correct = (field: ReadField) => (value: FoundField['value'] | null) =>
    taking.correct(row, field, value);
  return (
    <>
      <span className="flex flex-wrap gap-x-3">
        {word.fields.filter(lands).map((found) => (
          <ReadValue
            key={found.field}
            of={row.name}
            category={category}
            field={found.field}
            found={found}
            onCorrect={correct(found.field)}
          />
        ))}
      </span>
      {category && rest.length > 0 && (
        <span className="block text-[12.5px] text-ink-soft">
          also says {rest.map(({ text }) => `“${text}”`).join(', ')}; a {ONE_OF[category]} has no
          place for it
        </span>
      )}
    </>
  );
}

/** Sizes and stuff that a thing without light brings along, before it is put on the shelf. */
function PartSizes({ text, role }: { text: string; role: Role }) {
  const { units } = useDevice();
  const sizes = partSizes(text, role);
  const said = PART_RECORDS[role].fields.flatMap((field) => {
    const value = sizes[field.field];
    if (value === undefined) return [];
    const shown =
      field.kind === 'quantity'
        ? fieldText(Number(value), field.dimension, units)
        : optionLabel(field, value);
    return [{ name: field.label, shown }];
  });
  return (
    <span className="flex flex-wrap gap-x-3">
      {said.map(({ name, shown }) => (
        <span key={name} className="whitespace-nowrap">
          <span className="text-ink-soft">{name}</span> <span className="figure">{shown}</span>
        </span>
      ))}
    </span>
  );
}

/** What becomes of a price in another money, or in none. */
function Priced({ word, currency }: { word: ReadRow; currency: string }) {
  const other = otherCurrency(word, currency);
  const price = word.fields.find(({ field }) => field === 'price');
  if (other)
    return (
      <span className="block text-look">
        The price is in {other}, the production counts in {currency}: it is left out.
      </span>
    );
  if (price && !word.fields.some(({ field }) => field === 'currency'))
    return (
      <span className="block text-ink-soft">No currency is printed: taken as {currency}.</span>
    );
  return null;
}
