'use client';
import { Eye } from 'lucide-react';
import { useState } from 'react';
import type { GalleryEntry } from '@/core/evaluate/gallery';
import { JUDGED, type Use } from '@/core/location/use';
import { moneyFormatter, stopsInWords } from '@/core/quantity';
import { QUIET_VIEW, ViewDrawing } from '@/ui/drawing/ViewDrawing';
import { OwnIt } from '../records/OwnIt';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';

const NEEDS = {
  use: 'made for this use',
  softness: 'soft enough',
  evenness: 'even enough',
  light: 'bright enough',
  budget: 'within the budget',
};
type Need = keyof typeof NEEDS;
/** What is asked of a form for a use: softness of a face, evenness of a backdrop. */
const needsOf = (use: Use): Need[] => ['use', ...JUDGED[use].by, 'light', 'budget'];

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
  const use = document.shots.find(({ id }) => id === shotId)?.use ?? 'face';
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
        {needsOf(use).map((need) => (
          <button
            key={need}
            type="button"
            aria-pressed={wanted.includes(need)}
            className={`press text-[13px] ${wanted.includes(need) ? 'press-main' : ''}`}
            onClick={() => toggle(need)}
          >
            {NEEDS[need]}
          </button>
        ))}
        <p role="status" className="self-center text-[13px] text-ink-soft">
          {busy
            ? 'Working every form out for this shot…'
            : `${shown.length} of ${entries.length} forms, begun with parts from your shelf; light and money by a first estimate`}
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
            use={use}
            current={entry.formId === current}
            action={action}
            onPick={onPick}
          />
        ))}
      </ul>
    </section>
  );
}

/** A starter's lamps, of no colour yet. */
const fullyUp = () => ({ colour: 'var(--glow)', strength: 1 });

interface CardProps {
  entry: GalleryEntry;
  use: Use;
  current: boolean;
  action: string;
  onPick: (entry: GalleryEntry) => void;
}

function Card({ entry, use, current, action, onPick }: CardProps) {
  const currency = useProduction((state) => state.document.currency);
  const money = moneyFormatter(currency);
  const { by } = JUDGED[use];
  return (
    <li
      data-form={entry.formId}
      className={`flex flex-col border bg-raised p-3 ${current ? 'border-brass' : 'border-line'}`}
    >
      {/* Its face, and how it stands in the room. */}
      <div className="grid h-28 grid-cols-2 gap-2" aria-hidden>
        <ViewDrawing
          view={entry.view}
          mostLetter={0}
          faces
          lengthText={() => ''}
          {...QUIET_VIEW}
          glowOf={entry.marginStops === null ? undefined : fullyUp}
        />
        <ViewDrawing view={entry.assembled} mostLetter={0} lengthText={() => ''} {...QUIET_VIEW} />
      </div>
      <h3 className="mt-2 text-lg">{entry.name}</h3>
      <p className="min-h-[40px] text-[13px] text-ink-soft">{entry.reach}</p>
      <dl className="mt-1 mb-3 flex flex-wrap gap-x-3 text-[13px]">
        <Figure
          name="light"
          value={entry.marginStops === null ? '–' : stopsInWords(entry.marginStops)}
          met={entry.meets.light}
        />
        {(by.length === 0 || by.includes('softness')) && (
          <Figure
            name="fills"
            value={`${entry.softnessDeg.toFixed(0)}°`}
            met={by.length === 0 ? undefined : entry.meets.softness}
          />
        )}
        {by.includes('evenness') && (
          <Figure
            name="even to"
            value={`± ${entry.evennessStops.toFixed(entry.evennessStops < 0.1 ? 2 : 1)} stops`}
            met={entry.meets.evenness}
          />
        )}
        <Figure
          name="in full"
          value={`${entry.unpriced > 0 ? 'from ' : ''}${money(entry.fullMinor)}`}
          met={entry.meets.budget}
        />
        <Figure name="takes" value={`${entry.hours.toFixed(1)} h`} />
        <Figure name="weighs" value={`${entry.massKg.toFixed(1)} kg`} />
        <Figure name="asks" value={SKILL[entry.skill]} />
      </dl>
      {entry.toBuy.length > 0 && <ToBuy entry={entry} money={money} />}
      <button
        type="button"
        className="press press-main mt-auto"
        disabled={current}
        onClick={() => onPick(entry)}
      >
        {current ? 'This is it' : `${action} ${withArticle(entry.name)}`}
      </button>
    </li>
  );
}

interface ToBuyProps {
  entry: GalleryEntry;
  money: ReturnType<typeof moneyFormatter>;
}

/** What a start would send one to the shop for; what is in the cupboard already is said here. */
function ToBuy({ entry: { name, toBuy }, money }: ToBuyProps) {
  return (
    <details className="mb-2 text-[13px]">
      <summary aria-label={`To buy for ${withArticle(name)}: ${toBuy.length}`}>
        to buy: {toBuy.length}, from{' '}
        {money(toBuy.reduce((sum, { priceMinor }) => sum + priceMinor, 0))}
      </summary>
      <ul className="mt-1 space-y-1">
        {toBuy.map((line) => (
          <li key={line.id} className="flex flex-wrap justify-between gap-x-2">
            <span>{line.name}</span>
            <OwnIt of={line} name={line.name} needed={line.needed} />
          </li>
        ))}
      </ul>
    </details>
  );
}

/** “a bulb ring”, “an overhead frame”. */
const withArticle = (name: string): string =>
  `${/^[aeiou]/i.test(name) ? 'an' : 'a'} ${name.toLowerCase()}`;

/** A figure of the form; one that misses the shot's need says so in words for readers. */
function Figure({ name, value, met }: { name: string; value: string; met?: boolean }) {
  return (
    <div className={met === false ? 'text-look' : ''}>
      <dt className="inline text-ink-soft">{name} </dt>
      <dd className="figure inline">
        {value}
        {met === false && (
          <>
            <Eye size={13} aria-hidden className="ml-0.5 inline align-[-2px]" />
            <span className="sr-only">, misses the shot</span>
          </>
        )}
      </dd>
    </div>
  );
}
