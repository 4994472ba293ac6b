'use client';
import { useState } from 'react';
import type { GalleryEntry } from '@/core/evaluate/gallery';
import { moneyFormatter, stopsInWords } from '@/core/quantity';
import { QUIET_VIEW, ViewDrawing } from '@/ui/drawing/ViewDrawing';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';

const NEEDS = [
  ['use', 'made for this use'],
  ['softness', 'soft enough'],
  ['light', 'bright enough'],
  ['budget', 'within the budget'],
] as const;
type Need = (typeof NEEDS)[number][0];

const SKILL = ['', 'no practice', 'some practice', 'patient hands'] as const;

interface FormGalleryProps {
  shotId: string;
  /** form of the build at hand, when one is being changed */
  current?: string;
  action: string;
  onPick: (entry: GalleryEntry) => void;
}

/** Every form as it would begin for this shot: drawn, weighed, timed and priced from the shelf. */
export function FormGallery({ shotId, current, action, onPick }: FormGalleryProps) {
  const document = useProduction((state) => state.document);
  const [wanted, setWanted] = useState<readonly Need[]>([]);
  const { answer, busy } = useEngine(
    (engine) => engine.gallery(document, shotId),
    [document.shelf, document.shots, shotId],
  );
  const entries = answer ?? [];
  const shown = entries.filter(({ meets }) => wanted.every((need) => meets[need]));
  const toggle = (need: Need) =>
    setWanted(wanted.includes(need) ? wanted.filter((each) => each !== need) : [...wanted, need]);
  return (
    <section aria-label="Forms" aria-busy={busy}>
      <div role="group" aria-label="Show only forms that are" className="flex flex-wrap gap-2">
        {NEEDS.map(([need, words]) => (
          <button
            key={need}
            type="button"
            aria-pressed={wanted.includes(need)}
            className={`press text-[13px] ${wanted.includes(need) ? 'press-main' : ''}`}
            onClick={() => toggle(need)}
          >
            {words}
          </button>
        ))}
        <p role="status" className="self-center text-[13px] text-ink-soft">
          {busy
            ? 'Working every form out for this shot…'
            : `${shown.length} of ${entries.length} forms, begun with parts from your shelf`}
        </p>
      </div>
      {!busy && shown.length === 0 && (
        <p className="mt-4">
          No form begins that way for this shot. Take one of the wishes back; size, count and layers
          change the rest.
        </p>
      )}
      <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(228px,1fr))] gap-3">
        {shown.map((entry) => (
          <Card
            key={entry.formId}
            entry={entry}
            current={entry.formId === current}
            action={action}
            onPick={onPick}
          />
        ))}
      </ul>
    </section>
  );
}

interface CardProps {
  entry: GalleryEntry;
  current: boolean;
  action: string;
  onPick: (entry: GalleryEntry) => void;
}

function Card({ entry, current, action, onPick }: CardProps) {
  const currency = useProduction((state) => state.document.currency);
  const money = moneyFormatter(currency);
  return (
    <li
      data-form={entry.formId}
      className={`flex flex-col border bg-raised p-3 ${current ? 'border-brass' : 'border-line'}`}
    >
      <div className="h-28" aria-hidden>
        <ViewDrawing view={entry.view} textSize={0} lengthText={() => ''} {...QUIET_VIEW} />
      </div>
      <h3 className="mt-2 text-lg">{entry.name}</h3>
      <p className="min-h-[40px] text-[13px] text-ink-soft">{entry.reach}</p>
      <dl className="mt-1 mb-3 flex flex-wrap gap-x-3 text-[13px]">
        <Figure
          name="light"
          value={entry.marginStops === null ? '–' : stopsInWords(entry.marginStops)}
          met={entry.meets.light}
        />
        <Figure
          name="fills"
          value={`${entry.softnessDeg.toFixed(0)}°`}
          met={entry.meets.softness}
        />
        <Figure name="in full" value={money(entry.fullMinor)} met={entry.meets.budget} />
        <Figure name="takes" value={`${entry.hours.toFixed(1)} h`} />
        <Figure name="weighs" value={`${entry.massKg.toFixed(1)} kg`} />
        <Figure name="asks" value={SKILL[entry.skill]} />
      </dl>
      <button
        type="button"
        className="press press-main mt-auto"
        disabled={current}
        onClick={() => onPick(entry)}
      >
        {current ? 'This is it' : `${action} ${entry.name.toLowerCase()}`}
      </button>
    </li>
  );
}

/** A figure of the form; one that misses the shot's need says so in words for readers. */
function Figure({ name, value, met }: { name: string; value: string; met?: boolean }) {
  return (
    <div className={met === false ? 'text-look' : ''}>
      <dt className="inline text-ink-soft">{name} </dt>
      <dd className="figure inline">
        {value}
        {met === false && <span className="sr-only">, misses the shot</span>}
      </dd>
    </div>
  );
}
