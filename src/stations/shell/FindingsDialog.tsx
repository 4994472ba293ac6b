'use client';
import { useState } from 'react';
import { SEVERITIES, type Finding } from '@/core/findings/finding';
import { Dialog } from '@/ui/Dialog';
import { Sheets } from '@/ui/Sheets';
import { SeverityMark } from '@/ui/Severity';
import { useProduction } from '../store/context';
import { FindingItem } from './FindingItem';
import { useEngine } from './useEngine';
import { useWorkplace } from './useWorkplace';

const SCOPES = [
  ['build', 'This light'],
  ['production', 'Every light'],
] as const;

interface FindingsDialogProps {
  onClose: () => void;
  /** lights up the thing on the drawing */
  onPoint: (ref: string | null) => void;
}

/** Every check, worst first, with its limit, source and way out; of one light or of them all. */
export default function FindingsDialog({ onClose, onPoint }: FindingsDialogProps) {
  const { findings, build, goTo } = useWorkplace();
  const [scope, setScope] = useState<(typeof SCOPES)[number][0]>('build');
  const show = (finding: Finding) => {
    const { drawing, field } = finding.where;
    onPoint(drawing ?? null);
    onClose();
    if (field?.startsWith('shot.')) goTo('shot');
    else if (field?.startsWith('unit.')) goTo('shelf');
    else goTo('build');
  };
  return (
    <Dialog title="Findings" open onClose={onClose} place="side">
      <p className="mb-3 text-sm text-ink-soft">
        “Fine” means within the limits checked, no more. Local codes and a competent person have the
        last word on anything that plugs into the wall.
      </p>
      <Sheets label="Findings of" sheets={SCOPES} open={scope} onOpen={setScope} className="pt-3">
        {scope === 'production' ? (
          <EveryLight onClose={onClose} />
        ) : (
          <>
            {findings.length === 0 && <p>Nothing checked yet: choose a bulb for the build.</p>}
            {SEVERITIES.map((severity) => (
              <ul key={severity}>
                {findings
                  .filter((finding) => finding.severity === severity)
                  .map((finding) => (
                    <FindingItem key={finding.id} finding={finding} build={build} onShow={show} />
                  ))}
              </ul>
            ))}
          </>
        )}
      </Sheets>
    </Dialog>
  );
}

/** What is open on every light of the production; a title leads to the light. */
function EveryLight({ onClose }: { onClose: () => void }) {
  const document = useProduction((state) => state.document);
  const { goTo } = useWorkplace();
  const { answer: checked } = useEngine((engine) => engine.checks(document), [document]);
  if (!checked) return <p role="status">Checking every light…</p>;
  return (
    <ul>
      <li className="text-[13px] text-ink-soft">By the instant estimate of their light.</li>
      {checked.map(({ build, findings }) => {
        const open = findings.filter(({ severity }) => severity !== 'ok');
        return (
          <li key={build.id} className="border-b border-line py-2">
            <button
              type="button"
              className="font-display text-base underline decoration-line-strong underline-offset-2"
              onClick={() => {
                onClose();
                goTo('wire', { build: build.id });
              }}
            >
              {build.name}
            </button>
            {open.length === 0 && <span className="pl-2 text-sm">within the limits checked</span>}
            <ul className="text-sm">
              {open.map(({ id, severity, title }) => (
                <li key={id}>
                  <SeverityMark severity={severity} /> {title}
                </li>
              ))}
            </ul>
          </li>
        );
      })}
    </ul>
  );
}
