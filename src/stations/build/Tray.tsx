'use client';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState } from 'react';
import type { Finding } from '@/core/findings/finding';
import type { Field } from '@/core/forms/form';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';
import { SeverityMark } from '@/ui/Severity';
import { usePointedIn } from '../shell/usePointed';
import { useSession } from '../shell/Workbench';
import { TrayField } from './TrayField';
import type { BuildForm } from './useBuildForm';

interface TrayProps {
  form: BuildForm;
  findings: readonly Finding[];
  /** parameters with what the fill mode worked out */
  solvedParameters: Record<string, unknown>;
  /** begins shut, where the sheet above wants the room */
  startsShut?: boolean;
}

/** Drawers under the drawing: one for each group a maker would name. */
export function Tray({ form, findings, solvedParameters, startsShut = false }: TrayProps) {
  const { pointed } = useSession();
  const [shut, setShut] = useState(startsShut);
  const { fields } = form;
  const groups = [...new Set(fields.map(({ group }) => group))];
  const chosen = usePointedIn(pointed, (state) => state.trayGroup);
  const open = chosen && groups.includes(chosen) ? chosen : groups[0]!;
  const visible = fields.filter((field) => field.group === open && applies(field, form));
  const stopped = (group: string) =>
    fields.some(
      (field) =>
        field.group === group &&
        findings.some(
          ({ severity, where }) => severity === 'stop' && where.field === field.parameter,
        ),
    );
  return (
    <section aria-label="Tray" className="no-print border-t-2 border-line-strong bg-paper">
      <div className="flex items-end gap-1 overflow-x-auto px-4 pt-1.5">
        {groups.map((group) => (
          <button
            key={group}
            type="button"
            aria-expanded={!shut && group === open}
            onClick={() => {
              pointed.getState().openGroup(group);
              setShut(false);
            }}
            className={`flex items-center gap-1.5 rounded-t border border-b-0 px-4 py-1 ${!shut && group === open ? 'border-line-strong bg-sheet font-semibold' : 'border-transparent text-ink-soft hover:bg-brass-wash'}`}
          >
            {group}
            {stopped(group) && <SeverityMark severity="stop" bare />}
          </button>
        ))}
        <span className="flex-1" />
        <button
          type="button"
          className="press mb-1 !min-h-0 !px-2 !py-0.5"
          aria-label={shut ? 'Open the tray' : 'Shut the tray'}
          onClick={() => setShut(!shut)}
        >
          {shut ? <ChevronUp size={16} aria-hidden /> : <ChevronDown size={16} aria-hidden />}
        </button>
      </div>
      {!shut && (
        <div className="grid min-h-[78px] grid-cols-[repeat(auto-fill,minmax(165px,1fr))] gap-x-5 gap-y-2 border-t border-line-strong bg-sheet px-4 py-2.5">
          {visible.map((field) => (
            <TrayField key={field.parameter} field={field} form={form} findings={findings} />
          ))}
          <Filled form={form} group={open} solvedParameters={solvedParameters} />
        </div>
      )}
    </section>
  );
}

const applies = ({ when }: Field, form: BuildForm) =>
  !when || form.values[when.parameter] === when.is;

/** The number a fill mode came to, where a field would otherwise be. */
function Filled({
  form,
  group,
  solvedParameters,
}: Pick<TrayProps, 'form' | 'solvedParameters'> & { group: string }) {
  const { units } = useDevice();
  const { fill } = form.form;
  const field = fill && form.fields.find(({ parameter }) => parameter === fill.parameter);
  if (field?.kind !== 'quantity' || field.group !== group || applies(field, form)) return null;
  const value = solvedParameters[field.parameter] as number;
  if (form.values.fillMode === 'gap') return null;
  return (
    <p data-filled className="self-center text-sm">
      <span className="block text-[13px] text-ink-soft">{field.label}, worked out</span>
      <span className="figure">{showText(show(value, field.dimension, units))}</span>
    </p>
  );
}
