'use client';
import { SEVERITIES, type Finding, type Remedy } from '@/core/findings/finding';
import { setParameterInPlace } from '@/core/document/commands';
import type { Build } from '@/core/document/production';
import { Dialog } from '@/ui/Dialog';
import { SeverityMark } from '@/ui/Severity';
import { useProductionStore } from '../store/context';
import { useWorkplace } from './useWorkplace';

interface FindingsDialogProps {
  onClose: () => void;
  /** lights up the thing on the drawing */
  onPoint: (ref: string | null) => void;
}

/** Every check of the current build, worst first, with its limit, source and way out. */
export default function FindingsDialog({ onClose, onPoint }: FindingsDialogProps) {
  const { readouts, build, goTo } = useWorkplace();
  const findings = readouts?.findings ?? [];
  const point = (finding: Finding) => {
    onPoint(finding.where.drawing ?? null);
    onClose();
    if (finding.where.field?.startsWith('shot.')) goTo('shot');
    else if (finding.where.field?.startsWith('bulb.')) goTo('shelf');
    else goTo('build');
  };
  return (
    <Dialog title="Findings" open onClose={onClose} place="side">
      <p className="mb-3 text-sm text-ink-soft">
        “Fine” means within the limits checked, no more. Local codes and a competent person have the
        last word on anything that plugs into the wall.
      </p>
      {findings.length === 0 && <p>Nothing checked yet: choose a bulb for the build.</p>}
      {SEVERITIES.map((severity) => (
        <ul key={severity}>
          {findings
            .filter((finding) => finding.severity === severity)
            .map((finding) => (
              <li key={finding.id} data-finding={finding.id} className="border-b border-line py-3">
                <SeverityMark severity={severity} />
                <h3 className="inline pl-2 text-base">{finding.title}</h3>
                <p className="mt-1 text-sm">{finding.message}</p>
                <p className="mt-1 text-[13px] text-ink-soft">
                  {finding.limit && `Limit: ${finding.limit}. `}Source: {finding.source}.
                </p>
                <p className="mt-1.5 flex flex-wrap gap-2">
                  {finding.where.drawing && (
                    <button type="button" className="press text-sm" onClick={() => point(finding)}>
                      Show me
                    </button>
                  )}
                  {build && <Remedies build={build} finding={finding} />}
                </p>
              </li>
            ))}
        </ul>
      ))}
    </Dialog>
  );
}

function Remedies({ build, finding }: { build: Build; finding: Finding }) {
  const store = useProductionStore();
  const take = (remedy: Remedy) =>
    store
      .getState()
      .change(remedy.label, (draft) =>
        setParameterInPlace(draft, build.id, remedy.parameters as Build['parameters']),
      );
  return finding.remedies?.map((remedy) => (
    <button key={remedy.label} type="button" className="press text-sm" onClick={() => take(remedy)}>
      {remedy.label}
    </button>
  ));
}
