'use client';
import { putInInPlace, type Fitted } from '@/core/evaluate/fitting';
import { show, showText } from '@/core/quantity';
import { changeRecord } from '@/core/document/edit';
import type { Build } from '@/core/document/production';
import { Heads } from '@/ui/Heads';
import { useDevice } from '@/ui/device';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { useEdits } from '../store/useEdits';

/** What every unit that goes into this light would make of its lumens there. */
export default function FittingSheet({ build }: { build: Build }) {
  const document = useProduction((state) => state.document);
  const edits = useEdits();
  const { answer, busy } = useEngine(
    (engine) => engine.fitting(document, build.id),
    [document.shelf, document.shots, document.builds, build.id],
  );
  const best = Math.max(1, ...(answer ?? []).map(({ lxPerKlm }) => lxPerKlm));
  const put = (id: string, name: string) =>
    edits.make(`put ${name} into ${build.name}`, (now) =>
      changeRecord({ kind: 'build', id: build.id }, (target) => {
        putInInPlace(target, now, id);
      })(now),
    );
  return (
    <div className="py-2" data-fitting={busy ? 'asking' : 'known'} aria-busy={busy}>
      <p className="text-[13px] text-ink-soft">
        Equal lumens are not equal light: what counts is how much of them reaches the subject from “
        {build.name}” as it stands{simulatedText(answer)}.
      </p>
      <p role="status" className="sr-only">
        {busy ? 'Trying every unit of the shelf' : `${answer?.length ?? 0} units tried`}
      </p>
      {answer?.length === 0 && <p className="py-3">Nothing on the shelf goes into this light.</p>}
      {answer && answer.length > 0 && (
        <table className="rows tight w-full text-[13px]">
          <Heads
            of={[
              'Unit',
              { figures: 'for 1000 lm' },
              'beside the best',
              { figures: 'reaches the shot' },
              { figures: 'at the subject' },
              { figures: 'sent' },
              'in its place',
            ]}
          />
          <tbody>
            {answer.map((row) => (
              <FittedRow key={row.id} row={row} best={best} onPut={() => put(row.id, row.name)} />
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

/** How the figures of light behind a mouth came about. */
function simulatedText(answer: readonly Fitted[] | null): string {
  const shares = (answer ?? []).flatMap(({ standardErrorLx, illuminanceLx }) =>
    standardErrorLx === null ? [] : [standardErrorLx / illuminanceLx],
  );
  return shares.length
    ? `: each simulated, ± ${(100 * Math.max(...shares)).toFixed(1)} % or less`
    : '';
}

interface FittedRowProps {
  row: Fitted;
  /** the most any unit makes of a thousand lumens */
  best: number;
  onPut: () => void;
}

function FittedRow({ row, best, onPut }: FittedRowProps) {
  const { units } = useDevice();
  return (
    <tr data-fitted={row.id} className={row.chosen ? 'bg-brass-wash' : ''}>
      <td>
        {row.name}
        {row.chosen && <span className="block text-[12.5px]">in it now</span>}
        {row.otherBase && (
          <span className="block text-[12.5px] text-look">wants {row.otherBase} holders</span>
        )}
      </td>
      <td className="num">{showText(show(row.lxPerKlm, 'illuminance', units))}</td>
      <td className="w-32">
        <span
          aria-hidden
          className="block h-2.5 bg-brass"
          style={{ width: `${(100 * row.lxPerKlm) / best}%` }}
        />
      </td>
      <td className="num">{(row.share * 100).toFixed(1)} %</td>
      <td className="num">{showText(show(row.illuminanceLx, 'illuminance', units))}</td>
      <td className="num">{Math.round(row.sentLm)} lm</td>
      <td>
        {!row.chosen && row.otherBase === null && (
          <button type="button" className="press text-[13px] whitespace-nowrap" onClick={onPut}>
            Put it in
          </button>
        )}
      </td>
    </tr>
  );
}
