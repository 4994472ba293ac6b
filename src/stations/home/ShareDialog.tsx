'use client';
import { useCallback, useEffect, useState } from 'react';
import * as z from 'zod/mini';
import { RIGHTS, RIGHT_WORDS, type Right } from '@/core/document/rights';
import { Dialog } from '@/ui/Dialog';
import { dayAndTime } from './dayAndTime';
import { askJson, requestJson } from './request';

const rightSchema = z.enum(RIGHTS as unknown as [Right, ...Right[]]);
const shareSchema = z.object({
  address: z.string(),
  encrypted: z.boolean(),
  devices: z.array(
    z.object({ id: z.string(), name: z.string(), right: rightSchema, seenAt: z.string() }),
  ),
});
type Share = z.infer<typeof shareSchema>;
const codeSchema = z.object({ code: z.string(), until: z.number(), picture: z.string() });
type Code = z.infer<typeof codeSchema> & { right: Right };

/** Somebody who types a code over there shows up in the list here by itself. */
const LOOK_EVERY_MS = 3000;

function useShare() {
  const [share, setShare] = useState<Share | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const look = useCallback(async () => {
    const found = await askJson('/api/share', shareSchema);
    setProblem(found.ok ? null : found.message);
    if (found.ok) setShare(found.value);
  }, []);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- asked for when the panel opens, and on
    void look();
    const timer = setInterval(() => void look(), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [look]);
  const act = async (work: ReturnType<typeof requestJson>) => {
    const outcome = await work;
    if (outcome.ok) await look();
    else setProblem(outcome.message ?? null);
  };
  return { share, problem, setProblem, act };
}

/** Who of the network may come to this bench, and what they may do. */
export default function ShareDialog({ onClose }: { onClose: () => void }) {
  const { share, problem, setProblem, act } = useShare();
  const [code, setCode] = useState<Code | null>(null);
  const [right, setRight] = useState<Right>('tick');
  const make = async () => {
    const made = await askJson('/api/share', codeSchema, { method: 'POST', body: { right } });
    if (made.ok) setCode({ ...made.value, right });
    else setProblem(made.message);
  };
  return (
    <Dialog title="Share the bench" open onClose={onClose} place="wide">
      {problem && (
        <p role="alert" className="mb-3 bg-stop-wash p-3 text-sm">
          {problem}
        </p>
      )}
      {share && (
        <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)] gap-8 max-md:grid-cols-1">
          <section aria-label="A code for a device">
            <h3 className="text-lg">Let a device in</h3>
            <p className="mt-1 text-sm">
              In the same network, open <span className="figure break-all">{share.address}</span>{' '}
              and type the code, or hold a camera on the picture.
            </p>
            <RightChoice right={right} onChange={setRight} />
            <p className="mt-3">
              <button type="button" className="press press-main" onClick={make}>
                {code ? 'Another code' : 'Make a code'}
              </button>
            </p>
            {code && <CodeShown {...code} />}
            <p
              className={`mt-4 border-l-4 py-1 pl-3 text-sm ${share.encrypted ? 'border-ok' : 'border-look'}`}
            >
              {share.encrypted
                ? 'The connection is encrypted by the certificate this server was given.'
                : 'The connection is not encrypted: anybody in this network who listens can read along and take a device’s place. Share in a network you trust, or start with --cert and --key.'}
            </p>
          </section>
          <section aria-label="Devices">
            <h3 className="text-lg">Who is in</h3>
            {share.devices.length === 0 && <p className="mt-1 text-ink-soft">Nobody yet.</p>}
            <ul className="mt-2 divide-y divide-line border-y border-line">
              {share.devices.map((device) => (
                <OneDevice key={device.id} {...device} act={act} />
              ))}
            </ul>
            {share.devices.length > 0 && (
              <p className="mt-3">
                <button
                  type="button"
                  className="press"
                  onClick={() => {
                    setCode(null);
                    void act(requestJson('DELETE', '/api/share'));
                  }}
                >
                  Show everybody out
                </button>
              </p>
            )}
          </section>
        </div>
      )}
    </Dialog>
  );
}

const RightChoice = ({ right, onChange }: { right: Right; onChange: (right: Right) => void }) => (
  <fieldset className="mt-3">
    <legend className="font-semibold">It may</legend>
    {RIGHTS.map((each) => (
      <label key={each} className="mt-1 flex items-center gap-2">
        <input
          type="radio"
          name="right"
          className="accent-brass"
          checked={each === right}
          onChange={() => onChange(each)}
        />
        {RIGHT_WORDS[each]}
      </label>
    ))}
  </fieldset>
);

function CodeShown({ code, until, picture, right }: Code) {
  return (
    <div className="mt-4 flex items-center gap-4" data-code={code}>
      {/* Dark on light in both themes: cameras do not read it the other way round. */}
      {/* eslint-disable-next-line @next/next/no-img-element -- a picture made a moment ago, not a file */}
      <img
        className="h-40 w-40 border border-line bg-white"
        alt="The same address and code, for a camera"
        src={`data:image/svg+xml;utf8,${encodeURIComponent(picture)}`}
      />
      <p role="status">
        <span className="figure block text-3xl tracking-wider">{code}</span>
        <span className="mt-1 block text-[13px] text-ink-soft">
          lets one device in, to {RIGHT_WORDS[right]}; until{' '}
          {dayAndTime(new Date(until).toISOString()).slice(11)}
        </span>
      </p>
    </div>
  );
}

interface OneDeviceProps {
  id: string;
  name: string;
  right: Right;
  seenAt: string;
  act: (work: ReturnType<typeof requestJson>) => Promise<void>;
}

function OneDevice({ id, name, right, seenAt, act }: OneDeviceProps) {
  return (
    <li data-device={name} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
      <span className="min-w-0 flex-1">
        <span className="block truncate font-semibold">{name}</span>
        <span className="block text-[13px] text-ink-soft">last here {dayAndTime(seenAt)}</span>
      </span>
      <select
        aria-label={`What ${name} may do`}
        className="field !w-auto max-w-[19rem] text-sm"
        value={right}
        onChange={(event) =>
          act(requestJson('PATCH', `/api/share/${id}`, { right: event.target.value }))
        }
      >
        {RIGHTS.map((each) => (
          <option key={each} value={each}>
            {RIGHT_WORDS[each]}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="press"
        onClick={() => act(requestJson('DELETE', `/api/share/${id}`))}
      >
        Show out<span className="sr-only"> {name}</span>
      </button>
    </li>
  );
}
