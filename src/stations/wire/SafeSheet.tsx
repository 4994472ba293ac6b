'use client';
import { useMemo } from 'react';
import type { Build } from '@/core/document/production';
import type { Mend } from '@/core/evaluate/mends';
import type { Finding, Remedy } from '@/core/findings/finding';
import { gateOf, wireFindings } from '@/core/power/wire';
import { formatMoney } from '@/core/quantity';
import type { AtHand } from '../build/WithBuild';
import { useBuildForm, type BuildForm } from '../build/useBuildForm';
import { FindingItem } from '../shell/FindingItem';
import { useEngine } from '../shell/useEngine';
import { useProduction } from '../store/context';
import { AnswerField } from './AnswerField';
import { ChainStrip } from './ChainStrip';
import { CircuitsBrief } from './CircuitsBrief';
import { SiteAnswers } from './SiteAnswers';

/** What shuts the gate first, the chain of protection, and the circuits of the whole production beside it. */
export default function SafeSheet({ build, readouts }: AtHand) {
  const form = useBuildForm(build);
  const about = useMends(build);
  if (!form) return null;
  const { stops, missing } = gateOf(readouts.findings);
  const rest = wireFindings(readouts.findings).filter(
    (finding) => !stops.includes(finding) && !missing.includes(finding),
  );
  const looks = rest.filter(({ severity }) => severity !== 'ok');
  const fine = rest.filter(({ severity }) => severity === 'ok');
  return (
    <div className="grid gap-4">
      <ChainStrip chain={readouts.wire.chain} />
      <div className="grid grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
        <section aria-label="Checks">
          <h2 className="text-lg">
            {stops.length + missing.length === 0
              ? 'Nothing here keeps the gate shut'
              : 'This keeps the gate shut'}
          </h2>
          {stops.length + missing.length === 0 && (
            <p className="text-sm">
              No stop among the checks made, nothing that matters unknown. That is not the same as
              harmless: the built light is looked over, point by point, on the sheet “Look over”.
            </p>
          )}
          <Items findings={stops} {...{ build, form, about }} />
          <Items findings={missing} {...{ build, form, about }} />
          {looks.length > 0 && <h2 className="mt-4 text-lg">To look at</h2>}
          <Items findings={looks} {...{ build, form, about }} />
          {fine.length > 0 && (
            <details className="mt-4" open={stops.length + missing.length === 0}>
              <summary className="font-display text-lg font-semibold">
                Within the limits checked: {fine.length}
              </summary>
              <Items findings={fine} {...{ build, form, about }} />
            </details>
          )}
        </section>
        <CircuitsBrief build={build} wire={readouts.wire}>
          <SiteAnswers build={build} form={form} />
        </CircuitsBrief>
      </div>
    </div>
  );
}

interface ItemsProps {
  findings: readonly Finding[];
  build: Build;
  form: BuildForm;
  about: (finding: Finding, remedy: Remedy) => string | null;
}

const Items = ({ findings, build, form, about }: ItemsProps) => (
  <ul>
    {findings.map((finding) => (
      <FindingItem key={finding.id} finding={finding} build={build} about={about}>
        {finding.where.field && asks(finding) && (
          <div className="mt-1.5 max-w-[340px]">
            <AnswerField
              name={finding.where.field}
              build={build}
              form={form}
              findings={NO_FINDINGS}
            />
          </div>
        )}
      </FindingItem>
    ))}
  </ul>
);
/** What shuts the gate is answered where it is told; the rest has its place in the tray. */
const asks = ({ severity }: Finding): boolean => severity === 'stop' || severity === 'unknown';

/** The finding stands above its field already. */
const NO_FINDINGS: readonly Finding[] = [];

/** What each way out costs, and what else it would bring up: tried off the page. */
function useMends(build: Build) {
  const document = useProduction((state) => state.document);
  const { currency } = document;
  const { answer } = useEngine(
    (engine) => engine.mends(document, build.id),
    [document.shelf, document.shots, document.circuits, document.builds, build.id],
  );
  return useMemo(() => {
    const words = new Map<string, string>(
      (answer ?? []).map((mend) => [keyOf(mend), wordsOf(mend, currency)]),
    );
    return (finding: Finding, { label }: Remedy) =>
      words.get(keyOf({ finding: finding.id, label })) ?? null;
  }, [answer, currency]);
}

const keyOf = ({ finding, label }: Pick<Mend, 'finding' | 'label'>) => `${finding} ${label}`;

function wordsOf({ costMinor, opens }: Mend, currency: string): string {
  const money =
    costMinor === 0
      ? 'costs nothing'
      : `${costMinor > 0 ? '+' : '−'}${formatMoney(Math.abs(costMinor), currency)}`;
  return opens.length === 0 ? money : `${money}; then: ${opens.join(', ')}`;
}
