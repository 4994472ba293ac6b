'use client';
import { SHOT_RECORD, type Shot } from '@/core/location/shot';
import { USE_NAMES, JUDGED } from '@/core/location/use';
import { WISH_RECORD, WISHES, type WishId, type Wishes } from '@/core/location/wishes';
import { circuitOf } from '@/core/evaluate/search/question';
import { shotTargetLx } from '@/core/evaluate/light';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { RecordFieldInput } from '../records/RecordFieldInput';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

/** A figure of the sentence, and the words round it. */
interface Piece {
  of: 'shot' | 'wishes';
  field: string;
  before?: string;
  after?: string;
  /** characters it needs */
  wide: number;
}

interface Line {
  wish: WishId | null;
  pieces: readonly Piece[];
  /** shown alone, where nothing of it can be typed */
  words?: string;
}

const shot = (field: string, before: string, wide: number, after = ''): Piece => ({
  of: 'shot',
  field,
  before,
  after,
  wide,
});
const wish = (field: string, before: string, wide: number, after = ''): Piece => ({
  of: 'wishes',
  field,
  before,
  after,
  wide,
});

const LINES: readonly Line[] = [
  { wish: 'light', pieces: [shot('distanceM', 'light enough at', 7)] },
  { wish: 'softness', pieces: [shot('softnessDeg', 'at least', 5, '° soft')] },
  { wish: 'evenness', pieces: [shot('evennessStops', 'even to ±', 6, 'stops')] },
  {
    wish: 'colour',
    pieces: [wish('mostMired', 'within', 4, 'mired'), shot('cctK', 'of', 7)],
  },
  { wish: 'cri', pieces: [wish('leastRa', 'CRI', 5, 'or better')] },
  { wish: 'flicker', pieces: [], words: 'no flicker at this shutter' },
  { wish: 'money', pieces: [shot('budgetMinor', 'for at most', 10)] },
  { wish: 'hours', pieces: [wish('mostHours', 'in at most', 8, 'h of work')] },
  { wish: 'watts', pieces: [wish('mostW', 'on at most', 9)] },
  { wish: 'mass', pieces: [wish('mostKg', 'weighing at most', 9)] },
  { wish: 'folded', pieces: [wish('mostFoldedM', 'in the car at most', 8)] },
  { wish: 'skill', pieces: [wish('skill', 'skill:', 15)] },
  { wish: null, pieces: [wish('owned', 'from', 21)] },
  { wish: null, pieces: [wish('rateMinorPerHour', 'my hour is worth', 8)] },
  { wish: null, pieces: [wish('days', 'for', 5, 'shoot days')] },
];

const FIELDS = { shot: SHOT_RECORD.fields, wishes: WISH_RECORD.fields };

/** The question as one says it: what must be is inked, what would be nice is pencilled; every figure can be changed. */
export function Sentence({ shot: asked }: { shot: Shot }) {
  const edits = useEdits();
  const { units } = useDevice();
  const circuit = useProduction(({ document }) => circuitOf(document, asked.id));
  const change = (label: string, set: (target: Shot) => void) =>
    edits.record('shot', asked.id, `${label} of ${asked.name}`, set);
  const { hard } = asked.wishes;
  const ink = (id: WishId) =>
    change(`“${WISHES[id]}”`, (target) => {
      target.wishes.hard = hard.includes(id) ? hard.filter((each) => each !== id) : [...hard, id];
    });
  const { by } = JUDGED[asked.use];
  const shown = LINES.filter(
    ({ wish: id }) => (id !== 'softness' && id !== 'evenness') || by.includes(id),
  );
  return (
    <section aria-label="The question" className="text-[15px]">
      <p className="mb-1.5 font-display text-[18px] leading-snug">
        What should I build for {USE_NAMES[asked.use]} that asks for{' '}
        {showText(show(shotTargetLx(asked), 'illuminance', units))}?
      </p>
      <ul>
        {shown.map((line) => (
          <li
            key={line.wish ?? line.pieces[0]!.field}
            className="flex min-h-[33px] items-center gap-2 border-b border-line/70 py-[1px]"
          >
            {line.wish ? (
              <Nib inked={hard.includes(line.wish)} wish={line.wish} onPress={ink} />
            ) : (
              <span aria-hidden className="w-[52px] shrink-0" />
            )}
            <span
              className={
                !line.wish || hard.includes(line.wish) ? 'text-ink' : 'text-ink-soft italic'
              }
            >
              {line.words}
              {line.pieces.map((piece) => (
                <Figure key={piece.field} piece={piece} shot={asked} onChange={change} />
              ))}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[13px] text-ink-soft">It would hang on {circuit.name}.</p>
    </section>
  );
}

/** Ink cuts, pencil ranks. */
function Nib({
  inked,
  wish: id,
  onPress,
}: {
  inked: boolean;
  wish: WishId;
  onPress: (wish: WishId) => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={inked}
      aria-label={`${WISHES[id]}: must be`}
      title={inked ? 'must be: it cuts' : 'would be nice: it ranks'}
      data-wish={id}
      onClick={() => onPress(id)}
      className={`w-[52px] shrink-0 rounded-sm border px-1 text-[12px] ${
        inked
          ? 'border-ink bg-ink text-sheet'
          : 'border-dashed border-line-strong text-ink-soft italic'
      }`}
    >
      {inked ? 'must' : 'nice'}
    </button>
  );
}

function Figure({
  piece,
  shot: asked,
  onChange,
}: {
  piece: Piece;
  shot: Shot;
  onChange: (label: string, set: (target: Shot) => void) => void;
}) {
  const field = FIELDS[piece.of].find((each) => each.field === piece.field)!;
  const record = (piece.of === 'shot' ? asked : asked.wishes) as unknown as Record<string, unknown>;
  return (
    <>
      {piece.before}{' '}
      <span className="inline-block" style={{ width: `${piece.wide + 1.5}ch` }}>
        <RecordFieldInput
          field={field}
          value={record[piece.field]}
          bare
          onChange={(value) =>
            onChange(field.label.toLowerCase(), (target) => {
              const owner = piece.of === 'shot' ? target : (target.wishes satisfies Wishes);
              Object.assign(owner, { [piece.field]: value });
            })
          }
        />
      </span>{' '}
      {piece.after}{' '}
    </>
  );
}
